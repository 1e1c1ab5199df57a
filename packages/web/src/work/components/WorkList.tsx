import { coverOrderChosen, handOrderOf } from '@tidy-badger/core/access'
import { accessOf, type WorkItem } from '@tidy-badger/core/jobs'
import { Suspense, useRef } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { later } from '../../ui/comesLater.tsx'
import { RowList, WorkRow } from './WorkRow.tsx'

// Until what drags them is there, the buttons and keys of the rows put them in order.
const SortableRows = later(async () => (await import('./SortableRows.tsx')).SortableRows)

/** What is to be done here, in order. Covers that come off can be put in another order, by drag, buttons or keys. */
export function WorkList({
  items,
  current,
  onPick,
}: {
  items: readonly WorkItem[]
  current: WorkItem | undefined
  onPick: (id: string) => void
}) {
  const { dossiers, state, write } = useJob()
  /** The row that has the keys: they stay with it when what drags the rows arrives. */
  const focused = useRef<string>(null)
  const movable = items.filter((item) => item.kind === 'cover-off' && !item.done)
  const breaks = accessOf(dossiers, state)?.breaks ?? []
  const byHand = handOrderOf(state)
  const reorder = (ids: readonly string[]) => {
    const order = (accessOf(dossiers, state)?.removals ?? []).map((removal) => removal.cover.id)
    const places = order.flatMap((id, i) => (ids.includes(`off.${id}`) ? [i] : []))
    const moved = ids.flatMap((id) => order.find((cover) => `off.${cover}` === id) ?? [])
    const answer = order.map((id, i) => moved[places.indexOf(i)] ?? id)
    void write(coverOrderChosen.answer(state, {}, answer))
  }
  const put = (id: string, at: (from: number) => number) => {
    const ids = movable.map((item) => item.id)
    const from = ids.indexOf(id)
    const to = at(from)
    if (from < 0 || to < 0 || to >= ids.length || from === to) return
    ids.splice(to, 0, ...ids.splice(from, 1))
    reorder(ids)
  }
  const rows = items.map((item) => ({
    item,
    current: item.id === current?.id,
    movable: movable.length > 1 && movable.includes(item),
    says: breaks.filter((found) => item.id === `off.${found.cover}`).map((found) => found.says),
    onPick: () => onPick(item.id),
    onMove: (step: number) => put(item.id, (from) => from + step),
  }))
  const keep = (row: string | null) => (focused.current = row)
  const plain = rows.map((row) => <WorkRow key={row.item.id} {...row} />)
  return (
    <div className="min-w-0">
      {movable.length > 1 ? (
        <Suspense fallback={<RowList onFocus={keep}>{plain}</RowList>}>
          <SortableRows
            rows={rows}
            focused={focused}
            onFocus={keep}
            onDrag={(id, over) => put(id, () => movable.findIndex((item) => item.id === over))}
          />
        </Suspense>
      ) : (
        <RowList onFocus={keep}>{plain}</RowList>
      )}
      {byHand && movable.length > 1 && (
        <Button look="quiet" onClick={() => void write(coverOrderChosen.answer(state, {}, null))}>
          Back to the planned order
        </Button>
      )}
    </div>
  )
}
