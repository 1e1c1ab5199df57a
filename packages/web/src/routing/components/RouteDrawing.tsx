import { type Kit, type Machine, type PointAt, type PassageId, type LoomPartId } from '@tidy-badger/core/dossiers'
import {
  branchColour,
  endPoint,
  hazardMarks,
  hazardWords,
  loomFrame,
  loomLines,
  passagePoints,
  placePoint,
  spreadAlong,
  type Frame,
  type LaidLoom,
  type LoomLine,
  trunkPart,
} from '@tidy-badger/core/routing'
import { Suspense, useMemo } from 'react'
import { aroundPoints, bodyView, bySight, viewName, viewWords, type View } from '@tidy-badger/core/drawing'
import { MachineCanvas, TabPlaces, type Paper, type TabPlace } from '../../machine-view/index.ts'
import { EndTags, ModuleBox, moduleHalf } from './EndTags.tsx'
import { HazardMark } from './HazardMark.tsx'

/** The loom is drawn so much thicker than it is, to be seen at all. */
const thicker = 2.5

export interface RouteDrawingProps {
  machine: Machine
  kit: Kit
  loom: LaidLoom
  part?: LoomPartId | null
  onPick?: (part: LoomPartId) => void
  /** Passages that are tapped to say where the part lies; missing: they are only shown. */
  marking?: { lies: readonly PassageId[]; toggle: (passage: PassageId) => void }
  /** Lines drawn instead of the planned ones, for what was built otherwise. */
  built?: ReadonlyMap<LoomPartId, readonly PassageId[]>
  /** Passages that are tied, and how one is ticked; missing: ties are only shown. */
  ties?: { done: ReadonlySet<PassageId>; onTie?: (passage: PassageId) => void }
  /** Parts of the loom that are shown; missing: all. */
  only?: ReadonlySet<LoomPartId>
  views?: readonly View[]
  maxHeight?: number
  still?: boolean
}

/** The machine from above and from the left, the hazards of its passages, and the loom in it. */
export function RouteDrawing(props: RouteDrawingProps) {
  const { machine, loom, built, only, views = ['top', 'side'] } = props
  const lines = useMemo(
    () => drawnLines(machine, loom, built).filter((line) => !only || only.has(line.part)),
    [machine, loom, built, only],
  )
  const frame = useMemo(() => loomFrame(machine, lines), [machine, lines])
  if (!machine.body) return null
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-2">
      {views.map((view) => (
        <figure key={view} className="min-w-0">
          <OneView {...props} view={view} lines={lines} frame={frame} />
        </figure>
      ))}
    </div>
  )
}

/** As planned; where a part was laid otherwise, its passages whole. */
function drawnLines(machine: Machine, loom: LaidLoom, built: RouteDrawingProps['built']): LoomLine[] {
  return loomLines(machine, loom).map((line) => {
    const passages = built?.get(line.part)
    if (!passages) return line
    return { ...line, points: passages.flatMap((passage) => passagePoints(machine, passage)) }
  })
}

