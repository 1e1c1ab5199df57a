import { useQuery } from '@tanstack/react-query'
import { Button } from '../../ui/Button.tsx'
import { fetchUsual } from '../api.ts'
import { useDraft } from '../draftStore.ts'
import { counted } from '../words.ts'

/** What dossiers of the class share and this one has not: one by one, or all of it. @param revision asked anew once it is saved */
export function UsualThings<Thing extends { id: string }>({
  id,
  one,
  wordsOf,
  onTake,
}: {
  id: string
  /** What one of them is: "step". */
  one: string
  wordsOf: (thing: Thing) => string
  onTake: (things: readonly Thing[]) => void
}) {
  const base = useDraft((state) => state.base)
  const usual = useQuery({
    queryKey: ['usual', id, base],
    queryFn: () => fetchUsual<Thing>(id),
    enabled: base !== null,
  })
  const found = usual.data ?? []
  if (found.length === 0) return null
  return (
    <details className="rounded-xl border-2 border-line bg-paper p-3">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        Others of its class have {counted(found.length, one)} more
      </summary>
      <Button className="mb-2" onClick={() => onTake(found.map(({ thing }) => thing))}>
        Take all of them
      </Button>
      <ul className="flex flex-col gap-1">
        {found.map(({ thing, count, of }) => (
          <li key={thing.id} className="flex flex-wrap items-center gap-x-3">
            <Button look="quiet" aria-label={`Take: ${wordsOf(thing)}`} onClick={() => onTake([thing])}>
              Take
            </Button>
            <span className="min-w-0 flex-1">{wordsOf(thing)}</span>
            <span className="figures text-small text-quiet">
              {count} of {of}
            </span>
          </li>
        ))}
      </ul>
    </details>
  )
}
