import { near3, type Point, type Shape } from './scene.ts'

/** A step of a path, absolute: M, L, C, A or Z with its figures. */
interface Step {
  kind: string
  figures: readonly number[]
}

function stepsOf(d: string): Step[] {
  return [...d.matchAll(/([A-Z])([^A-Z]*)/g)].map(([, kind, rest]) => ({
    kind,
    figures: (rest.match(/-?\d*\.?\d+(?:e-?\d+)?/g) ?? []).map(Number),
  }))
}

/** Where on a cubic curve one is after a share of it. */
function onCubic([a, b, c, d]: readonly [Point, Point, Point, Point], t: number): Point {
  const s = 1 - t
  const mix = (axis: 0 | 1) =>
    s * s * s * a[axis] + 3 * s * s * t * b[axis] + 3 * s * t * t * c[axis] + t * t * t * d[axis]
  return [mix(0), mix(1)]
}

/** How many points of a curve or half a circle are taken. */
const samples = 8

/**
 * Points along a path of this folder's makers: its corners, and of each curve and half circle some between.
 * A path may have several beginnings; every one starts a line of its own.
 */
export function pathLines(d: string): Point[][] {
  const lines: Point[][] = []
  let line: Point[] = []
  for (const { kind, figures: f } of stepsOf(d)) {
    const from = line.at(-1)
    if (kind === 'M') lines.push((line = [[f[0], f[1]]]))
    else if (kind === 'Z') line.push(line[0])
    else if (kind === 'L') for (let i = 0; i + 1 < f.length; i += 2) line.push([f[i], f[i + 1]])
    else if (kind === 'C' && from) {
      const curve = [from, [f[0], f[1]], [f[2], f[3]], [f[4], f[5]]] as const
      for (let i = 1; i <= samples; i++) line.push(onCubic(curve, i / samples))
    } else if (kind === 'A' && from) line.push(...halfCircle(from, [f[5], f[6]], f[4] === 1))
  }
  return lines
}

/** The makers draw circles as two halves. */
function halfCircle(from: Point, to: Point, positive: boolean): Point[] {
  const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
  const [x, y] = [from[0] - middle[0], from[1] - middle[1]]
  return Array.from({ length: samples }, (_, i): Point => {
    const angle = ((positive ? 1 : -1) * Math.PI * (i + 1)) / samples
    return [
      middle[0] + x * Math.cos(angle) - y * Math.sin(angle),
      middle[1] + x * Math.sin(angle) + y * Math.cos(angle),
    ]
  })
}

/** A path with every point of it put elsewhere: sized about a point and then moved. @param size factor, the same both ways */
export function movedPath(d: string, about: Point, size: number, [dx, dy]: Point): string {
  const put = (x: number, y: number) =>
    `${near3(about[0] + (x - about[0]) * size + dx)} ${near3(about[1] + (y - about[1]) * size + dy)}`
  return stepsOf(d)
    .map(({ kind, figures: f }) => {
      if (kind === 'Z') return 'Z'
      if (kind === 'A') return `A${near3(f[0] * size)} ${near3(f[1] * size)} ${f[2]} ${f[3]} ${f[4]} ${put(f[5], f[6])}`
      const points: string[] = []
      for (let i = 0; i + 1 < f.length; i += 2) points.push(put(f[i], f[i + 1]))
      return kind + points.join(kind === 'C' ? ' ' : 'L')
    })
    .join('')
}

/** From where to where shapes go, with half of what a tube is thick; for none it is inside out. */
export function boxOf(shapes: readonly Pick<Shape, 'd' | 'tubeM'>[]): { low: Point; high: Point } {
  const corners = shapes.flatMap(({ d, tubeM = 0 }) =>
    pathLines(d)
      .flat()
      .map(([x, y]) => ({ x, y, half: tubeM / 2 })),
  )
  return {
    low: [Math.min(...corners.map(({ x, half }) => x - half)), Math.min(...corners.map(({ y, half }) => y - half))],
    high: [Math.max(...corners.map(({ x, half }) => x + half)), Math.max(...corners.map(({ y, half }) => y + half))],
  }
}

/** The distance from a point to a line of points, in its own unit. */
export function distanceToLine(point: Point, line: readonly Point[]): number {
  let least = Infinity
  for (let i = 0; i < line.length; i++) {
    const [a, b] = [line[Math.max(0, i - 1)], line[i]]
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
    const length2 = dx * dx + dy * dy
    const t = length2 === 0 ? 0 : ((point[0] - a[0]) * dx + (point[1] - a[1]) * dy) / length2
    const at = Math.max(0, Math.min(1, t))
    least = Math.min(least, Math.hypot(point[0] - a[0] - at * dx, point[1] - a[1] - at * dy))
  }
  return least
}

/** Whether a point lies within a closed line of points. */
export function isWithin([x, y]: Point, line: readonly Point[]): boolean {
  let inside = false
  for (let i = 0; i < line.length; i++) {
    const [a, b] = [line[i], line[(i + 1) % line.length]]
    if (a[1] > y !== b[1] > y && x < ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) + a[0]) inside = !inside
  }
  return inside
}
