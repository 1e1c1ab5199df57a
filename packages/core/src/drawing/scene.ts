/** A point of a drawing, m: along the machine from its front end, and up from the ground or to the right of its middle. */
export type Point = readonly [number, number]

/** What a shape is made of, as it is drawn: near, middle and far stone, what gets hot, what holds liquid or glass, tyres, ink. */
export const tones = ['near', 'middle', 'far', 'hot', 'glass', 'tyre', 'ink', 'open'] as const
export type Tone = (typeof tones)[number]

/** A shape of a drawn machine. */
export interface Shape {
  /** The part it belongs to, in words. */
  part: string
  /** A path in metres, axes as those of a {@link Point}. */
  d: string
  tone: Tone
  /** Edge: none, fine, plain or a silhouette's. */
  edge: 0 | 1 | 2 | 3
  /** Thickness of a tube drawn along the path, m; missing: the path is an area. */
  tubeM?: number
}

/** Shapes from the farthest to the nearest. */
export type Scene = readonly Shape[]

/** To the millimetre, as paths are written. */
export const near3 = (value: number) => Math.round(value * 1000) / 1000
const put = ([x, y]: Point) => `${near3(x)} ${near3(y)}`

/** Straight from point to point. */
export function straight(points: readonly Point[], closed = true): string {
  return `M${points.map(put).join('L')}${closed ? 'Z' : ''}`
}

/** Smooth through all points (centripetal in effect: a third of the way to the neighbours' direction). */
export function smooth(points: readonly Point[], closed = false): string {
  const count = points.length
  const at = (i: number): Point => (closed ? points[(i + count) % count] : points[Math.max(0, Math.min(count - 1, i))])
  const steps = closed ? count : count - 1
  let d = `M${put(points[0])}`
  for (let i = 0; i < steps; i++) {
    const [before, from, to, after] = [at(i - 1), at(i), at(i + 1), at(i + 2)]
    const lead = (a: Point, b: Point, c: Point, sign: number): Point => [
      b[0] + (sign * (c[0] - a[0])) / 6,
      b[1] + (sign * (c[1] - a[1])) / 6,
    ]
    d += `C${put(lead(before, from, to, 1))} ${put(lead(from, to, after, -1))} ${put(to)}`
  }
  return closed ? `${d}Z` : d
}

/** A circle. */
export function disc([x, y]: Point, radius: number): string {
  const [r, left, right] = [near3(radius), near3(x - radius), near3(x + radius)]
  return `M${left} ${near3(y)}A${r} ${r} 0 1 0 ${right} ${near3(y)}A${r} ${r} 0 1 0 ${left} ${near3(y)}Z`
}

/** A bar from one point to another, so wide; narrower at its end where a second width is given. */
export function bar(from: Point, to: Point, wide: number, wideTo = wide): string {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const length = Math.hypot(dx, dy) || 1
  const off = (point: Point, width: number, side: number): Point => [
    point[0] - (side * dy * width) / (2 * length),
    point[1] + (side * dx * width) / (2 * length),
  ]
  return straight([off(from, wide, 1), off(to, wideTo, 1), off(to, wideTo, -1), off(from, wide, -1)])
}

/** A block about its middle, turned by an angle in degrees. */
export function block([x, y]: Point, along: number, across: number, angleDeg = 0): string {
  const [cos, sin] = [Math.cos((angleDeg * Math.PI) / 180), Math.sin((angleDeg * Math.PI) / 180)]
  const corner = (i: number, j: number): Point => [
    x + (i * along * cos) / 2 - (j * across * sin) / 2,
    y + (i * along * sin) / 2 + (j * across * cos) / 2,
  ]
  return straight([corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)])
}

/** The middle between two points, or a share of the way. */
export function between(from: Point, to: Point, share = 0.5): Point {
  return [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share]
}

/** A sheet that shapes are put on, the farthest first. */
export class Sheet {
  readonly shapes: Shape[] = []

  /** An area with an edge. */
  area(part: string, d: string, tone: Tone, edge: Shape['edge'] = 2): this {
    this.shapes.push({ part, d, tone, edge })
    return this
  }

  /** A tube along a path. */
  tube(part: string, d: string, tubeM: number, tone: Tone = 'near'): this {
    this.shapes.push({ part, d, tone, edge: 1, tubeM })
    return this
  }

  /** A fine line without an area. */
  line(part: string, d: string, edge: Shape['edge'] = 1): this {
    this.shapes.push({ part, d, tone: 'open', edge })
    return this
  }
}
