import type { Body } from '../dossiers/index.ts'
import type { Point } from './scene.ts'

/** A point of a drawing by two shares of the machine's own size. */
export type PlaceAt = (u: number, v: number) => Point

/** From the side: by shares of its length and height. */
export function sideAt({ lengthM, heightM }: Body): PlaceAt {
  return (u, v) => [u * lengthM, v * heightM]
}

/** From above: by shares of its length, and of half its width from the middle to the right. */
export function topAt({ lengthM, widthM }: Body): PlaceAt {
  return (u, v) => [u * lengthM, (v * widthM) / 2]
}

/** Hubs and radius of the wheels. @param share of what the wheelbase leaves of the length that lies before the front hub */
export function hubsOf({ lengthM, wheelbaseM, wheelM }: Body, share: number): { front: Point; rear: Point; r: number } {
  const x = (lengthM - wheelbaseM) * share
  return { front: [x, wheelM / 2], rear: [x + wheelbaseM, wheelM / 2], r: wheelM / 2 }
}