function OneView({
  machine,
  kit,
  loom,
  part,
  onPick,
  marking,
  ties,
  only,
  view,
  views = ['top'],
  lines,
  frame,
  maxHeight = 290,
  still,
}: RouteDrawingProps & { view: View; lines: LoomLine[]; frame: Frame | null }) {
  const { body } = machine
  // Nearer and farther ask for them again and again.
  const marks = useMemo(() => hazardMarks(machine), [machine])
  const ways = useMemo(
    () =>
      (machine.passages ?? []).flatMap((passage) => {
        const points = passagePoints(machine, passage.id)
        return points.length < 2 ? [] : [{ passage, points }]
      }),
    [machine],
  )
  if (!body) return null
  // The branch in hand with what lies around it, or the whole loom.
  const inHand = lines.filter((line) => line.part === part).flatMap((line) => line.points)
  const used = new Set(
    [loom.trunk, ...loom.branches].flatMap((item) => item.stretches.map((stretch) => stretch.passage)),
  )
  const module = placePoint(machine, loom.place.id)
  const name = kit.model.replace(/,.*/, '')
  const inHandEnd = loom.branches.find((branch) => branch.end.id === part)?.end
  const tabPlaces: TabPlace[] = [
    ...loom.branches.flatMap(({ end }): TabPlace[] => {
      const at = only && !only.has(end.id) ? undefined : endPoint(machine, end)
      const act = onPick && !marking ? () => onPick(end.id) : undefined
      return at ? [{ id: end.id, label: `${end.tag}: ${end.name}`, at, pressed: end.id === part, act }] : []
    }),
    ...marks.map(({ passage, hazards, at }) => ({
      id: `danger ${passage}`,
      label: `${machine.passages?.find(({ id }) => id === passage)?.name ?? passage}: ${hazards.map(hazardWords).join(', ')}`,
      at,
    })),
  ]
  const sorted = [...lines].sort((a, b) => rank(a.part, part) - rank(b.part, part))
  return (
    <MachineCanvas
      machine={machine}
      body={body}
      view={view}
      label={`Loom on the ${machine.model} ${viewName(view).toLowerCase()}`}
      work={aroundPoints(inHand.length > 1 ? inHand : frame ? [frame.low, frame.high] : [], bodyView(body, view))}
      {...(inHand.length > 1 ? {} : { room: 1 })}
      maxHeight={maxHeight}
      faint
      still={still}
      head={<figcaption className="text-small text-quiet">{viewWords(view)}</figcaption>}
    >
      {(paper) => {
        const { at, unit } = paper
        const [mx, my] = module ? at(module) : [0, 0]
        const half = moduleHalf(name) * unit
        const box = module ? { x: mx - half, y: my - 11 * unit, width: 2 * half, height: 22 * unit } : null
        const path = (points: readonly PointAt[]) =>
          points
            .map((point, i) => `${i === 0 ? 'M' : 'L'}${at(point)[0].toFixed(4)} ${at(point)[1].toFixed(4)}`)
            .join('')
        return (
          <>
            {ways.map(({ passage, points }) => {
              const barred = passage.hazards.some((hazard) => hazard.kind === 'barred')
              const lies = marking?.lies.includes(passage.id)
              return (
                <g key={passage.id}>
                  <path
                    d={path(points)}
                    fill="none"
                    stroke={barred ? 'var(--stop)' : 'var(--quiet)'}
                    strokeWidth={(lies ? 3.5 : 1.3) * unit}
                    strokeDasharray={lies ? undefined : `${1.5 * unit} ${4 * unit}`}
                    strokeLinecap="round"
                  />
                  {marking && (
                    <path
                      d={path(points)}
                      fill="none"
                      stroke="var(--lamp)"
                      strokeOpacity={lies ? 0.5 : 0.12}
                      strokeWidth={15 * unit}
                      strokeLinecap="round"
                      style={{ cursor: 'pointer' }}
                      onClick={() => marking.toggle(passage.id)}
                    />
                  )}
                </g>
              )
            })}
            {sorted.map((line) => (
              <LoomPath
                key={line.part}
                stretches={bySight(line.points, body, view).map((run) => ({ d: path(run.points), behind: run.behind }))}
                width={Math.max(2.2 * unit, (line.diameterMm / 1000) * thicker)}
                colour={branchColour(kit, line.part)}
                picked={line.part === part}
                quiet={part !== null && part !== undefined && line.part !== part && line.part !== trunkPart}
                unit={unit}
                onPick={onPick && !marking ? () => onPick(line.part) : undefined}
              />
            ))}
            {marks.map(({ passage, hazards, at: point }) => {
              const [x, y] = at(point)
              const strong = used.has(passage) || (marking?.lies.includes(passage) ?? false)
              const size = (strong ? 1.3 : 0.9) * unit
              return (
                <g key={passage} opacity={strong ? 1 : 0.55} aria-hidden>
                  {hazards.map((hazard, i) => (
                    <g
                      key={i}
                      transform={`translate(${x + (i - (hazards.length - 1) / 2) * 13 * size} ${y - 9 * size}) scale(${size})`}
                    >
                      <circle r={6.6} fill="var(--paper)" opacity={0.85} />
                      <HazardMark hazard={hazard} />
                    </g>
                  ))}
                </g>
              )
            })}
            {ties && <Ties {...ties} loom={loom} machine={machine} paper={paper} second={view !== 'top'} />}
            {box && <ModuleBox box={box} unit={unit} name={name} />}
            <EndTags
              branches={loom.branches.filter((branch) => !only || only.has(branch.end.id))}
              machine={machine}
              paper={paper}
              module={box}
              part={part ?? null}
              onPick={marking ? undefined : onPick}
            />
            {view === views[0] && !still && (
              <Suspense fallback={null}>
                <TabPlaces
                  places={tabPlaces}
                  from={(inHandEnd && endPoint(machine, inHandEnd)) ?? module ?? null}
                  paper={paper}
                />
              </Suspense>
            )}
          </>
        )
      }}
    </MachineCanvas>
  )
}

