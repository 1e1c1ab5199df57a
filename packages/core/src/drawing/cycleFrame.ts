import type { Body } from '../dossiers/index.ts'
import type { Point } from './scene.ts'

export type CycleStyle = 'trail' | 'sport' | 'adventure' | 'touring'

/** What a cycle is drawn from beside its size. */
export interface CycleFigures {
  style: CycleStyle
  cylinders: number
  liquid: boolean
}

/** A cycle's own measures. */
export interface Frame {
  /** A point by a share of the wheelbase from the front hub, and of the height. */
  at: (u: number, v: number) => Point
  front: Point
  rear: Point
  r: number
  wb: number
  H: number
}

export function frameOf(body: Body): Frame {
  const { lengthM, wheelbaseM: wb, wheelM, heightM: H } = body
  const r = wheelM / 2
  const x = (lengthM - wb) * 0.47
  return { at: (u, v) => [x + u * wb, v * H], front: [x, r], rear: [x + wb, r], r, wb, H }
}
