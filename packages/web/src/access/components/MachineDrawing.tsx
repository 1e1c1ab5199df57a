import { machineIndex, type Box, type Cover, type CoverId, type ZoneId } from '@tidy-badger/core/dossiers'
import { mostLabels, placeLabels, type LabelPlaced, type LabelWanted } from '@tidy-badger/core/drawing'
import { accessOf, type JobDossiers, type JobState } from '@tidy-badger/core/jobs'
import { useJob } from '../../jobs/index.ts'
import { bodyView, coverName, type View, viewRimM as rim } from '@tidy-badger/core/access'
import { MachinePicture } from '../../machine-view/index.ts'

/** The machine drawn of its parts, from above and from its left side; of what is off the place is dashed. */
export function MachineDrawing({ current, onPick }: { current: CoverId | null; onPick: (cover: CoverId) => void }) {
  const { dossiers } = useJob()
  const { body, covers = [] } = dossiers.machine
  if (!body || covers.length === 0) return null
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-1">
      {(['top', 'side'] as const).map((view) => (
        <figure key={view} className="min-w-0">
          <figcaption className="text-small text-quiet">
            {view === 'top' ? 'From above, front to the left' : 'From the left'}
          </figcaption>
          <OneView view={view} current={current} onPick={onPick} />
        </figure>
      ))}
    </div>
  )
}

function OneView({ view, current, onPick }: { view: View; current: CoverId | null; onPick: (cover: CoverId) => void }) {
  const { dossiers, state } = useJob()
  const { machine } = dossiers
  const plan = accessOf(dossiers, state)
  const { body, covers = [] } = machine
  if (!body) return null
  const { width, height, across } = bodyView(body, view)
  const planned = new Set(plan?.removals.map((removal) => removal.cover.id))
  const lastOf = (cover: Cover) => (cover.id === current ? 2 : isOff(state, cover) ? 1 : 0)
  const shown = covers
    .filter((cover) => cover.box && (planned.has(cover.id) || cover.id in state.covers))
    .sort((a, b) => lastOf(a) - lastOf(b))
  const others = covers.filter((cover) => cover.box && !shown.includes(cover))
  const unit = width / 430
  const zones = zonesReached(dossiers, state, view, current)
  const wanted = zones.map((zone) => ({
    id: zone.id,
    at: { x: zone.x + rim, y: across(zone.y) },
    // As wide as such letters are at the most.
    width: labelOf(zone).length * 7.9 * unit,
    height: 19 * unit,
  }))
  const labels = labelsThatFit(wanted, { width, height }, 5 * unit)
  const band = labels.length > 0 ? 27 * unit : 0
  return (
    <svg
      viewBox={`0 ${-band} ${width} ${height + 2 * band}`}
      className="w-full"
      style={{ maxHeight: 280 }}
      role="group"
      aria-label={`${machine.model} ${view === 'top' ? 'from above' : 'from the left'}`}
    >
      <MachinePicture machine={machine} view={view} unit={unit} />
      {others.map((cover) => (
        <rect
          key={cover.id}
          {...rectOf(cover.box, view, across)}
          rx={roundOf(cover.box, view)}
          fill="none"
          stroke="var(--line)"
          strokeWidth={1.2 * unit}
        />
      ))}
      {shown.map((cover) => (
        <DrawnCover
          key={cover.id}
          cover={cover}
          view={view}
          across={across}
          unit={unit}
          number={(plan?.removals.findIndex((removal) => removal.cover.id === cover.id) ?? -1) + 1}
          off={isOff(state, cover)}
          current={cover.id === current}
          onPick={() => onPick(cover.id)}
        />
      ))}
      <Zones zones={zones} labels={labels} across={across} unit={unit} />
    </svg>
  )
}

function rectOf(box: Box | undefined, view: View, across: (value: number) => number) {
  if (!box) return { x: 0, y: 0, width: 0, height: 0 }
  const size = view === 'top' ? box.width : box.height
  return {
    x: box.x - box.length / 2 + rim,
    y: across(view === 'top' ? box.y : box.z) - size / 2,
    width: box.length,
    height: size,
  }
}

function isOff(state: JobState, cover: Cover): boolean {
  const moved = state.covers[cover.id]
  return moved !== undefined && !moved.on
}

function roundOf(box: Box | undefined, view: View): number {
  if (!box) return 0
  return 0.3 * Math.min(box.length, view === 'top' ? box.width : box.height)
}

