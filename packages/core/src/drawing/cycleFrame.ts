import type { Body } from '../dossiers/index.ts'
import { hubsOf, type PlaceAt } from './measures.ts'
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
  at: PlaceAt
  front: Point
  rear: Point
  r: number
  wb: number
  H: number
}

export function frameOf(body: Body): Frame {
  const { wheelbaseM: wb, heightM: H } = body
  const hubs = hubsOf(body, 0.47)
  return { at: (u, v) => [hubs.front[0] + u * wb, v * H], ...hubs, wb, H }
}
