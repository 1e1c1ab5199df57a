import type { KeyboardEvent } from 'react'
import { count, signed } from '../words.ts'
import { acceptable, type CellKey, type CellView } from '../selectors.ts'

/**
 * The table: number, a bar from the centre line (up adds fuel, down takes), thin and hatched until earned,
 * framed when it will be taken over. Arrow keys walk, Enter turns an answer round.
 */
export function TrimTable({
  cells,
  selected,
  onSelect,
  onToggle,
}: {
  cells: CellView[]
  selected: CellKey | null
  onSelect: (key: CellKey) => void
  onToggle: (cell: CellView) => void
}) {
  const rpm = [...new Set(cells.map((cell) => cell.rpm))]
  const load = [...new Set(cells.map((cell) => cell.load))]
  const scale = Math.max(4, ...cells.map((cell) => Math.abs(cell.next)))
  const walk = (event: KeyboardEvent<HTMLTableElement>) => {
    const steps: Record<string, [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
    }
    const step = steps[event.key]
    const at = cells.findIndex((cell) => cell.key === selected)
    const here = cells[at]
    if (event.key === 'Enter' && here) {
      event.preventDefault()
      onToggle(here)
    }
    if (!step) return
    event.preventDefault()
    const r = Math.max(0, Math.min(rpm.length - 1, Math.floor(Math.max(at, 0) / load.length) + step[0]))
    const l = Math.max(0, Math.min(load.length - 1, (Math.max(at, 0) % load.length) + step[1]))
    const next = cells[r * load.length + l]
    if (!next) return
    onSelect(next.key)
    event.currentTarget.querySelector<HTMLElement>(`[data-cell="${next.key}"]`)?.focus()
  }
  return (
    <div className="overflow-x-auto" role="region" aria-label="Trim table" tabIndex={-1}>
      <table
        role="grid"
        onKeyDown={walk}
        className="w-full min-w-[620px] table-fixed border-separate border-spacing-[3px]"
      >
        <caption className="sr-only">Trim in percent; throttle in percent across, engine speed in rpm down</caption>
        <thead>
          <tr>
            <th scope="col" className="figures w-[70px] text-left text-small font-normal text-quiet">
              rpm \ %
            </th>
            {load.map((value) => (
              <th key={value} scope="col" className="figures text-body font-normal text-quiet">
                {value}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rpm.map((speed, r) => (
            <tr key={speed}>
              <th scope="row" className="figures pr-2 text-right text-body font-normal text-quiet">
                {count(speed)}
              </th>
              {load.map((value, l) => {
                const cell = cells[r * load.length + l]
                if (!cell) return null
                return (
                  <td key={value} className="p-0">
                    <CellButton
                      cell={cell}
                      scale={scale}
                      selected={cell.key === selected}
                      first={selected === null && r === 0 && l === 0}
                      onSelect={() => onSelect(cell.key)}
                      onToggle={() => onToggle(cell)}
                    />
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 flex flex-wrap gap-x-5 gap-y-1 pl-[70px] text-small text-quiet">
        <span>
          <span aria-hidden className="mr-2 inline-block h-4 w-6 rounded border-2 border-ink bg-paper align-[-2px]" />
          will be taken over
        </span>
        <span>
          <span
            aria-hidden
            className="mr-2 inline-block h-4 w-6 rounded border-2 border-dashed border-ink bg-paper align-[-2px]"
          />
          offered, not taken
        </span>
        <span>
          <span
            aria-hidden
            style={{ backgroundImage: hatch }}
            className="mr-2 inline-block h-4 w-6 rounded border border-line align-[-2px]"
          />
          not earned, keeps its value
        </span>
        <span>Bar up adds fuel, down takes it.</span>
      </p>
    </div>
  )
}

const hatch = 'repeating-linear-gradient(135deg, var(--line-soft) 0 2px, transparent 2px 7px)'

function CellButton({
  cell,
  scale,
  selected,
  first,
  onSelect,
  onToggle,
}: {
  cell: CellView
  scale: number
  selected: boolean
  first: boolean
  onSelect: () => void
  onToggle: () => void
}) {
  const earned = cell.suggestion?.earned ?? false
  const turnedDown = acceptable(cell) && !cell.accepted
  const words = [
    `${cell.rpm} rpm, ${cell.load} % throttle: ${signed(cell.accepted ? cell.next : cell.now)} %`,
    earned
      ? cell.accepted
        ? `was ${signed(cell.now)}, will be taken over`
        : turnedDown
          ? `${signed(cell.next)} suggested, not taken`
          : 'earned, no change'
      : 'not earned',
  ].join(', ')
  return (
    <button
      type="button"
      data-cell={cell.key}
      aria-label={words}
      aria-pressed={selected}
      tabIndex={selected || first ? 0 : -1}
      onClick={onSelect}
      onDoubleClick={onToggle}
      style={earned ? undefined : { backgroundImage: hatch }}
      className={`relative flex h-[48px] w-full items-center justify-end rounded-md pr-1.5 pl-5 ${earned ? 'bg-paper' : ''} ${selected ? 'border-[4px] border-lamp' : cell.accepted ? 'border-2 border-ink' : turnedDown ? 'border-2 border-dashed border-ink' : 'border border-line'}`}
    >
      <Bar value={cell.accepted ? cell.next : cell.now} scale={scale} strong={cell.accepted} />
      <span className={`figures text-body ${cell.accepted ? 'font-bold' : earned ? '' : 'text-quiet'}`}>
        {signed(cell.accepted || turnedDown ? cell.next : cell.now)}
      </span>
    </button>
  )
}

function Bar({ value, scale, strong }: { value: number; scale: number; strong: boolean }) {
  const size = Math.min(1, Math.abs(value) / scale) * 19
  const colour = !strong ? 'var(--line)' : value > 0 ? 'var(--lamp-ink)' : 'var(--data)'
  return (
    <svg viewBox="0 0 14 42" aria-hidden className="absolute top-0.5 bottom-0.5 left-1 h-[42px] w-[14px]">
      <rect x={4} y={value > 0 ? 21 - size : 21} width={7} height={size} fill={colour} />
      <path d="M1 21h13" stroke="var(--quiet)" strokeWidth={1.6} />
    </svg>
  )
}
