import type { DrawnPartId, PointAt } from '../dossiers/index.ts'
import { cabinParts } from './cabin.ts'
import { drawnFrom, type DrawnMachine } from './drawnFrom.ts'
import { partIdOf } from './changed.ts'
import { boxOf, distanceToLine, isWithin, pathLines } from './path.ts'
import type { Point, Scene, Shape } from './scene.ts'

/** A part of a drawn machine. What is seen from one side alone has no place across the other. */
export interface DrawnPart {
  id: DrawnPartId
  name: string
  /** From where to where, m: x from the front end, y from the middle to the right, z from the ground. */
  low: { x: number; y?: number; z?: number }
  high: { x: number; y?: number; z?: number }
  hot: boolean
}

const known = new WeakMap<DrawnMachine, readonly DrawnPart[]>()

/** The parts a machine is drawn of, by its class's list and its own changes to it; none without its size. */
export function partsOf(machine: DrawnMachine): readonly DrawnPart[] {
  const kept = known.get(machine)
  if (kept) return kept
  const made = listed(machine)
  known.set(machine, made)
  return made
}

function listed(machine: DrawnMachine): DrawnPart[] {
  const found = new Map<DrawnPartId, DrawnPart>()
  for (const view of ['side', 'top'] as const)
    for (const shape of drawnFrom(machine, view)) {
      const id = partIdOf(shape.part)
      const { low, high } = boxOf([shape])
      const across = view === 'side' ? 'z' : 'y'
      const before = found.get(id)
      const box = (end: 'low' | 'high', [x, other]: Point, pick: (a: number, b: number) => number) => ({
        ...before?.[end],
        x: pick(before?.[end].x ?? x, x),
        [across]: pick(before?.[end][across] ?? other, other),
      })
      found.set(id, {
        id,
        name: shape.part,
        low: box('low', low, Math.min),
        high: box('high', high, Math.max),
        hot: (before?.hot ?? false) || shape.tone === 'hot',
      })
    }
  const dashboard = found.get(partIdOf('dashboard'))
  if (!dashboard) return [...found.values()]
  const inside = drawnFrom(machine, 'inside')
  for (const name of new Set(inside.map((shape) => shape.part))) {
    if (!cabinParts.has(name)) continue
    const { low, high } = boxOf(inside.filter((shape) => shape.part === name))
    found.set(partIdOf(name), {
      id: partIdOf(name),
      name,
      low: { x: dashboard.low.x, y: low[0], z: low[1] },
      high: { x: dashboard.high.x, y: high[0], z: high[1] },
      hot: false,
    })
  }
  return [...found.values()]
}

/** Castings and what sits on them. */
const engineParts: ReadonlySet<string> = new Set([
  ...['cylinder', 'fins', 'crankcase', 'alternator cover', 'sprocket cover', 'engine', 'engine block', 'head cover'],
  ...['sump', 'gearbox', 'intake manifold', 'injectors', 'fuel rail', 'compressor', 'charge pipe'],
])

/**
 * As hot as a drawn part gets, °C, by what it is: a cooler at its cap's pressure, an engine's castings at its oil, an exhaust under load.
 * Undefined for what stays cool.
 */
export function hottestOf(shape: Pick<Shape, 'part' | 'tone'>): number | undefined {
  if (shape.tone === 'hot') return /head/.test(shape.part) ? 320 : 950
  if (/cooler|heat exchanger/.test(shape.part)) return 150
  if (engineParts.has(shape.part)) return 320
  return undefined
}

export interface HeatNear {
  part: string
  /** From the line to the drawn part, m; 0 where it crosses it. */
  distanceM: number
}

/**
 * The drawn part nearest to a line that gets at least so hot. A part that is drawn from both sides has to be near from both.
 * @param points of the line, m
 * @param surfaceC what is claimed of it
 */
export function heatNear(machine: DrawnMachine, points: readonly PointAt[], surfaceC: number): HeatNear | null {
  const scenes = { side: drawnFrom(machine, 'side'), top: drawnFrom(machine, 'top') }
  const hot = (shape: Shape) => (hottestOf(shape) ?? 0) >= surfaceC
  const names = new Set([...scenes.side, ...scenes.top].filter(hot).map((shape) => shape.part))
  const along = sampled(points)
  let nearest: HeatNear | null = null
  for (const part of names) {
    const from = (scene: Scene) => linesOf(scene.filter((shape) => shape.part === part && hot(shape)))
    const [side, top] = [from(scenes.side), from(scenes.top)]
    const distanceM = Math.min(
      ...along.map((point) =>
        Math.max(distanceTo(side, [point.x, point.z]) ?? 0, distanceTo(top, [point.x, point.y]) ?? 0),
      ),
    )
    if (nearest === null || distanceM < nearest.distanceM) nearest = { part, distanceM }
  }
  return nearest
}

/** Points along a line, none farther than 3 cm from the next. */
function sampled(points: readonly PointAt[]): PointAt[] {
  return points.flatMap((point, i) => {
    const before = points[i - 1]
    if (!before) return [point]
    const length = Math.hypot(point.x - before.x, point.y - before.y, point.z - before.z)
    const steps = Math.max(1, Math.ceil(length / 0.03))
    return Array.from({ length: steps }, (_, step) => {
      const share = (step + 1) / steps
      return {
        x: before.x + (point.x - before.x) * share,
        y: before.y + (point.y - before.y) * share,
        z: before.z + (point.z - before.z) * share,
      }
    })
  })
}

/** A line of a drawn shape: of an area, or so thick a tube. */
interface DrawnLine {
  points: readonly Point[]
  tubeM: number | undefined
}

function linesOf(shapes: Scene): DrawnLine[] {
  return shapes.flatMap(({ d, tubeM }) => pathLines(d).map((points) => ({ points, tubeM })))
}

function distanceTo(lines: readonly DrawnLine[], point: Point): number | null {
  if (lines.length === 0) return null
  return Math.min(
    ...lines.map(({ points, tubeM }) => {
      if (tubeM === undefined && isWithin(point, points)) return 0
      return Math.max(0, distanceToLine(point, points) - (tubeM ?? 0) / 2)
    }),
  )
}
