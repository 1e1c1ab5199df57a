import type { LoomPartId, Machine } from '@tidy-badger/core/dossiers'
import { placeTags, type Rect } from '@tidy-badger/core/drawing'
import { endPoint, type RoutedBranch } from '@tidy-badger/core/routing'
import type { Paper } from '../../machine-view/index.ts'

/** The module at its place, with its name. */
export function ModuleBox({ box, unit, name }: { box: Rect; unit: number; name: string }) {
  return (
    <g aria-hidden>
      <rect {...box} rx={4 * unit} fill="var(--ink)" stroke="var(--ground)" strokeWidth={1.5 * unit} />
      <text
        x={box.x + box.width / 2}
        y={box.y + box.height / 2}
        fontSize={11 * unit}
        fontWeight={700}
        textAnchor="middle"
        dominantBaseline="central"
        fill="var(--ground)"
      >
        {name}
      </text>
    </g>
  )
}

/** Half of how wide the module is drawn, in hairs. */
export const moduleHalf = (name: string) => 7 + 3.4 * name.length

/** Tags at the ends, none on another or on the module; ends close to each other share one, the one in hand has its own. */
export function EndTags({
  branches,
  machine,
  paper: { at, unit },
  module,
  part,
  onPick,
}: {
  branches: readonly RoutedBranch[]
  machine: Machine
  paper: Paper
  /** Where the module is drawn. */
  module: Rect | null
  part: LoomPartId | null
  onPick?: (part: LoomPartId) => void
}) {
  const groups: { x: number; y: number; first: RoutedBranch; others: RoutedBranch[] }[] = []
  for (const branch of branches) {
    const point = endPoint(machine, branch.end)
    if (!point) continue
    const [x, y] = at(point)
    const near = groups.find((group) => Math.abs(group.x - x) < 24 * unit && Math.abs(group.y - y) < 24 * unit)
    if (near && branch.end.id !== part && near.first.end.id !== part) near.others.push(branch)
    else groups.push({ x, y, first: branch, others: [] })
  }
  const labelOf = ({ first, others }: (typeof groups)[number]) => {
    const tag = first.end.tag.replace(/–.*/, '')
    return others.length > 0 ? `${tag} +${others.length}` : tag
  }
  // The one in hand stands nearest to its place.
  const inOrder = [...groups].sort((a, b) => Number(b.first.end.id === part) - Number(a.first.end.id === part))
  const spots = new Map(
    placeTags(
      inOrder.map((group) => ({
        id: group.first.end.id,
        at: group,
        width: (9 + 6.4 * labelOf(group).length) * unit,
        height: 14 * unit,
      })),
      module ? [module] : [],
      4 * unit,
    ).map((spot) => [spot.id, spot]),
  )
  return (
    <g aria-hidden>
      {groups.map((group) => {
        const { first, others, x, y } = group
        const { end } = first
        const spot = spots.get(end.id)
        if (!spot) return null
        const picked = end.id === part
        const short = [first, ...others].some((branch) => branch.reach !== 'reaches')
        const middle = { x: spot.x + spot.width / 2, y: spot.y + spot.height / 2 }
        return (
          <g
            key={end.id}
            onClick={onPick ? () => onPick(end.id) : undefined}
            style={onPick ? { cursor: 'pointer' } : undefined}
          >
            <path d={`M${x} ${y}L${middle.x} ${middle.y}`} stroke="var(--ink)" strokeWidth={unit} />
            <circle cx={x} cy={y} r={3.4 * unit} fill="var(--ink)" stroke="var(--paper)" strokeWidth={unit} />
            <rect
              x={spot.x}
              y={spot.y}
              width={spot.width}
              height={spot.height}
              rx={3 * unit}
              fill={picked ? 'var(--lamp)' : 'var(--paper)'}
              stroke={short ? 'var(--stop)' : 'var(--ink)'}
              strokeWidth={(short ? 2.4 : 1.3) * unit}
              strokeDasharray={short ? `${3 * unit} ${2 * unit}` : undefined}
            />
            <text
              x={middle.x}
              y={middle.y}
              fontSize={10.5 * unit}
              fontWeight={700}
              textAnchor="middle"
              dominantBaseline="central"
              fill={picked ? '#15181a' : 'var(--ink)'}
            >
              {labelOf(group)}
            </text>
          </g>
        )
      })}
    </g>
  )
}
