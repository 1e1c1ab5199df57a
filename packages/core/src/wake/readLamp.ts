import type { KitLamp } from '../dossiers/index.ts'
import { failure, success, type Outcome } from '../shared/index.ts'

export interface LampAsked {
  lamps: readonly KitLamp[]
  /** Times of on, off, on, off …, ms, the first is an *on*; none: dark. */
  edgesMs: readonly number[]
  colour?: string
  /** How long it was watched, ms. */
  observedMs?: number
}

export interface LampAnswer {
  pattern: string | null
  means: string | null
  next: string | null
  /** 0 to 1. */
  confidence: number
}

/** A time may be off by so much of itself, or by so many ms, whichever is more: a finger. */
const off = { share: 0.25, ms: 80 } as const
const mostEdges = 400

const tolerance = (wanted: number) => Math.max(off.share * wanted, off.ms)
const unknown: LampAnswer = { pattern: null, means: null, next: null, confidence: 0 }

/**
 * What a lamp says by the rhythm somebody tapped. A rhythm may begin at any blink and break off anywhere; one blink of it may have been
 * missed. Two signs that both fit say nothing.
 */
export function readLamp({ lamps, edgesMs, colour, observedMs }: LampAsked): Outcome<LampAnswer> {
  const wrong = edgesMs.findIndex((at, i) => !Number.isFinite(at) || at <= (edgesMs[i - 1] ?? -Infinity))
  if (wrong >= 0)
    return failure({
      ...{ code: 'time-runs-backwards', path: `edgesMs.${wrong}` },
      message: 'Times of on and off stand in their order, each later than the one before.',
    })
  if (edgesMs.length > mostEdges)
    return failure({ code: 'too-big', path: 'edgesMs', message: `At most ${mostEdges} times of on and off are read.` })
  const asked = lamps.filter((lamp) => colour === undefined || lamp.colour === colour)
  const seen = edgesMs.slice(1).map((at, i) => at - (edgesMs[i] ?? at))
  const [first] = edgesMs
  const watched = observedMs === undefined || first === undefined ? undefined : observedMs - (edgesMs.at(-1) ?? first)
  const fits = asked.flatMap((lamp) => {
    const fit = fitOf(lamp, seen, edgesMs.length, edgesMs.length === 0 ? observedMs : watched)
    return fit === null ? [] : [{ lamp, ...fit }]
  })
  // What fits as it is comes before what fits with a blink left out.
  const whole = fits.filter(({ missed }) => missed === 0)
  const candidates = whole.length > 0 ? whole : fits
  const [only] = candidates
  if (!only || candidates.length > 1) return success(unknown)
  const { id, means, next } = only.lamp
  const evidence = Math.min(1, (seen.length + 1) / Math.max(1, only.lamp.rhythmMs.length))
  const sure = (1 - 0.5 * only.error) * (only.missed > 0 ? 0.7 : 1) * (0.6 + 0.4 * evidence)
  return success({ pattern: id, means, next, confidence: Math.round(Math.max(0, Math.min(1, sure)) * 100) / 100 })
}

interface Fit {
  /** Mean error, as a share of what is allowed. */
  error: number
  missed: number
}

/** How well a sign of the lamp fits what was seen; null where it does not. @param rest how long the last state lasted, where that is known, ms */
function fitOf(
  { state, rhythmMs }: KitLamp,
  seen: readonly number[],
  edges: number,
  rest: number | undefined,
): Fit | null {
  switch (state) {
    case 'dark':
      return edges === 0 ? { error: 0, missed: 0 } : null
    case 'steady':
      return edges === 1 ? { error: 0, missed: 0 } : null
    case 'rhythm':
      return rhythmFit(rhythmMs, seen, edges, rest)
  }
}

function rhythmFit(
  rhythm: readonly number[],
  seen: readonly number[],
  edges: number,
  rest: number | undefined,
): Fit | null {
  if (edges === 0) {
    // Dark so far: it may be the pause of a rhythm, where it was not watched for longer than that.
    const pause = Math.max(...rhythm.filter((_, i) => i % 2 === 1))
    return rest !== undefined && rest <= pause + tolerance(pause) ? { error: 0, missed: 0 } : null
  }
  let best: Fit | null = null
  for (let phase = 0; phase < rhythm.length; phase += 2) {
    const fit = from(rhythm, phase, seen, rest)
    if (fit && (best === null || fit.missed < best.missed || (fit.missed === best.missed && fit.error < best.error)))
      best = fit
  }
  return best
}

/** The rhythm laid on what was seen, from a blink on; at most one blink of it left out. */
function from(rhythm: readonly number[], phase: number, seen: readonly number[], rest: number | undefined): Fit | null {
  let [at, missed, sum] = [phase, 0, 0]
  const step = (i: number) => rhythm[i % rhythm.length] ?? 0
  for (const [i, ms] of seen.entries()) {
    const wanted = step(at)
    const error = Math.abs(ms - wanted) / tolerance(wanted)
    if (error <= 1) {
      sum += error
      at += 1
      continue
    }
    // A blink that nobody saw makes one long pause of the two around it.
    const long = wanted + step(at + 1) + step(at + 2)
    const over = Math.abs(ms - long) / tolerance(long)
    if (i % 2 !== 1 || missed > 0 || over > 1) return null
    missed = 1
    sum += over
    at += 3
  }
  if (rest !== undefined && seen.length === 0) {
    // On, and not off yet: as long as it can be on.
    const on = step(at)
    if (rest > on + tolerance(on)) return null
  }
  if (rest === undefined && seen.length === 0) return null
  return { error: seen.length === 0 ? 0 : sum / seen.length, missed }
}