/** The ties of the plan where they go along their passages: hollow until they are made, a tap makes them. */
function Ties({
  done,
  onTie,
  loom,
  machine,
  paper: { at, unit },
  second,
}: NonNullable<RouteDrawingProps['ties']> & { loom: LaidLoom; machine: Machine; paper: Paper; second: boolean }) {
  const names = new Map((machine.passages ?? []).map((passage) => [passage.id, passage.name]))
  return loom.ties.passages.map(({ passage, count }) => {
    const made = done.has(passage)
    if (!made && !onTie) return null
    const marks = spreadAlong(passagePoints(machine, passage), count).map(at)
    const act = made || !onTie ? undefined : () => onTie(passage)
    return (
      <g
        key={passage}
        role={act ? 'button' : 'img'}
        tabIndex={act && !second ? 0 : -1}
        aria-label={`${count === 1 ? 'Tie' : `${count} ties`} ${names.get(passage) ?? passage}, ${made ? 'made' : 'open'}`}
        onClick={act}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || !act) return
          event.preventDefault()
          act()
        }}
        style={act ? { cursor: 'pointer' } : undefined}
      >
        {marks.map(([x, y], i) => (
          <g key={i}>
            {act && <circle cx={x} cy={y} r={14 * unit} fill="transparent" />}
            <rect
              x={x - 2.8 * unit}
              y={y - 6.5 * unit}
              width={5.6 * unit}
              height={13 * unit}
              rx={1.8 * unit}
              fill={made ? 'var(--ink)' : 'var(--ground)'}
              stroke={made ? 'var(--ground)' : 'var(--lamp)'}
              strokeWidth={(made ? 1 : 2) * unit}
            />
          </g>
        ))}
      </g>
    )
  })
}

/** The part in hand last, the trunk below the branches. */
function rank(line: LoomPartId, part: LoomPartId | null | undefined): number {
  return line === part ? 2 : line === trunkPart ? 0 : 1
}

function LoomPath({
  stretches,
  width,
  colour,
  picked,
  quiet,
  unit,
  onPick,
}: {
  stretches: readonly { d: string; behind: boolean }[]
  width: number
  colour: string
  picked: boolean
  quiet: boolean
  unit: number
  onPick?: () => void
}) {
  const shape = { fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round' } as const
  /** One run of all stretches; what lies behind the machine is thinner. */
  const run = (stroke: string, wide: (behind: boolean) => number) =>
    stretches.map(({ d, behind }, i) => (
      <path key={`${stroke} ${i}`} {...shape} d={d} stroke={stroke} strokeWidth={wide(behind)} />
    ))
  const thick = (behind: boolean) => width * (behind ? 0.5 : 1)
  return (
    <g opacity={quiet ? 0.6 : 1} onClick={onPick} style={onPick ? { cursor: 'pointer' } : undefined}>
      {picked && run('var(--lamp)', (behind) => thick(behind) + 8 * unit)}
      {run('var(--ink)', (behind) => thick(behind) + 1.8 * unit)}
      {run(colour, thick)}
      {onPick && run('transparent', () => Math.max(width, 16 * unit))}
    </g>
  )
}
