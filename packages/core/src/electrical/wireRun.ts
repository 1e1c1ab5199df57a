import { awgAreaMm2, failure, success, type Outcome, type Problem } from '../shared/index.ts'

/** Resistivity of annealed copper at 20 °C, Ω·m (IEC 60028: 100 % IACS). */
export const copperOhmM = 1.7241e-8
/** Its temperature coefficient at 20 °C, 1/K. */
export const copperPerK = 0.00393

export interface WireRunAsked {
  /** One way, m. */
  lengthM: number
  awg?: number
  areaMm2?: number
  currentA: number
  /** Temperature of the conductor itself, °C. */
  conductorC?: number
  supplyV?: number
  /** The current comes back through a wire of its own, or through the machine, which then counts nothing. */
  returnPath?: 'wire' | 'chassis'
}

export interface WireRun {
  areaMm2: number
  resistanceOhm: number
  dropV: number
  /** Of the supply, %. */
  dropPct: number
}

/**
 * Resistance and voltage drop of a run of copper: R = ρ20 · (1 + α (T − 20)) · L / A, the length counted twice where a wire
 * leads back.
 * @param path of the request, for the problems
 * @example 2.4 m, AWG 22, 3.5 A, 40 °C → 0.3255 mm², 0.2742 Ω, 0.960 V
 */
export function wireRun(asked: WireRunAsked, path = ''): Outcome<WireRun> {
  const { lengthM, awg, currentA, conductorC = 25, supplyV = 12.8, returnPath = 'wire' } = asked
  const problems: Problem[] = []
  const say = (field: string, code: string, message: string) =>
    problems.push({ code, path: path === '' ? field : `${path}.${field}`, message })
  if (!(lengthM > 0) || lengthM > 100) say('lengthM', 'out-of-range', 'A run is longer than nothing and at most 100 m.')
  if (!(currentA >= 0) || currentA > 1000) say('currentA', 'out-of-range', 'A current is from 0 to 1,000 A.')
  if (!(conductorC >= -60) || conductorC > 250)
    say('conductorC', 'out-of-range', 'A conductor is between −60 and 250 °C.')
  if (!(supplyV > 0) || supplyV > 1000) say('supplyV', 'out-of-range', 'A supply is above 0 and at most 1,000 V.')
  if (awg === undefined && asked.areaMm2 === undefined)
    say('areaMm2', 'missing', 'Say how thick the wire is: areaMm2, or awg.')
  if (awg !== undefined && asked.areaMm2 !== undefined)
    say('awg', 'twice', 'The thickness is given twice: leave out awg or areaMm2.')
  if (awg !== undefined && !(awg >= -3 && awg <= 40)) say('awg', 'out-of-range', 'AWG is from −3 (4/0) to 40.')
  if (asked.areaMm2 !== undefined && (!(asked.areaMm2 > 0) || asked.areaMm2 > 500))
    say('areaMm2', 'out-of-range', 'An area is above 0 and at most 500 mm².')
  if (problems.length > 0) return failure(...problems)
  const areaMm2 = asked.areaMm2 ?? awgAreaMm2(awg ?? 0)
  const resistanceOhm = runResistanceOhm(lengthM * (returnPath === 'wire' ? 2 : 1), areaMm2, conductorC)
  const dropV = resistanceOhm * currentA
  return success({ areaMm2, resistanceOhm, dropV, dropPct: (dropV / supplyV) * 100 })
}

/** @param lengthM of conductor, all of it; positive figures only */
export function runResistanceOhm(lengthM: number, areaMm2: number, conductorC: number): number {
  return (copperOhmM * (1 + copperPerK * (conductorC - 20)) * lengthM) / (areaMm2 * 1e-6)
}
