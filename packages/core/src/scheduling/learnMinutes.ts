import type { Minutes } from '../dossiers/index.ts'

/** A time with what is known of it. */
export interface LearntMinutes extends Minutes {
  /** Finished pieces of work behind it; 0: the dossier's own figures. */
  n: number
  /** Spread as a factor: about nine in ten lie between likely / factor and likely × factor. */
  spreadFactor: number
}

/** Weight of the dossier's figures, counted in pieces of work. */
export const priorWeight = 3
/** Spread of a time of which one figure is known: nine in ten within a factor of 1.8. */
const plainSigma = Math.log(1.8) / 1.645

/**
 * What finished jobs say about a time, shrunk towards the dossier's figures: log-normal, with the likely time as its
 * median. The median moves by n / (n + 3) towards the measured one (normal mean with known prior weight, Gelman et al.
 * 2013, 2.5); the spread is the pooled one of prior and measurements.
 * @param prior the dossier's three points, min
 * @param measured minutes of finished pieces of work; figures of zero or less are left out
 * @example prior 10/18/35, measured 12, 14, 13 → likely 15.4, n 3
 */
export function learnMinutes(prior: Minutes, measured: readonly number[]): LearntMinutes {
  const sigma = priorSigma(prior)
  const middle = Math.log(Math.max(prior.likely, 0.05))
  // One odd figure says little: beyond three spreads of the prior it counts as three.
  const logs = measured
    .filter((minutes) => minutes > 0)
    .map((minutes) => Math.min(middle + 3 * sigma, Math.max(middle - 3 * sigma, Math.log(minutes))))
  const n = logs.length
  if (n === 0) return { ...prior, n, spreadFactor: Math.exp(1.645 * sigma) }
  const centre = middle
  const mean = logs.reduce((sum, value) => sum + value, 0) / n
  const median = (priorWeight * centre + n * mean) / (priorWeight + n)
  const squares = logs.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  const pull = ((priorWeight * n) / (priorWeight + n)) * (mean - centre) ** 2
  const variance = (priorWeight * sigma ** 2 + squares + pull) / (priorWeight + n)
  const spreadFactor = Math.exp(1.645 * Math.sqrt(variance * (1 + 1 / (priorWeight + n))))
  const likely = Math.exp(median)
  return { best: likely / spreadFactor, likely, worst: likely * spreadFactor, n, spreadFactor }
}

function priorSigma({ best, likely, worst }: Minutes): number {
  if (best <= 0 || worst <= best || likely <= 0) return plainSigma
  return Math.log(worst / best) / (2 * 1.645)
}
