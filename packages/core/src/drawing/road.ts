import type { Body } from '../dossiers/index.ts'
import { hubsOf, sideAt, type PlaceAt } from './measures.ts'
import type { Point } from './scene.ts'

/** What a car or pickup is drawn from beside its size. */
export interface RoadFigures {
  cylinders: number
  diesel: boolean
  /** A separate bed behind the cab. */
  bed: boolean
  /** The roof runs on to a steep tailgate. */
  hatch?: boolean
}

/** Where the cab of a pickup ends, as a share of its length: two doors with a short bed, one row with a long one, two rows. */
function cabEndOf(lengthM: number): number {
  if (lengthM < 5.4) return 0.6
  return lengthM < 6.05 ? 0.53 : 0.68
}

export interface Road {
  /** Where the cab ends. */
  cab: number
  at: PlaceAt
  front: Point
  rear: Point
  r: number
  L: number
  H: number
  W: number
}

export function roadOf(body: Body, bed: boolean): Road {
  const { lengthM: L, heightM: H, widthM: W } = body
  return { at: sideAt(body), ...hubsOf(body, bed ? 0.44 : 0.46), L, H, W, cab: cabEndOf(L) }
}

/** Where the engine's middle lies, share of the length: a long one reaches back under the windscreen. */
export function engineAt(cylinders: number, bed: boolean): number {
  if (!bed) return 0.16
  return cylinders > 4 ? 0.195 : 0.17
}

/** What of a machine's bay lies where, by its form and how much of it the engine takes. */
export interface BayBox {
  part: 'battery' | 'right battery' | 'control unit' | 'fuse box'
  /** Shares: of the length, of half the width to the right, of the height. */
  at: readonly [along: number, across: number, up: number]
}

/** A long engine leaves a car's battery no room but the boot; a big diesel wants two. The control unit lies dry: in the cabin, or high in the bay. */
export function boxesOf({ cylinders, diesel, bed }: RoadFigures): BayBox[] {
  if (!bed) {
    const long = cylinders > 4
    return [
      { part: 'battery', at: long ? [0.88, 0.62, 0.39] : [0.13, -0.66, 0.5] },
      { part: 'control unit', at: [0.355, 0.66, 0.52] },
      { part: 'fuse box', at: [0.172, -0.68, 0.54] },
    ]
  }
  if (cylinders > 4 && diesel)
    return [
      { part: 'battery', at: [0.092, -0.75, 0.56] },
      { part: 'right battery', at: [0.092, 0.75, 0.56] },
      { part: 'fuse box', at: [0.14, -0.74, 0.58] },
      { part: 'control unit', at: [0.185, -0.74, 0.58] },
    ]
  return [
    { part: 'battery', at: [0.118, -0.69, 0.56] },
    { part: 'fuse box', at: [0.17, -0.7, 0.56] },
    { part: 'control unit', at: [0.29, -0.44, 0.58] },
  ]
}

export const boxTone: Record<BayBox['part'], 'far' | 'near'> = {
  battery: 'far',
  'right battery': 'far',
  'control unit': 'far',
  'fuse box': 'near',
}

/** Length, width and height of such a box, m. */
export const boxM: Record<BayBox['part'], readonly [number, number, number]> = {
  battery: [0.24, 0.18, 0.18],
  'right battery': [0.24, 0.18, 0.18],
  'control unit': [0.18, 0.16, 0.1],
  'fuse box': [0.18, 0.14, 0.12],
}