/** A cover in its place, seen through; once it is off its place is dashed. */
function DrawnCover({
  cover,
  view,
  across,
  unit,
  number,
  off,
  current,
  onPick,
}: {
  cover: Cover
  view: View
  across: (value: number) => number
  unit: number
  number: number
  off: boolean
  current: boolean
  onPick: () => void
}) {
  const { dossiers } = useJob()
  const rect = rectOf(cover.box, view, across)
  const round = roundOf(cover.box, view)
  const small = Math.min(rect.width, rect.height) < 18 * unit
  const label = `${number > 0 ? `${number}: ` : ''}${coverName(dossiers, cover.id)}, ${off ? 'off' : 'on'}`
  return (
    <g
      role="button"
      tabIndex={view === 'top' ? 0 : -1}
      aria-label={label}
      aria-pressed={current}
      onClick={onPick}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return
        event.preventDefault()
        onPick()
      }}
      style={{ cursor: 'pointer' }}
    >
      <rect
        {...rect}
        rx={round}
        fill={off ? 'transparent' : current ? 'var(--paper)' : 'var(--part-near)'}
        fillOpacity={current ? 0.72 : 0.5}
        stroke={current ? 'var(--lamp)' : 'var(--ink)'}
        strokeWidth={(current ? 4 : off ? 1.4 : 1.8) * unit}
        strokeDasharray={off ? `${5 * unit} ${4 * unit}` : undefined}
      />
      {number > 0 && (
        <text
          x={off ? rect.x + 4 * unit : rect.x + rect.width / 2}
          y={off || small ? rect.y - 3 * unit : rect.y + rect.height / 2}
          fontSize={(off || small ? 13 : 17) * unit}
          fontWeight={700}
          textAnchor={off ? 'start' : 'middle'}
          dominantBaseline={off || small ? 'auto' : 'central'}
          fill={off && !current ? 'var(--quiet)' : 'var(--ink)'}
          stroke="var(--ground)"
          strokeWidth={3 * unit}
          paintOrder="stroke"
          className="figures"
          aria-hidden
        >
          {number}
        </text>
      )}
    </g>
  )
}

interface ReachedZone {
  id: ZoneId
  name: string
  x: number
  y: number
  count: number
  names: string[]
}

/** Where the plugs, studs and the mount place of this job sit, those behind the cover in hand first. */
function zonesReached(dossiers: JobDossiers, state: JobState, view: View, current: CoverId | null): ReachedZone[] {
  const { zones } = machineIndex(dossiers.machine)
  const reached = new Map<ZoneId, ReachedZone & { behind: boolean }>()
  for (const { target, covers } of accessOf(dossiers, state)?.targets ?? []) {
    const zone = zones.get(target.zone)
    if (!zone?.at) continue
    const known = reached.get(zone.id)
    reached.set(zone.id, {
      ...{ id: zone.id, name: zone.name, x: zone.at.x, y: view === 'top' ? zone.at.y : zone.at.z },
      count: (known?.count ?? 0) + 1,
      names: [...(known?.names ?? []), target.name],
      behind: known?.behind === true || (current !== null && covers.includes(current)),
    })
  }
  return [...reached.values()].sort((a, b) => Number(b.behind) - Number(a.behind))
}

/** The labels, fewer where four of them are too wide. */
function labelsThatFit(wanted: readonly LabelWanted[], area: { width: number; height: number }, gap: number) {
  for (let most = mostLabels; most > 0; most--) {
    const placed = placeLabels(wanted.slice(0, most), area, gap)
    if (placed) return placed
  }
  return []
}

/** What a label of the drawing says; a long name is cut. */
function labelOf({ name, count }: ReachedZone): string {
  const short = name.length > 23 ? `${name.slice(0, 22).trimEnd()}…` : name
  return count > 1 ? `${short} · ${count}` : short
}

/** The zones as dots, the first of them named. */
function Zones({
  zones,
  labels,
  across,
  unit,
}: {
  zones: readonly ReachedZone[]
  labels: readonly LabelPlaced[]
  across: (value: number) => number
  unit: number
}) {
  return (
    <g aria-hidden>
      {labels.map(({ id, leader }) => (
        <path
          key={id}
          d={`M${leader.from.x} ${leader.from.y}L${leader.to.x} ${leader.to.y}`}
          stroke="var(--data)"
          strokeWidth={1.2 * unit}
        />
      ))}
      {zones.map((zone) => (
        <g key={zone.id}>
          <title>{zone.names.join(', ')}</title>
          <circle
            cx={zone.x + rim}
            cy={across(zone.y)}
            r={(5 + 1.5 * Math.min(zone.count, 6)) * unit}
            fill="var(--data)"
            stroke="var(--ground)"
            strokeWidth={2 * unit}
          />
          {zone.count > 1 && (
            <text
              x={zone.x + rim}
              y={across(zone.y)}
              fontSize={12 * unit}
              fontWeight={700}
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--ground)"
              className="figures"
            >
              {zone.count}
            </text>
          )}
        </g>
      ))}
      {labels.map((label) => {
        const zone = zones.find(({ id }) => id === label.id)
        return (
          zone && (
            <text
              key={label.id}
              x={label.x + label.width / 2}
              y={label.y + label.height / 2}
              fontSize={14.5 * unit}
              fontWeight={600}
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--data)"
            >
              {labelOf(zone)}
            </text>
          )
        )
      })}
    </g>
  )
}
