import type { Cover } from '@tidy-badger/core/dossiers'
import { boxOf, coverParts, machineScene, partIdOf, type DrawnMachine } from '@tidy-badger/core/drawing'

/** What was taken off, small, as the machine's drawing has it; nothing where it is no part of the drawing. */
export function TakenPart({ machine, cover }: { machine: DrawnMachine; cover: Cover }) {
  const parts = new Set(coverParts(machine, cover))
  const shapes = machineScene(machine, 'side').filter((shape) => parts.has(partIdOf(shape.part)))
  if (shapes.length === 0) return null
  const { low, high } = boxOf(shapes)
  const [width, height] = [high[0] - low[0], high[1] - low[1]]
  const hair = Math.max(width, height * 1.6) / 40
  return (
    <svg
      viewBox={`${low[0] - hair} ${-high[1] - hair} ${width + 2 * hair} ${height + 2 * hair}`}
      className="h-8 max-w-[64px] shrink-0"
      aria-hidden
    >
      <g transform="scale(1 -1)" strokeLinejoin="round">
        {shapes.map(({ d, tone, edge }, i) => (
          <path
            key={i}
            d={d}
            fill={tone === 'open' ? 'none' : `var(--part-${tone})`}
            stroke={edge > 0 ? 'var(--part-edge)' : 'none'}
            strokeWidth={hair}
          />
        ))}
      </g>
    </svg>
  )
}
