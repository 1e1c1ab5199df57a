import { coverFrom, coverName } from '@tidy-badger/core/access'
import {
  machineIndex,
  type Body,
  type Cover,
  type CoverId,
  type PointAt,
  type ZoneId,
} from '@tidy-badger/core/dossiers'
import {
  aroundAll,
  aroundPoints,
  bodyView,
  coverParts,
  isFlat,
  isInSight,
  machineScene,
  mostLabels,
  partIdOf,
  partsOff,
  placeLabels,
  viewOfCover,
  viewsOf,
  viewName,
  viewWords,
  type LabelWanted,
  type View,
} from '@tidy-badger/core/drawing'
import { accessOf, type JobDossiers, type JobState } from '@tidy-badger/core/jobs'
import { Suspense, useState, type ReactNode, type SVGAttributes } from 'react'
import { useJob } from '../../jobs/index.ts'
import { MachineCanvas, TabPlaces, type Paper, type TabPlace } from '../../machine-view/index.ts'

/** The machine from where the next thing is reached, its place large; any other side is one tap away. Of what is off the place is dashed. */
export function MachineDrawing({ current, onPick }: { current: CoverId | null; onPick: (cover: CoverId) => void }) {
  const { dossiers, state } = useJob()
  const { body, covers = [] } = dossiers.machine
  const plan = accessOf(dossiers, state)
  const [asked, setAsked] = useState<{ for: CoverId | null; view: View } | null>(null)
  if (!body || covers.length === 0) return null
  const inHand = covers.find((cover) => cover.id === current)
  const byItself = inHand ? viewOfCover(body, inHand, coverFrom(plan, inHand.id)) : 'top'
  const view = asked?.for === current ? asked.view : byItself
  return (
    <figure className="min-w-0">
      <figcaption className="sr-only">{viewWords(view)}</figcaption>
      <OneView
        body={body}
        view={view}
        current={current}
        onPick={onPick}
        head={
          <div className="flex" role="group" aria-label="Seen from">
            {viewsOf(body).map((one) => (
              <button
                key={one}
                type="button"
                aria-pressed={one === view}
                onClick={() => setAsked({ for: current, view: one })}
                className="min-h-11 border-b-4 border-transparent px-1.5 font-semibold aria-pressed:border-lamp"
              >
                {sideNames[one]}
              </button>
            ))}
          </div>
        }
      />
      <OneView body={body} view={isFlat(view) ? 'side' : 'top'} current={current} onPick={onPick} still />
    </figure>
  )
}

const sideNames: Record<View, string> = { top: 'Above', side: 'Left', right: 'Right', below: 'Below', inside: 'Inside' }

