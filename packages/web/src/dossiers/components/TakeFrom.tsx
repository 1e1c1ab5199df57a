import { takenLists, thingsOf, type TakenList } from '@tidy-badger/core/dossier-writing'
import type { Dossier } from '@tidy-badger/core/dossiers'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { fetchDocument, fetchDossiers } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { notice } from '../../ui/notices.ts'

const listNames: Record<TakenList, string> = {
  connectors: 'plugs',
  covers: 'covers',
  places: 'places',
  steps: 'steps',
  ends: 'ends',
  parts: 'parts',
  settings: 'settings',
  lamps: 'lamp signs',
}

/** Takes one thing of another machine or kit over into this one. */
export function TakeFrom({
  kind,
  own,
  onTake,
}: {
  kind: Dossier['kind']
  /** Id of the document that is written. */
  own: string
  onTake: (other: Dossier, list: TakenList, id: string) => void
}) {
  const [opened, setOpened] = useState(false)
  return (
    <details className="border-t-2 border-line-soft pt-2" onToggle={(event) => setOpened(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 font-bold">Take something from another {kind}</summary>
      {opened && <Choice kind={kind} own={own} onTake={onTake} />}
    </details>
  )
}

function Choice({ kind, own, onTake }: Parameters<typeof TakeFrom>[0]) {
  const rows = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers })
  const others = new Map(
    (rows.data ?? []).filter((row) => row.kind === kind && row.id !== own).map((row) => [row.id, row.name]),
  )
  const [asked, setAsked] = useState('')
  const [list, setList] = useState<TakenList>(takenLists[kind][0])
  const other = useQuery({
    queryKey: ['dossier', kind, asked],
    queryFn: () => fetchDocument(kind, asked),
    enabled: asked !== '',
  })
  const document = other.data?.document
  const things = document ? thingsOf(document).filter((thing) => thing.list === list) : []
  return (
    <div className="flex flex-col gap-2">
      <select aria-label={`Which ${kind}`} value={asked} onChange={(event) => setAsked(event.target.value)}>
        <option value="">which one?</option>
        {[...others].map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <div className="flex flex-wrap gap-1" role="group" aria-label="What of it">
        {takenLists[kind].map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === list}
            onClick={() => setList(one)}
            className={`min-h-11 rounded-lg border-2 px-3 font-semibold ${one === list ? 'border-lamp bg-paper' : 'border-line'}`}
          >
            {listNames[one]}
          </button>
        ))}
      </div>
      {asked !== '' && (
        <ul className="max-h-72 overflow-y-auto" tabIndex={0} aria-label={`Its ${listNames[list]}`}>
          {things.map((thing) => (
            <li key={thing.id} className="flex items-center justify-between gap-2 border-b-2 border-line-soft py-1">
              <span className="min-w-0">{thing.name}</span>
              <Button
                aria-label={`Take ${thing.name}`}
                className="!px-3"
                onClick={() => {
                  if (!document) return
                  onTake(document, list, thing.id)
                  notice.good(`Taken over: ${thing.name}`)
                }}
              >
                Take
              </Button>
            </li>
          ))}
          {document && things.length === 0 && <li className="text-quiet">It has none written down.</li>}
        </ul>
      )}
    </div>
  )
}
