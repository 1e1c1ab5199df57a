import { pedalPositions } from './pedalProof.ts'
import type { PedalPoint } from './state.ts'

/** What a sensitivity does to the pedal, from its proof. */
export interface PedalGain {
  level: string
  /** At each position what the engine is asked for, % of the plain pedal's whole travel. */
  asked: { pct: number; askedPct: number }[]
  /** How much steeper it begins, times. */
  atStart: number
  /** What it asks for at rest beyond the plain pedal, % of travel: above this it creeps. */
  creepPct: number
  /** What it asks for at full pedal, %: a pedal box gives no power. */
  fullPct: number
}

/** At rest it may ask for so much more, % of travel. */
export const creepLimitPct = 1.5

/** The gain of each sensitivity whose points are all there, read beside the plain pedal. */
export function pedalGains(points: readonly PedalPoint[], levels: readonly string[]): PedalGain[] {
  return levels.flatMap((level) => {
    const own = pedalPositions.map((pct) => points.findLast((point) => point.level === level && point.pct === pct))
    const [rest, , , , full] = own
    const [plainRest, plainFull] = [rest?.plain1, full?.plain1]
    if (plainRest === undefined || plainFull === undefined || plainFull === plainRest) return []
    if (own.some((point) => point === undefined)) return []
    const asked = own.flatMap((point) =>
      point ? [{ pct: point.pct, askedPct: (100 * (point.v1 - plainRest)) / (plainFull - plainRest) }] : [],
    )
    const at = (pct: number) => asked.find((one) => one.pct === pct)?.askedPct ?? 0
    return [{ level, asked, atStart: (at(25) - at(0)) / 25, creepPct: at(0), fullPct: at(100) }]
  })
}
