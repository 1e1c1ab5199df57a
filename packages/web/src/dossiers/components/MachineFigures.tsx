import type { Machine } from '@tidy-badger/core/dossiers'
import { drawingNotes, partsOf, viewName, viewsOf } from '@tidy-badger/core/drawing'
import { passagePoints } from '@tidy-badger/core/routing'
import { useMemo } from 'react'
import { drawingAddress } from '../../machine-view/index.ts'
import { counted } from '../words.ts'

export function Figures({ machine }: { machine: Machine }) {
  const { engine, body, power } = machine
  const rows: (readonly [string, string])[] = [
    ['Class', machine.class],
    ['Years', machine.years],
    ['Engine', `${counted(engine.cylinders, 'cylinder')}, ${engine.cooling}-cooled, ${engine.fuel}`],
    ['Idle and limiter', `${engine.idleRpm} and ${engine.limiterRpm} rpm`],
    ...(body ? [['Length, width, height', `${body.lengthM}, ${body.widthM}, ${body.heightM} m`] as const] : []),
    ...(power
      ? ([
          ['Battery', `${power.batteryAh} Ah`],
          ['With the key off', `${power.idleMa} mA, asleep after ${power.sleepMinutes} min`],
          ['As the key goes on', `${power.primePeakA} A`],
        ] as const)
      : []),
    ...machine.variants.map((variant) => [variant.name, variant.tells] as const),
  ]
  return (
    <div className="grid gap-6 lg:grid-cols-2">
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 self-start">
        {rows.map(([what, text]) => (
          <div key={what} className="contents">
            <dt className="text-quiet">{what}</dt>
            <dd className="font-semibold">{text}</dd>
          </div>
        ))}
      </dl>
      <section>
        <h3 className="text-lead font-bold">Cautions</h3>
        {machine.cautions.length === 0 && <p className="text-quiet">None is written down.</p>}
        <ul className="flex flex-col gap-2">
          {machine.cautions.map((text) => (
            <li key={text} className="border-l-[5px] border-lamp pl-3">
              {text}
            </li>
          ))}
        </ul>
      </section>
    </div>
  )
}

/** The drawing as a list, and what in it does not go with the passages. */
export function Drawing({ machine }: { machine: Machine }) {
  const notes = useMemo(() => drawingNotes(machine, (passage) => passagePoints(machine, passage)), [machine])
  const parts = useMemo(() => partsOf(machine), [machine])
  const metres = (low: number | undefined, high: number | undefined) =>
    low === undefined || high === undefined ? 'not drawn' : `${low.toFixed(2)} to ${high.toFixed(2)}`
  return (
    <>
      {notes.length > 0 && (
        <ul aria-label="What does not go together" className="mb-4 flex flex-col gap-2">
          {notes.map(({ says, remedy }) => (
            <li key={says} className="border-l-[5px] border-lamp pl-3">
              {says} <span className="font-semibold">{remedy}</span>
            </li>
          ))}
        </ul>
      )}
      <p className="mb-2 flex flex-wrap gap-x-5">
        {(machine.body ? viewsOf(machine.body) : []).map((from) => (
          <a
            key={from}
            href={drawingAddress(machine, { from, ink: 'grey', px: 900 })}
            target="_blank"
            rel="noreferrer"
            className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
          >
            {viewName(from)}, black and white, SVG
          </a>
        ))}
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Parts of the drawing">
        <table className="w-full">
          <thead>
            <tr className="text-left text-small">
              <th>part</th>
              <th>from the front, m</th>
              <th>left to right, m</th>
              <th>above ground, m</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {parts.map(({ id, name, low, high, hot }) => (
              <tr key={id} className="border-t-2 border-line-soft">
                <td className="py-1 font-semibold">{name}</td>
                <td className="figures">{metres(low.x, high.x)}</td>
                <td className="figures">{metres(low.y, high.y)}</td>
                <td className="figures">{metres(low.z, high.z)}</td>
                <td>{hot ? 'gets hot' : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  )
}
