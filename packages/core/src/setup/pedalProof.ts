import type { PedalPoint } from './state.ts'

/** Positions of the pedal at which both tracks are read, %. */
export const pedalPositions = [0, 25, 50, 75, 100] as const
/** The two tracks keep the plain pedal's relation within this, on the larger track, V. */
export const pedalWithinV = 0.1

export interface PedalVerdict {
  verdict: 'pass' | 'fail'
  /** Largest difference from the plain pedal's relation, V on the larger track; 0 without a point. */
  worstV: number
  reasons: string[]
}

const mV = (volts: number) => Math.round(volts * 1000)

/**
 * Whether a pedal module may be driven: at every sensitivity, at all five positions, the two tracks keep the relation they have without it.
 * The relation is that of the plain pedal, read before anything was unplugged: what the larger track should be for what the smaller one
 * shows, between the plain points on a straight line.
 * @param levels sensitivities that want points
 */
export function pedalProof(points: readonly PedalPoint[], levels: readonly string[]): PedalVerdict {
  const reasons: string[] = []
  let worstV = 0
  for (const level of levels) {
    const own = pedalPositions.map((pct) => points.filter((point) => point.level === level && point.pct === pct).at(-1))
    const missing = pedalPositions.filter((_pct, i) => !own[i])
    if (missing.length > 0) {
      reasons.push(`${level}: not read at ${missing.join(', ')} %.`)
      continue
    }
    const read = own.flatMap((point) => {
      const { plain1, plain2 } = plainAt(points, point?.pct)
      return point && plain1 !== undefined && plain2 !== undefined ? [{ ...point, plain1, plain2 }] : []
    })
    if (read.length < pedalPositions.length) {
      reasons.push(`${level}: the plain pedal was not read at every position, and without it nobody can tell.`)
      continue
    }
    const firstLarger = read.reduce((sum, { plain1, plain2 }) => sum + plain1 - plain2, 0) >= 0
    const tracks = read.map((point) => ({
      ...{ pct: point.pct, plainLarge: firstLarger ? point.plain1 : point.plain2 },
      ...{ plainSmall: firstLarger ? point.plain2 : point.plain1, large: firstLarger ? point.v1 : point.v2 },
      small: firstLarger ? point.v2 : point.v1,
    }))
    for (const { pct, large, small } of tracks) {
      const wanted = largeFor(small, tracks)
      const off = Math.abs(large - wanted)
      worstV = Math.max(worstV, off)
      if (off > pedalWithinV + 1e-9)
        reasons.push(
          `${level} at ${pct} %: ${mV(off)} mV from the plain pedal’s relation, at most ${mV(pedalWithinV)} mV.`,
        )
    }
    const rests = read[0]
    if (rests && (Math.abs(rests.v1 - rests.plain1) > pedalWithinV || Math.abs(rests.v2 - rests.plain2) > pedalWithinV))
      reasons.push(`${level}: at rest it is not where the plain pedal rests.`)
    read.forEach((point, i) => {
      const before = read[i - 1]
      if (
        before &&
        (Math.sign(point.v1 - before.v1) !== Math.sign(point.plain1 - before.plain1) ||
          Math.sign(point.v2 - before.v2) !== Math.sign(point.plain2 - before.plain2))
      )
        reasons.push(`${level}: from ${before.pct} to ${point.pct} % a track does not go on as the plain pedal does.`)
    })
  }
  return { verdict: reasons.length === 0 && levels.length > 0 ? 'pass' : 'fail', worstV, reasons }
}

/** The plain pedal at a position, from whichever sensitivity it was written down with. */
function plainAt(points: readonly PedalPoint[], pct: number | undefined): Pick<PedalPoint, 'plain1' | 'plain2'> {
  return points.find((point) => point.pct === pct && point.plain1 !== undefined && point.plain2 !== undefined) ?? {}
}

/** What the larger track shows on the plain pedal where the smaller shows so much: between two plain points on a straight line. */
function largeFor(small: number, plain: readonly { plainLarge: number; plainSmall: number }[]): number {
  const points = [...plain].sort((a, b) => a.plainSmall - b.plainSmall)
  const at = Math.max(
    1,
    Math.min(
      points.length - 1,
      points.findIndex(({ plainSmall }) => plainSmall >= small),
    ),
  )
  const [low, high] = [points[at - 1], points[at]]
  if (!low || !high) return plain[0]?.plainLarge ?? 0
  const wide = high.plainSmall - low.plainSmall
  return wide === 0
    ? low.plainLarge
    : low.plainLarge + ((small - low.plainSmall) / wide) * (high.plainLarge - low.plainLarge)
}
