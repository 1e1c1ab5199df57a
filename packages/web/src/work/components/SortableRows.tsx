import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core'
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { useLayoutEffect, type RefObject } from 'react'
import { CSS } from '@dnd-kit/utilities'
import { RowList, WorkRow, type WorkRowProps } from './WorkRow.tsx'

/** Rows of which the movable ones can be dragged to another place. */
export function SortableRows({
  rows,
  focused,
  onFocus,
  onDrag,
}: {
  rows: readonly WorkRowProps[]
  /** The row that had the keys last. */
  focused: RefObject<string | null>
  onFocus: (row: string | null) => void
  onDrag: (id: string, over: string) => void
}) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  useLayoutEffect(() => {
    if (focused.current !== null && document.activeElement === document.body)
      document.querySelector<HTMLElement>(`[data-row="${focused.current}"]`)?.focus()
  }, [focused])
  const onDragEnd = ({ active, over }: DragEndEvent) => over && onDrag(String(active.id), String(over.id))
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext
        items={rows.filter(({ movable }) => movable).map(({ item }) => item.id)}
        strategy={verticalListSortingStrategy}
      >
        <RowList onFocus={onFocus}>
          {rows.map((row) => (
            <SortableRow key={row.item.id} {...row} />
          ))}
        </RowList>
      </SortableContext>
    </DndContext>
  )
}

function SortableRow(row: WorkRowProps) {
  const sortable = useSortable({ id: row.item.id, disabled: !row.movable })
  return (
    <WorkRow
      {...row}
      grip={{
        row: sortable.setNodeRef,
        handle: sortable.setActivatorNodeRef,
        listeners: sortable.listeners,
        style: { transform: CSS.Translate.toString(sortable.transform), transition: sortable.transition },
        dragging: sortable.isDragging,
      }}
    />
  )
}