function OneView({
  body,
  view,
  current,
  onPick,
  head,
  still = false,
}: {
  body: Body
  view: View
  current: CoverId | null
  onPick: (cover: CoverId) => void
  head?: ReactNode
  /** Beside another that is moved by hand: how it lies the other way. */
  still?: boolean
}) {
  const { dossiers, state } = useJob()
  const { machine } = dossiers
  const plan = accessOf(dossiers, state)
  const { covers = [] } = machine
  const planned = new Set(plan?.removals.map((removal) => removal.cover.id))
  const lastOf = (cover: Cover) => (cover.id === current ? 2 : isOff(state, cover) ? 1 : 0)
  const inSight = ({ id, box }: Cover) => box && (id === current || isInSight(box, body, view))
  const shown = covers
    .filter((cover) => inSight(cover) && (planned.has(cover.id) || cover.id in state.covers))
    .sort((a, b) => lastOf(a) - lastOf(b))
  const others = covers.filter((cover) => inSight(cover) && !shown.includes(cover))
  const zones = zonesReached(dossiers, state, current).filter((zone) => isInSight(zone.at, body, view))
  const paper = bodyView(body, view)
  const inHand = covers.find((cover) => cover.id === current)
  const numberOf = (cover: Cover) => (plan?.removals.findIndex((removal) => removal.cover.id === cover.id) ?? -1) + 1
  const tabPlaces: TabPlace[] = [
    ...shown.flatMap((cover): TabPlace[] =>
      cover.box
        ? [
            {
              id: cover.id,
              label: `${numberOf(cover) > 0 ? `${numberOf(cover)}: ` : ''}${coverName(dossiers, cover.id)}, ${isOff(state, cover) ? 'off' : 'on'}`,
              at: cover.box,
              pressed: cover.id === current,
              act: () => onPick(cover.id),
            },
          ]
        : [],
    ),
    ...zones.map(({ id, name, at, names }) => ({ id: `zone ${id}`, label: `${name}: ${names.join(', ')}`, at })),
  ]
  // What is behind the cover in hand is seen with it.
  const behind = aroundPoints(
    zones.filter((zone) => zone.behind).map((zone) => zone.at),
    paper,
  )
  const work = inHand?.box ? aroundAll([paper.rect(inHand.box), ...(behind ? [behind] : [])]) : null
  return (
    <MachineCanvas
      machine={machine}
      body={body}
      view={view}
      head={head ?? <p className="mt-2 text-small text-quiet">{viewWords(view)}</p>}
      still={still}
      label={`${machine.model} ${viewName(view).toLowerCase()}`}
      work={work}
      maxHeight={still ? 210 : 340}
      hidden={partsOff(machine, (cover) => isOff(state, cover))}
      band={zones.length > 0 ? 27 : 0}
      names={(paper) => <ZoneNames zones={zones} paper={paper} />}
    >
      {(paper) => (
        <>
          {others.map((cover) => (
            <CoverShape
              key={cover.id}
              cover={cover}
              paper={paper}
              view={view}
              look={{ fill: 'none', stroke: 'var(--line)', strokeWidth: 1.2 * paper.unit }}
            />
          ))}
          {shown.map((cover) => (
            <DrawnCover
              key={cover.id}
              cover={cover}
              view={view}
              paper={paper}
              number={numberOf(cover)}
              off={isOff(state, cover)}
              current={cover.id === current}
              onPick={() => onPick(cover.id)}
            />
          ))}
          <Zones zones={zones} paper={paper} />
          {!still && (
            <Suspense fallback={null}>
              <TabPlaces places={tabPlaces} from={inHand?.box ?? null} paper={paper} />
            </Suspense>
          )}
        </>
      )}
    </MachineCanvas>
  )
}

function isOff(state: JobState, cover: Cover): boolean {
  const moved = state.covers[cover.id]
  return moved !== undefined && !moved.on
}

/** A cover by the drawn parts that come off with it; one that is no part of the drawing by its box. */
function CoverShape({
  cover,
  view,
  paper,
  look,
}: {
  cover: Cover
  view: View
  paper: Paper
  look: Pick<SVGAttributes<SVGElement>, 'fill' | 'fillOpacity' | 'stroke' | 'strokeWidth' | 'strokeDasharray'>
}) {
  const { machine } = useJob().dossiers
  const parts = new Set(coverParts(machine, cover))
  const shapes = machineScene(machine, view).filter(
    (shape) => shape.tubeM === undefined && shape.tone !== 'open' && parts.has(partIdOf(shape.part)),
  )
  if (shapes.length > 0)
    return (
      <g transform={paper.transform}>
        {shapes.map((shape, i) => (
          <path key={i} d={shape.d} {...look} />
        ))}
      </g>
    )
  if (!cover.box) return null
  const rect = paper.rect(cover.box)
  return <rect {...rect} rx={0.3 * Math.min(rect.width, rect.height)} {...look} />
}

