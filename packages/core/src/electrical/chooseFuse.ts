import { failure, success, type Outcome, type Problem } from '../shared/index.ts'

/** Sizes of blade fuses, A. */
export const bladeFusesA = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40] as const

/** Fuse holder no farther from the post, mm: the wire before it is protected by nothing. */
export const fuseWithinMm = 200

/** A fuse carries its load for good when it is so many times as large. */
export const fuseOverLoad = 1.35

/**
 * What a thin-walled vehicle wire of 105 °C carries in free air at 30 °C, A, by area: common practice for single
 * wires with a 50 K rise, rounded down.
 */
const freeAir: readonly [number, number][] = [
  [0.2, 4],
  [0.35, 7],
  [0.5, 11],
  [0.75, 14],
  [1, 19],
  [1.5, 24],
  [2.5, 32],
  [4, 42],
  [6, 54],
  [10, 73],
  [16, 98],
  [25, 129],
  [35, 158],
  [50, 198],
  [70, 245],
  [95, 292],
]
const insulationC = 105
const ratedC = 30
/** Among other loaded wires in one sleeve. */
const bundledShare = 0.7

/**
 * What a wire carries, A: the table's figure for the next smaller area, interpolated on logarithms, less for a warm place
 * (the square root of the heat it can still give off) and for a bundle.
 * @returns 0 where the place is as warm as the insulation bears
 */
export function ampacityA(areaMm2: number, ambientC = 40, bundled = false): number {
  const [least] = freeAir
  const last = freeAir[freeAir.length - 1]
  const at = freeAir.findIndex(([area]) => area > areaMm2)
  let plain: number
  if (areaMm2 <= least[0]) plain = (least[1] * areaMm2) / least[0]
  else if (at < 0) plain = last[1]
  else {
    const [low, high] = [freeAir[at - 1], freeAir[at]]
    const share = Math.log(areaMm2 / low[0]) / Math.log(high[0] / low[0])
    plain = Math.exp(Math.log(low[1]) + share * Math.log(high[1] / low[1]))
  }
  const heat = Math.max(0, (insulationC - ambientC) / (insulationC - ratedC))
  return plain * Math.min(1.1, Math.sqrt(heat)) * (bundled ? bundledShare : 1)
}

export interface FuseAsked {
  continuousA: number
  /** The thinnest wire behind the fuse, mm². */
  areaMm2: number
  ambientC?: number
  bundled?: boolean
  /** Largest the kit's own sheet allows, A. */
  kitA?: number
}

export interface FuseChoice {
  /** Null: no fuse both carries the load and protects the wire. */
  fuseA: number | null
  why: string
}

/** The smallest blade fuse of at least 1.35 times the load that still protects the thinnest wire behind it. */
export function chooseFuse(asked: FuseAsked, path = ''): Outcome<FuseChoice> {
  const { continuousA, areaMm2, ambientC = 40, bundled = false, kitA } = asked
  const problems: Problem[] = []
  const say = (field: string, message: string) =>
    problems.push({ code: 'out-of-range', path: path === '' ? field : `${path}.${field}`, message })
  if (!(continuousA > 0) || continuousA > 1000) say('continuousA', 'A continuous load is above 0 and at most 1,000 A.')
  if (!(areaMm2 > 0) || areaMm2 > 500) say('areaMm2', 'An area is above 0 and at most 500 mm².')
  if (!(ambientC >= -60) || ambientC > 250) say('ambientC', 'A place is between −60 and 250 °C.')
  if (kitA !== undefined && !(kitA > 0)) say('kitA', "The kit's fuse is above 0 A.")
  if (problems.length > 0) return failure(...problems)
  const wanted = continuousA * fuseOverLoad
  const carries = ampacityA(areaMm2, ambientC, bundled)
  const wire = `${areaMm2} mm² at ${ambientC} °C${bundled ? ' in a bundle' : ''} carries ${carries.toFixed(1)} A`
  const fuseA = bladeFusesA.find((size) => size >= wanted)
  if (fuseA === undefined)
    return success({
      fuseA: null,
      why: `${continuousA} A wants ${wanted.toFixed(1)} A or more; the largest blade fuse is 40 A. Split the load over two circuits.`,
    })
  if (fuseA > carries)
    return success({
      fuseA: null,
      why: `${continuousA} A wants a fuse of ${fuseA} A, but ${wire}: the wire would burn first. Take a thicker wire, a cooler place or less load.`,
    })
  if (kitA !== undefined && fuseA > kitA)
    return success({
      fuseA: null,
      why: `${continuousA} A wants a fuse of ${fuseA} A, but the kit's sheet allows ${kitA} A. Less load on it, or ask the kit's maker.`,
    })
  return success({
    fuseA,
    why: `${fuseA} A is the smallest of at least ${fuseOverLoad} × ${continuousA} A = ${wanted.toFixed(2)} A; ${wire}.`,
  })
}

/** What is said of a fuse that is there. */
export interface FuseVerdict {
  kind: 'right' | 'over-wire' | 'under-load'
  fuseA: number
  why: string
}

/**
 * Whether a fuse that is in the lead already (the kit's own) is right: it carries the load, and blows before the thinnest wire
 * behind it burns.
 */
export function judgeFuse(fuseA: number, asked: Omit<FuseAsked, 'kitA'>): FuseVerdict {
  const { continuousA, areaMm2, ambientC = 40, bundled = false } = asked
  const carries = ampacityA(areaMm2, ambientC, bundled)
  const wire = `${areaMm2} mm² at ${ambientC} °C${bundled ? ' in a bundle' : ''} carries ${carries.toFixed(1)} A`
  if (fuseA > carries)
    return { kind: 'over-wire', fuseA, why: `A fuse of ${fuseA} A, but ${wire}: the wire would burn first.` }
  if (fuseA < continuousA * fuseOverLoad)
    return {
      kind: 'under-load',
      fuseA,
      why: `A fuse of ${fuseA} A for ${continuousA} A: it wants ${(continuousA * fuseOverLoad).toFixed(2)} A or more.`,
    }
  return { kind: 'right', fuseA, why: `${fuseA} A for a load of ${continuousA} A; ${wire}.` }
}
