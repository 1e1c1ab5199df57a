/** What a level may do to one quantity; equal is inside. */
export interface LevelLimit {
  quantity: string
  max?: number
  min?: number
  /** It has to be held so long to count, s. */
  forSeconds?: number
  /** Where it has to be read. */
  at?: string
}

export type LevelReading = number | { value: number; seconds?: number; at?: string }

/** A level in words; 0 is stock. */
export const levelName = (level: number): string => (level === 0 ? 'stock' : `level ${level}`)

/** A loaded run at a level; 0 is stock. */
export interface LevelRun {
  level: number
  readings: Readonly<Record<string, LevelReading>>
}

export interface LadderMiss {
  level: number
  quantity: string
  /** Null where nothing was read. */
  value: number | null
  limit: LevelLimit
  /** Why it does not pass, in a sentence. */
  says: string
}

export interface Ladder {
  /** Null while stock itself has not passed. */
  highestAllowed: number | null
  /** The level to run next; null once one missed, or when all are run. */
  next: number | null
  because: LadderMiss[]
}

/**
 * The ladder of loaded runs from stock up: a level is allowed where it and every level under it had a run inside every limit. The last run of a
 * level counts; what was held too short, read elsewhere, or not read at all does not pass.
 * @param levels how many there are above stock
 */
export function judgeLadder(levels: number, limits: readonly LevelLimit[], runs: readonly LevelRun[]): Ladder {
  const last = new Map(runs.map((run) => [run.level, run]))
  const because: LadderMiss[] = []
  let highestAllowed: number | null = null
  let unbroken = true
  let next: number | null = null
  for (let level = 0; level <= levels; level++) {
    const run = last.get(level)
    if (!run) {
      next ??= level
      unbroken = false
      continue
    }
    const misses = limits.flatMap((limit) => missOf(run, limit) ?? [])
    because.push(...misses)
    if (misses.length > 0) unbroken = false
    if (unbroken) highestAllowed = level
  }
  return { highestAllowed, next: because.length > 0 ? null : next, because }
}

function missOf({ level, readings }: LevelRun, limit: LevelLimit): LadderMiss | null {
  const reading = readings[limit.quantity]
  const { value, seconds, at } = typeof reading === 'number' ? { value: reading } : (reading ?? {})
  const miss = (says: string): LadderMiss => ({ level, quantity: limit.quantity, value: value ?? null, limit, says })
  const { quantity, max, min, forSeconds } = limit
  if (value === undefined || !Number.isFinite(value)) return miss(`${quantity} was not read.`)
  if (max !== undefined && value > max) return miss(`${quantity}: ${value}, at most ${max}.`)
  if (min !== undefined && value < min) return miss(`${quantity}: ${value}, at least ${min}.`)
  if (forSeconds !== undefined && !(seconds !== undefined && seconds >= forSeconds))
    return miss(`${quantity}: held ${seconds ?? '?'} s, it wants ${forSeconds}.`)
  if (limit.at !== undefined && at !== limit.at)
    return miss(`${quantity}: read ${at ?? 'nobody says where'}, it wants ${limit.at}.`)
  return null
}
