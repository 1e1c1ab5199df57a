import {
  sheetChoices,
  sheetMachines,
  sheetRows,
  withFit,
  withSheetEntry,
  withSheetPlace,
} from '@tidy-badger/core/dossier-writing'
import type { Kit, MachineId, PlaceId } from '@tidy-badger/core/dossiers'
import { asId } from '@tidy-badger/core/shared'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { fetchDocument, fetchDossiers, fetchErrata } from '../../jobs/index.ts'
import { Loading } from '../../ui/states.tsx'
import { Problems } from '../components/TypedTable.tsx'
import { changeKit, keepMade, kitDrafting } from '../draftStore.ts'

/** What the kit's own sheet says, machine by machine: made for it or not, where the module goes, which wire or stud an end takes. */
export function KitSheet({ kit }: { kit: Kit }) {
  const rows = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers })
  const known = sheetMachines(kit)
  const [asked, setAsked] = useState<string | null>(null)
  if (rows.isPending) return <Loading what="Looking which machines there are…" />
  const names = new Map((rows.data ?? []).filter(({ kind }) => kind === 'machine').map(({ id, name }) => [id, name]))
  const picked = asked ?? known[0] ?? [...names.keys()][0]
  return (
    <div className="flex flex-col gap-4">
      <label className="flex max-w-md flex-col gap-1 font-semibold">
        On the machine
        <select className="font-normal" value={picked} onChange={(event) => setAsked(event.target.value)}>
          {[...new Set([...known, ...names.keys()])].map((id) => (
            <option key={id} value={id}>
              {names.get(id) ?? id}
              {known.includes(asId(id)) ? '' : ', nothing yet'}
            </option>
          ))}
        </select>
      </label>
      {picked !== undefined && <OneSheet key={picked} kit={kit} id={asId(picked)} />}
      <Errata kit={kit} />
    </div>
  )
}

/** What was found wrong on the kit's sheet, on jobs, for everybody. */
export function Errata({ kit }: { kit: Kit }) {
  const errata = useQuery({ queryKey: ['errata'], queryFn: fetchErrata })
  const rows = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers })
  const own = (errata.data ?? []).filter((one) => one.kit === kit.id)
  if (own.length === 0) return null
  return (
    <section aria-label="Errata">
      <h2 className="mb-1 text-title font-bold">Found wrong on its sheet</h2>
      <ul className="flex flex-col gap-1">
        {own.map((one) => (
          <li key={one.id} className="border-l-[5px] border-lamp pl-3">
            {rows.data?.find((row) => row.kind === 'machine' && row.id === one.machine)?.name ?? one.machine},{' '}
            {kit.ends.find(({ id }) => id === one.kitEnd)?.name ?? one.kitEnd}: the sheet says {one.says}; {one.is}.{' '}
            <span className="text-quiet">
              {one.by}, {one.at.slice(0, 10)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

function OneSheet({ kit, id }: { kit: Kit; id: MachineId }) {
  const machine = useQuery({ queryKey: ['dossier', 'machine', id], queryFn: () => fetchDocument('machine', id) })
  const document = machine.data?.document
  const { studs, places } = document?.kind === 'machine' ? sheetChoices(document) : { studs: [], places: [] }
  return (
    <>
      <label className="flex min-h-11 items-center gap-3 font-semibold">
        <input
          type="checkbox"
          className="size-6 !min-h-0 accent-[var(--lamp)]"
          checked={kit.fits.includes(id)}
          onChange={(event) => changeKit((now) => withFit(now, id, event.target.checked))}
        />
        The loom was made for this machine
      </label>
      <label className="flex max-w-md flex-col gap-1 font-semibold">
        The module goes
        <select
          className="font-normal"
          value={kit.places?.find((entry) => entry.machine === id)?.place ?? ''}
          onChange={(event) =>
            changeKit((now) =>
              withSheetPlace(now, id, event.target.value === '' ? null : asId<PlaceId>(event.target.value)),
            )
          }
        >
          <option value="">where it fits best</option>
          {places.map((place) => (
            <option key={place.id} value={place.id}>
              {place.name}
            </option>
          ))}
        </select>
      </label>
      <ul className="divide-y-2 divide-line-soft">
        {sheetRows(kit, id).map(({ end, says, text }) => (
          <li key={end.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
            <span className="w-14 shrink-0 rounded-lg border-2 border-ink text-center font-head font-bold">
              {end.tag}
            </span>
            <span className="w-64 font-semibold">{end.name}</span>
            {says === 'stud' ? (
              <select
                aria-label={`Stud for ${end.name}`}
                className="w-64"
                value={text}
                onChange={({ target }) =>
                  keepMade(kitDrafting, kit, (now) => withSheetEntry(now, id, end.id, target.value))
                }
              >
                <option value="">the sheet names none</option>
                {studs.map((stud) => (
                  <option key={stud.id} value={stud.id}>
                    {stud.name}
                  </option>
                ))}
              </select>
            ) : (
              <WireEntry key={`${id} ${text}`} kit={kit} machine={id} end={end.id} name={end.name} text={text} />
            )}
          </li>
        ))}
      </ul>
    </>
  )
}

/** The factory wire's colour as the sheet names it. */
function WireEntry({
  kit,
  machine,
  end,
  name,
  text,
}: {
  kit: Kit
  machine: MachineId
  end: Kit['ends'][number]['id']
  name: string
  text: string
}) {
  const [typed, setTyped] = useState(text)
  const [problems, setProblems] = useState<readonly { path: string; message: string }[]>([])
  const store = () => {
    if (typed === text) return
    const made = keepMade(kitDrafting, kit, (now) => withSheetEntry(now, machine, end, typed))
    setProblems(made.ok ? [] : made.problems)
  }
  return (
    <>
      <input
        aria-label={`Factory wire for ${name}`}
        aria-invalid={problems.length > 0}
        className="w-64"
        placeholder="grey/black"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={store}
        onKeyDown={(event) => event.key === 'Enter' && store()}
      />
      <Problems of={problems} />
    </>
  )
}
