import { signedPct } from '@tidy-badger/core/fuel-trim'
import type { HandbackSheet } from '@tidy-badger/core/handover'
import type { ReactNode } from 'react'
import { Photo } from '../../photos/index.ts'
import { WireChip } from '../../wiring/index.ts'

/** The paper on the screen, in the order in which it is read; the same that is printed. */
export function SheetView({ sheet }: { sheet: HandbackSheet }) {
  const sections: [string, string[]][] = [
    ['Done for good', sheet.forGood],
    ['Left by earlier fitters', sheet.earlierWork],
    ['Built otherwise than planned', sheet.differences],
    ['Written down', sheet.written],
    ['Done without what was asked', sheet.doneWithout],
    ['Not back on', sheet.leftOff],
    ['Where it lies', sheet.lies],
    ['On the road', sheet.lawful],
    ['Gain and levels', sheet.proof],
    ['Told to the owner', sheet.told],
  ]
  const extra = sections.filter(([, lines]) => lines.length > 0)
  return (
    <article className="max-w-3xl">
      <h2 className="text-head leading-tight font-bold">{sheet.title}</h2>
      <p>
        {sheet.machine} · {sheet.kit}
      </p>
      <p className="text-quiet">
        Opened {sheet.openedAt.slice(0, 10)}
        {sheet.fitters.length > 0 && ` · fitted by ${sheet.fitters.join(', ')}`}
      </p>
      {sheet.liftedStops.length > 0 && (
        <Part title="Stops lifted by a person">
          <Lines lines={sheet.liftedStops} />
        </Part>
      )}
      <Part title="What is connected where">
        <ul>
          {sheet.connections.map((connection) => (
            <li
              key={connection.tag}
              className="grid gap-x-4 border-b border-line-soft py-2 sm:grid-cols-[26px_150px_1fr]"
            >
              <span className="font-head text-lead font-bold">{connection.tag}</span>
              <span className="font-semibold">{connection.end}</span>
              <span>
                {connection.place}
                {connection.how && <span className="text-quiet"> · {connection.how}</span>}
                {connection.by && <span className="text-quiet"> · {connection.by}</span>}
                <ul>
                  {connection.wires.map((wire) => (
                    <li key={wire.cavity} className="flex items-center gap-2 text-small">
                      <span className="figures w-4 text-right">{wire.cavity}</span>
                      <WireChip colour={wire.colour} />
                      {wire.name} <span className="text-quiet">{wire.does}</span>
                    </li>
                  ))}
                </ul>
              </span>
            </li>
          ))}
        </ul>
      </Part>
      {sheet.photos.length > 0 && (
        <Part title="Photos">
          <ul className="grid grid-cols-2 gap-3">
            {sheet.photos.map((photo) => (
              <li key={photo.hash}>
                <Photo hash={photo.hash} alt={photo.says} className="w-full" />
                <span className="text-quiet">{photo.says}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      <Part title="Settings">
        <dl className="grid grid-cols-[1fr_auto_auto] gap-x-5 gap-y-1">
          {sheet.settings.map((setting) => (
            <div key={setting.name} className="contents">
              <dt>{setting.name}</dt>
              <dd className="figures text-right font-semibold">{setting.value}</dd>
              <dd className="text-right text-small text-quiet">shipped {setting.shipped}</dd>
            </div>
          ))}
        </dl>
      </Part>
      {sheet.trim.rpm.length > 0 && (
        <Part title="Trim table in force, %">
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Trim table in force">
            <table className="figures w-full min-w-[520px] text-small">
              <thead>
                <tr>
                  <th scope="col" className="text-left font-normal text-quiet">
                    rpm \ %
                  </th>
                  {sheet.trim.load.map((load) => (
                    <th key={load} scope="col" className="text-right font-normal text-quiet">
                      {load}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {sheet.trim.rpm.map((rpm, r) => (
                  <tr key={rpm} className="border-t border-line-soft">
                    <th scope="row" className="text-left font-normal text-quiet">
                      {rpm}
                    </th>
                    {sheet.trim.pct[r]?.map((value, l) => (
                      <td key={sheet.trim.load[l]} className="text-right">
                        {signedPct(value)}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <p className="mt-1 text-small text-quiet">
            {sheet.trim.madeFrom.length > 0
              ? `Made from ${sheet.trim.madeFrom.join('; ')}.`
              : 'As shipped: nothing changed yet.'}
          </p>
        </Part>
      )}
      {extra.map(([title, lines]) => (
        <Part key={title} title={title}>
          <Lines lines={lines} />
        </Part>
      ))}
      {sheet.readings.length > 0 && (
        <Part title="Readings">
          <Lines
            lines={sheet.readings.map(
              (reading) => `${reading.quantity}: ${reading.value}${reading.by ? ` (${reading.by})` : ''}`,
            )}
          />
        </Part>
      )}
      {sheet.notes.length > 0 && (
        <Part title="Notes">
          <Lines lines={sheet.notes} />
        </Part>
      )}
      <Part title="Back to stock">
        <ol className="list-decimal pl-6">
          {sheet.returnToStock.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      </Part>
      <Part title="Cautions">
        <Lines lines={sheet.cautions} />
      </Part>
      <footer className="mt-5 text-small text-quiet">
        {sheet.sources.map((source) => (
          <p key={source}>{source}</p>
        ))}
      </footer>
    </article>
  )
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-5 break-inside-avoid">
      <h3 className="mb-1.5 border-b-2 border-ink text-title font-bold">{title}</h3>
      {children}
    </section>
  )
}

function Lines({ lines }: { lines: string[] }) {
  return (
    <ul className="list-disc pl-6">
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  )
}
