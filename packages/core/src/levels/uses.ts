import { judgeLadder, type Ladder, type LevelLimit, type LevelRun } from './ladder.ts'

/** What a machine is used for while a level is on: each has a ladder of its own. */
export const levelUses = ['unladen', 'towing', 'long grade', 'at altitude'] as const
export type LevelUse = (typeof levelUses)[number]

/** The ladder of each use that was run. What nobody said the use of counts as unladen. */
export function laddersByUse(
  levels: number,
  limits: readonly LevelLimit[],
  runs: readonly (LevelRun & { use?: LevelUse })[],
): (Ladder & { use: LevelUse })[] {
  return levelUses.flatMap((use) => {
    const own = runs.filter((run) => (run.use ?? 'unladen') === use)
    return own.length === 0 ? [] : [{ use, ...judgeLadder(levels, limits, own) }]
  })
}

const useWords: Record<LevelUse, RegExp> = {
  towing: /tow|trailer|haul/i,
  'long grade': /grade|hill|pass|climb/i,
  'at altitude': /altitude|mountain|high/i,
  unladen: /unladen|empty|alone/i,
}

/** The ladder that a use in words is judged by: its own, or of those that were run the one that allows least. */
export function ladderFor<One extends Ladder & { use: LevelUse }>(
  ladders: readonly One[],
  use: string,
): One | undefined {
  const named = ladders.find((ladder) => useWords[ladder.use].test(use))
  const rank = ({ highestAllowed }: Ladder) => highestAllowed ?? -1
  return named ?? [...ladders].sort((a, b) => rank(a) - rank(b))[0]
}

/** How long the turbine and the oil cool between loaded runs at least, min. Source: general practice. */
export const coolDownMin = 3

/** Until the next run may begin, s; 0 once it may. @param at of the last run, and now, ms */
export function coolDownLeft(lastRunMs: number | undefined, nowMs: number): number {
  return lastRunMs === undefined ? 0 : Math.max(0, Math.ceil((lastRunMs - nowMs) / 1000 + 60 * coolDownMin))
}