/** A cover in its place, seen through; once it is off its place is dashed. */
function DrawnCover({
  cover,
  view,
  paper,
  number,
  off,
  current,
  onPick,
}: {
  cover: Cover
  view: View
  paper: Paper
  number: number
  off: boolean
  current: boolean
  onPick: () => void
}) {
  const { unit } = paper
  const rect = cover.box ? paper.rect(cover.box) : paper.shown
  const small = Math.min(rect.width, rect.height) < 18 * unit
  return (
    <g
      aria-hidden
      onClick={onPick}
      className="motion-safe:transition-transform motion-safe:duration-200"
      style={{
        cursor: 'pointer',
        // The next one lifts a little.
        transform: current && !off ? `translate(0, ${-5 * unit}px)` : undefined,
      }}
    >
      <CoverShape
        cover={cover}
        view={view}
        paper={paper}
        look={{
          fill: off ? 'transparent' : current ? 'var(--paper)' : 'var(--part-near)',
          fillOpacity: current ? 0.72 : 0.5,
          stroke: current ? 'var(--lamp)' : 'var(--ink)',
          strokeWidth: (current ? 4 : off ? 1.4 : 1.8) * unit,
          strokeDasharray: off ? `${5 * unit} ${4 * unit}` : undefined,
        }}
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
  at: PointAt
  count: number
  names: string[]
  /** Of the cover in hand. */
  behind: boolean
}

/** Where the plugs, studs and the mount place of this job sit, those behind the cover in hand first. */
function zonesReached(dossiers: JobDossiers, state: JobState, current: CoverId | null): ReachedZone[] {
  const { zones } = machineIndex(dossiers.machine)
  const reached = new Map<ZoneId, ReachedZone>()
  for (const { target, covers } of accessOf(dossiers, state)?.targets ?? []) {
    const zone = zones.get(target.zone)
    if (!zone?.at) continue
    const known = reached.get(zone.id)
    reached.set(zone.id, {
      ...{ id: zone.id, name: zone.name, at: zone.at },
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

/** What a label of the drawing says: a name as far as its first comma; a long one is cut. */
function labelOf({ name, count }: ReachedZone): string {
  const [first = name] = name.split(', ')
  const short = first.length > 26 ? `${first.slice(0, 25).trimEnd()}…` : first
  return count > 1 ? `${short} · ${count}` : short
}

/** The zones as dots with how many things are there. */
function Zones({ zones, paper: { at, unit } }: { zones: readonly ReachedZone[]; paper: Paper }) {
  return (
    <g aria-hidden>
      {zones.map((zone) => {
        const [x, y] = at(zone.at)
        return (
          <g key={zone.id}>
            <title>{zone.names.join(', ')}</title>
            <circle
              cx={x}
              cy={y}
              r={(5 + 1.5 * Math.min(zone.count, 6)) * unit}
              fill="var(--data)"
              stroke="var(--ground)"
              strokeWidth={2 * unit}
            />
            {zone.count > 1 && (
              <text
                x={x}
                y={y}
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
        )
      })}
    </g>
  )
}

/** Of the zones that are shown the first by name, over and under the picture. */
function ZoneNames({ zones, paper: { at, shown, unit } }: { zones: readonly ReachedZone[]; paper: Paper }) {
  const seen = zones.flatMap((zone) => {
    const [x, y] = at(zone.at)
    const inside = x >= shown.x && x <= shown.x + shown.width && y >= shown.y && y <= shown.y + shown.height
    return inside ? [{ zone, x: x - shown.x, y: y - shown.y }] : []
  })
  const labels = labelsThatFit(
    seen.map(({ zone, x, y }) => ({
      id: zone.id,
      at: { x, y },
      // As wide as such letters are at the most.
      width: labelOf(zone).length * 7.9 * unit,
      height: 19 * unit,
    })),
    { width: shown.width, height: shown.height },
    5 * unit,
  )
  return (
    <g transform={`translate(${shown.x} ${shown.y})`} aria-hidden>
      {labels.map(({ id, leader }) => (
        <path
          key={id}
          d={`M${leader.from.x} ${leader.from.y}L${leader.to.x} ${leader.to.y}`}
          stroke="var(--data)"
          strokeWidth={1.2 * unit}
        />
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
