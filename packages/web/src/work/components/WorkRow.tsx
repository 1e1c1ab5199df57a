import { accessOf, wordsOf, type WorkItem } from '@tidy-badger/core/jobs'
import { minutesText } from '@tidy-badger/core/dossiers'
import { ArrowDown, ArrowUp, Check, GripVertical, TriangleAlert } from 'lucide-react'
import type { CSSProperties, ReactNode } from 'react'
import { useJob } from '../../jobs/index.ts'

export interface WorkRowProps {
  item: WorkItem
  current: boolean
  movable: boolean
  says: string[]
  onPick: () => void
  onMove: (step: number) => void
}

/** What a row needs of those that can be dragged. */
export interface Grip {
  row: (element: HTMLElement | null) => void
  handle: (element: HTMLElement | null) => void
  listeners: object | undefined
  style: CSSProperties
  dragging: boolean
}

/** @param onFocus called with the row that gets the keys */
export function RowList({ onFocus, children }: { onFocus: (row: string | null) => void; children: ReactNode }) {
  return (
    <ol className="flex flex-col gap-1" onFocus={({ target }) => onFocus(target.dataset.row ?? null)}>
      {children}
    </ol>
  )
}

export function WorkRow({ item, current, movable, says, onPick, onMove, grip }: WorkRowProps & { grip?: Grip }) {
  const { dossiers, state } = useJob()
  const reading = item.kind === 'step' ? state.readings.filter((made) => made.step === item.step.id).at(-1) : undefined
  const name = wordsOf(item)
  const number =
    item.kind === 'cover-off'
      ? (accessOf(dossiers, state)?.removals.findIndex((other) => other.cover.id === item.removal.cover.id) ?? -1) + 1
      : 0
  return (
    <li
      ref={grip?.row}
      style={grip?.style}
      className={`rounded-lg border-2 ${current ? 'border-lamp bg-paper' : 'border-transparent'} ${grip?.dragging ? 'z-10 bg-paper' : ''}`}
    >
      <div className="flex items-start">
        {movable && (
          <span
            ref={grip?.handle}
            {...grip?.listeners}
            aria-hidden
            className="grid min-h-12 w-7 shrink-0 cursor-grab touch-none place-items-center text-quiet"
          >
            <GripVertical size={18} />
          </span>
        )}
        <button
          type="button"
          data-row={item.id}
          onClick={(event) => {
            // Picked by hand, the space bar is to mean the next tick again, not this row.
            if (event.detail > 0) event.currentTarget.blur()
            onPick()
          }}
          onKeyDown={(event) => {
            if (!movable || !event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
            event.preventDefault()
            onMove(event.key === 'ArrowUp' ? -1 : 1)
          }}
          aria-current={current ? 'step' : undefined}
          className="flex min-h-12 min-w-0 flex-1 items-start gap-2.5 px-2 py-2 text-left font-text"
        >
          <span
            aria-hidden
            className={`mt-0.5 grid size-6 shrink-0 place-items-center rounded border-2 ${item.done ? 'border-ink bg-ink text-lamp' : 'border-quiet'}`}
          >
            {item.done ? (
              <Check size={17} strokeWidth={3.5} />
            ) : (
              number > 0 && <span className="figures text-small font-bold">{number}</span>
            )}
          </span>
          <span className="min-w-0 flex-1">
            <span className={`break-words ${current ? 'text-lead font-semibold' : item.done ? 'text-quiet' : ''}`}>
              {name}
            </span>
            <span className="sr-only">{item.done ? ', done' : ', open'}</span>
            {reading && (
              <span className="figures ml-2 font-semibold">
                {reading.value} {reading.unit}
              </span>
            )}
            {item.done?.by && <span className="block text-small text-quiet">{item.done.by}</span>}
          </span>
          {!item.done && !(current && movable) && (
            <span className="figures shrink-0 pt-0.5 text-small text-quiet">{minutesText(roundedMinutes(item))}</span>
          )}
        </button>
        {current && movable && (
          <span className="flex shrink-0 gap-1 p-0.5">
            <MoveButton label={`${name}: earlier`} onClick={() => onMove(-1)}>
              <ArrowUp aria-hidden size={18} />
            </MoveButton>
            <MoveButton label={`${name}: later`} onClick={() => onMove(1)}>
              <ArrowDown aria-hidden size={18} />
            </MoveButton>
          </span>
        )}
      </div>
      {says.map((text) => (
        <p key={text} className="flex gap-2 px-2 pb-2 font-semibold text-stop">
          <TriangleAlert aria-hidden size={19} className="shrink-0" /> {text}
        </p>
      ))}
    </li>
  )
}

function roundedMinutes({ minutes }: WorkItem) {
  const round = (value: number) => Math.round(value)
  return { best: round(minutes.best), likely: round(minutes.likely), worst: round(minutes.worst) }
}

function MoveButton({ label, onClick, children }: { label: string; onClick: () => void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={`${label} (Alt and arrow)`}
      onClick={onClick}
      className="grid size-11 place-items-center rounded-lg border-2 border-line"
    >
      {children}
    </button>
  )
}
