import {
  endRow,
  kitListFields,
  missingFromKit,
  moduleFields,
  textsOf,
  trimFields,
  type KitList,
  type TypedField,
} from '@tidy-badger/core/dossier-writing'
import type { Kit, KitEndId } from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { Picture, Views } from '../../ui/Views.tsx'
import { StationSteps } from '../components/StationSteps.tsx'
import { Errata } from './KitSheet.tsx'
import { LoomTree } from './LoomTree.tsx'

const chapters = [
  ['loom', 'Loom'],
  ['module', 'Module'],
  ['box', 'In the box'],
  ['set', 'Set and trim'],
  ['steps', 'Steps'],
] as const
type Chapter = (typeof chapters)[number][0]

/** Everything a kit's dossier says, chapter by chapter. */
export function KitContents({ kit }: { kit: Kit }) {
  const [chapter, setChapter] = useState<Chapter>('loom')
  const [picked, setPicked] = useState<KitEndId | null>(null)
  const missing = missingFromKit(kit)
  const end = kit.ends.find(({ id }) => id === picked)
  return (
    <div className="mt-5">
      {missing.length > 0 && (
        <ul aria-label="What is not written down" className="mb-5 flex flex-col gap-1">
          {missing.map(({ what, costs }) => (
            <li key={what} className="border-l-[5px] border-line pl-3">
              {costs}
            </li>
          ))}
        </ul>
      )}
      <Errata kit={kit} />
      <Views
        heading={<h2 className="text-title font-bold">{kit.ends.length} ends</h2>}
        names={chapters}
        shown={chapter}
        onShow={setChapter}
      >
        <Picture name="loom">
          <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_300px]">
            <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The loom">
              <LoomTree kit={kit} picked={picked} />
            </div>
            <div>
              <ul className="max-h-[60vh] overflow-y-auto" tabIndex={0} aria-label="Ends">
                {kit.ends.map((one) => (
                  <li key={one.id}>
                    <button
                      type="button"
                      aria-pressed={one.id === picked}
                      onClick={() => setPicked(one.id === picked ? null : one.id)}
                      className={`flex min-h-11 w-full items-center gap-3 rounded-lg border-2 px-2 text-left font-text ${one.id === picked ? 'border-lamp bg-paper' : 'border-transparent'}`}
                    >
                      <span className="w-12 shrink-0 rounded-lg border-2 border-ink text-center font-head font-bold">
                        {one.tag}
                      </span>
                      {one.name}
                    </button>
                  </li>
                ))}
              </ul>
              {end && <p className="mt-2 border-l-[5px] border-data pl-3">{saysOf(end)}</p>}
              {(kit.naming ?? []).map((rule) => (
                <p key={rule.id} className="mt-2 border-l-[5px] border-data pl-3">
                  {rule.says}
                </p>
              ))}
            </div>
          </div>
        </Picture>
        <Picture name="module">
          <Facts texts={textsOf(kit, moduleFields)} fields={moduleFields} />
          <ListOf kit={kit} list="lamps" title="What its lamp says" />
          <ListOf kit={kit} list="sockets" title="Sockets and terminals of its own" />
        </Picture>
        <Picture name="box">
          <ListOf kit={kit} list="parts" title="Parts" />
          <ListOf kit={kit} list="taps" title="Joints, and where they do not last" />
        </Picture>
        <Picture name="set">
          <ListOf kit={kit} list="settings" title="Settings" />
          <ListOf kit={kit} list="figures" title="Figures it writes or sends" />
          <ListOf kit={kit} list="levels" title="Levels above stock" />
          <ListOf kit={kit} list="claims" title="What it is claimed to bring" />
          {kit.trim && (
            <>
              <h3 className="mt-4 text-lead font-bold">Fuel table</h3>
              <Facts texts={textsOf(kit, trimFields)} fields={trimFields} />
            </>
          )}
        </Picture>
        <Picture name="steps">
          <StationSteps steps={kit.steps} />
          <h3 className="mt-4 text-lead font-bold">Back to stock</h3>
          <ol className="list-decimal pl-6">
            {kit.returnToStock.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ol>
          {kit.cautions.map((text) => (
            <p key={text} className="mt-2 border-l-[5px] border-lamp pl-3">
              {text}
            </p>
          ))}
        </Picture>
      </Views>
    </div>
  )
}

function saysOf(end: Kit['ends'][number]): string {
  const { kind, wants, breakOut, branch } = endRow(end)
  return `${end.name}: ${kind}${wants ? ` for ${wants}` : ''}, leaves the trunk at ${breakOut} mm, ${branch} mm long${end.needed ? '' : '; the kit works without it'}.`
}

/** What is said, one line a field; what is not said is left out. */
function Facts({ texts, fields }: { texts: Record<string, string>; fields: readonly TypedField[] }) {
  return (
    <dl className="grid max-w-xl grid-cols-[auto_1fr] gap-x-6 gap-y-1">
      {fields
        .filter(({ name }) => texts[name] !== '')
        .map(({ name, label, unit, flag }) => (
          <div key={name} className="contents">
            <dt className="text-quiet">{label}</dt>
            <dd className="font-semibold">{flag ? 'yes' : `${texts[name]}${unit ? ` ${unit}` : ''}`}</dd>
          </div>
        ))}
    </dl>
  )
}

/** A list as a table, with the columns something stands in. */
function ListOf({ kit, list, title }: { kit: Kit; list: KitList; title: string }) {
  const fields = kitListFields(kit, list)
  const items: readonly object[] = kit[list] ?? []
  if (items.length === 0) return null
  const rows = items.map((item) => textsOf(item, fields))
  const shown = fields.filter(({ name }) => rows.some((row) => row[name] !== ''))
  return (
    <section className="mt-4">
      <h3 className="text-lead font-bold">{title}</h3>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={title}>
        <table className="w-full">
          <thead>
            <tr className="text-left text-small">
              {shown.map(({ name, label }) => (
                <th key={name} className="pr-4">
                  {label}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i} className="border-t-2 border-line-soft align-top">
                {shown.map(({ name }) => (
                  <td key={name} className="py-1 pr-4">
                    {row[name]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}
