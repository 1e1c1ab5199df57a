import { colourNames, keys, outlines } from '@tidy-badger/core/dossiers'
import type { LibraryFind, PlugLike } from '@tidy-badger/core/library'
import { useQuery } from '@tanstack/react-query'
import { Search } from 'lucide-react'
import { useDeferredValue, useState } from 'react'
import { Link } from 'react-router'
import { NumberField } from '../../ui/NumberField.tsx'
import { fetchPlugsLike, searchLibrary, type PlugAsked } from '../api.ts'

/**
 * Looks through every machine and kit: by words, or by the plug in the hand.
 * @param props.onAsked told whether there is something to look for
 */
export function Library({ onAsked }: { onAsked: (asked: boolean) => void }) {
  const [text, setText] = useState('')
  const asked = useDeferredValue(text.trim())
  return (
    <div role="search" className="mb-6 flex flex-col gap-3">
      <label className="flex flex-col gap-1 font-semibold">
        Look through all of them
        <span className="relative">
          <Search aria-hidden size={20} className="absolute top-1/2 left-3 -translate-y-1/2 text-quiet" />
          <input
            type="search"
            value={text}
            onChange={(event) => {
              setText(event.target.value)
              onAsked(event.target.value.trim() !== '')
            }}
            maxLength={200}
            placeholder="grey/violet throttle · crank 2 · sealed three-way"
            className="w-full pl-10"
          />
        </span>
      </label>
      {asked === '' ? <PlugInHand /> : <Found asked={asked} />}
    </div>
  )
}

function Found({ asked }: { asked: string }) {
  const found = useQuery({
    queryKey: ['library', asked],
    queryFn: () => searchLibrary(asked),
    placeholderData: (before: LibraryFind[] | undefined) => before,
  })
  if (found.isError) return <p role="alert">{found.error.message}</p>
  if (!found.data) return <p className="text-quiet">Looking…</p>
  return (
    <section aria-label="What was found" aria-live="polite">
      {found.data.length === 0 && (
        <p>
          Nothing has all of that. Fewer words find more; a colour may stand in any language, <q>gy/vi</q> as well.
        </p>
      )}
      <ul className="divide-y-2 divide-line-soft">
        {found.data.map((find) => (
          <li key={`${find.kind} ${find.id}`} className="py-1">
            <Link
              to={`/dossiers/${find.kind}/${find.id}`}
              className="flex min-h-11 flex-wrap items-center gap-x-3 font-bold"
            >
              <span className="text-lead">{find.name}</span>
              <span className="figures text-small text-quiet">
                {find.hits[0]?.what === 'dossier' ? find.kind : `${find.count} found`}
              </span>
            </Link>
            <ul>
              {find.hits.map((hit) => (
                <li key={hit.says}>
                  {hit.connector ? (
                    <Link
                      to={`/dossiers/machine/${find.id}?plug=${hit.connector}`}
                      className="inline-flex min-h-11 items-center underline decoration-line underline-offset-4"
                    >
                      {hit.says}
                    </Link>
                  ) : (
                    <span className="inline-flex min-h-9 items-center">{hit.says}</span>
                  )}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  )
}

const features = [
  ['colour', 'Colour', colourNames],
  ['outline', 'Outline', outlines],
  ['key', 'Key', keys],
] as const

/** A plug nobody has a name for, told by what is seen of it. */
function PlugInHand() {
  const [cavities, setCavities] = useState('')
  const [rows, setRows] = useState('')
  const [seen, setSeen] = useState<Record<string, string>>({})
  const whole = (typed: string, most: number) => {
    const figure = Number(typed)
    return Number.isInteger(figure) && figure >= 1 && figure <= most ? figure : undefined
  }
  const count = whole(cavities, 160)
  const asked: PlugAsked | null =
    count === undefined
      ? null
      : {
          cavities: count,
          rows: whole(rows, 20),
          ...Object.fromEntries(Object.entries(seen).filter(([, word]) => word !== '')),
        }
  return (
    <details className="rounded-xl border-2 border-line-soft px-4">
      <summary className="min-h-11 cursor-pointer py-2.5 font-semibold">This plug in my hand</summary>
      <div className="grid grid-cols-2 gap-3 pb-3 sm:grid-cols-5">
        <NumberField label="Cavities" unit="" text={cavities} onText={setCavities}>
          <span className="font-semibold">Cavities</span>
        </NumberField>
        <NumberField label="Rows" unit="" text={rows} onText={setRows}>
          <span className="font-semibold">Rows</span>
        </NumberField>
        {features.map(([name, label, words]) => (
          <label key={name} className="flex flex-col gap-1 font-semibold">
            {label}
            <select
              value={seen[name] ?? ''}
              onChange={(event) => setSeen((before) => ({ ...before, [name]: event.target.value }))}
            >
              <option value="">not seen</option>
              {words.map((word) => (
                <option key={word}>{word}</option>
              ))}
            </select>
          </label>
        ))}
      </div>
      {asked && <Candidates asked={asked} />}
    </details>
  )
}

function Candidates({ asked }: { asked: PlugAsked }) {
  const found = useQuery({
    queryKey: ['plugs-like', asked],
    queryFn: () => fetchPlugsLike(asked),
    placeholderData: (before: PlugLike[] | undefined) => before,
  })
  if (found.isError) return <p role="alert">{found.error.message}</p>
  if (!found.data) return null
  return (
    <section aria-label="Plugs it may be" aria-live="polite" className="pb-3">
      {found.data.length === 0 && <p>No machine here has a plug of {asked.cavities} cavities.</p>}
      <ul
        className="flex max-h-96 flex-col divide-y-2 divide-line-soft overflow-y-auto"
        tabIndex={0}
        aria-label="Plugs"
      >
        {found.data.map((plug) => (
          <li key={`${plug.machine} ${plug.connector}`} className="py-1">
            <Link
              to={`/dossiers/machine/${plug.machine}?plug=${plug.connector}`}
              className="flex min-h-11 flex-wrap items-center gap-x-2 font-semibold underline decoration-line underline-offset-4"
            >
              {plug.name} <span className="text-quiet">{plug.machineName}</span>
            </Link>
            <p className="text-small text-quiet">
              {plug.place}
              {plug.differs.length > 0 && <span className="font-semibold text-ink"> · {plug.differs.join(' · ')}</span>}
            </p>
          </li>
        ))}
      </ul>
    </section>
  )
}
