import { bundleDiameterMm, wireDiameterMm } from '../routing/index.ts'
import { failure, success, type Outcome, type Problem } from '../shared/index.ts'

/** A soldered or crimped joint under its shrink sleeve: so much thicker than the wire, so long, so far from the next, mm. */
const jointShare = 1.9
const jointLengthMm = 28
const gapMm = 12

export interface SpliceLayout {
  /** Middle of each joint from the first cut, mm. */
  positionsMm: number[]
  /** Bundle where it is thickest, joints one after the other. */
  staggeredMm: number
  /** Bundle with all joints side by side. */
  togetherMm: number
  /** Length of stripped loom it takes. */
  lengthMm: number
  /** Null where no sleeve was asked for. */
  fits: boolean | null
  says: string
}

/**
 * Where to set the joints of wires that are cut side by side: one after the other, so that the bundle stays under its sleeve.
 * @param areasMm2 copper areas of the wires that get a joint
 * @param others copper areas of wires that run past them
 * @param sleeveMm inner diameter of the sleeve that goes over it
 */
export function spliceLayout(
  areasMm2: readonly number[],
  others: readonly number[] = [],
  sleeveMm?: number,
): Outcome<SpliceLayout> {
  const problems: Problem[] = [...areasMm2, ...others].flatMap((area, i): Problem[] =>
    area > 0 && area <= 120
      ? []
      : [{ code: 'out-of-range', path: `areasMm2.${i}`, message: 'An area is above 0 and at most 120 mm².' }],
  )
  if (areasMm2.length === 0)
    problems.push({ code: 'missing', path: 'areasMm2', message: 'Name at least one wire that gets a joint.' })
  if (sleeveMm !== undefined && !(sleeveMm > 0))
    problems.push({ code: 'out-of-range', path: 'sleeveMm', message: 'A sleeve is wider than 0 mm.' })
  if (problems.length > 0) return failure(...problems)
  const plain = [...areasMm2, ...others].map(wireDiameterMm)
  const thick = areasMm2.map((area) => wireDiameterMm(area) * jointShare)
  const togetherMm = bundleDiameterMm([...thick, ...others.map(wireDiameterMm)])
  const staggeredMm = Math.max(
    ...areasMm2.map((_, i) => bundleDiameterMm(plain.map((d, j) => (j === i ? d * jointShare : d)))),
  )
  const positionsMm = areasMm2.map((_, i) => jointLengthMm / 2 + i * (jointLengthMm + gapMm))
  const fits = sleeveMm === undefined ? null : staggeredMm <= sleeveMm
  const round = (value: number) => Math.round(value * 10) / 10
  return success({
    positionsMm,
    staggeredMm: round(staggeredMm),
    togetherMm: round(togetherMm),
    lengthMm: areasMm2.length * (jointLengthMm + gapMm) - gapMm,
    fits,
    says:
      areasMm2.length === 1
        ? `One joint: ${round(staggeredMm)} mm thick.`
        : `Cut each wire ${jointLengthMm + gapMm} mm farther than the last: ${round(staggeredMm)} mm thick instead of ${round(togetherMm)} mm${fits === false ? `, still more than the sleeve's ${sleeveMm} mm: take the next size` : ''}.`,
  })
}
