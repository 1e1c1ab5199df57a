/** Where a boss points, seen from above. */
export const bossPoints = ['left', 'right', 'front', 'rear'] as const
/** What its distance is measured from. */
export const bossFrom = ['port', 'collector', 'turbine'] as const

/** A boss as it is measured before it is welded. */
export interface BossMeasured {
  from: (typeof bossFrom)[number]
  /** Along the pipe, mm. */
  behindMm: number
  /** To the open end of the pipe, along it, mm; missing: far. */
  tailMm?: number
  /** Above the horizontal with the machine on its wheels, degrees. */
  aboveDeg: number
  points: (typeof bossPoints)[number]
  /** How far the machine leans to the left on its side stand, degrees; 0 where it has none. */
  standDeg: number
  /** Every joint ahead of it was looked at and is tight. */
  tight: boolean
}

/** What is asked of a boss, with the figure, the limit, and what to change. */
export interface BossCheck {
  id: 'wheels' | 'stand' | 'distance' | 'tail' | 'leak' | 'lead'
  ok: boolean
  /** What was asked, with its figures. */
  says: string
  /** What to change; empty where it is in order. */
  change: string
}

/** Least angle above the horizontal: water that condenses runs out of the sensor and not into it. */
export const leastAboveDeg = 10
/** Nearer to the open end, air comes back in between pulses and reads lean, mm. */
export const leastTailMm = 250
/** Nearest by what it is measured from, mm: nearer a sensor's body gets too hot, or the gas of the cylinders is not mixed yet. */
export const leastBehindMm: Readonly<Record<BossMeasured['from'], number>> = { port: 200, collector: 60, turbine: 100 }
/** Farther than this the reading is late and a cold pipe keeps water, mm. */
export const mostBehindMm = 1200

const rad = (degrees: number) => (degrees * Math.PI) / 180

/**
 * Angle of a boss above the horizontal with the machine leaning to the left, degrees: its direction turned about the machine's long axis.
 * Pointing left by 20° it lies at 8° on a stand of 12°; pointing right, at 32°.
 */
export function aboveOnStandDeg({
  aboveDeg,
  points,
  standDeg,
}: Pick<BossMeasured, 'aboveDeg' | 'points' | 'standDeg'>): number {
  const side = points === 'left' ? 1 : points === 'right' ? -1 : 0
  const z = Math.sin(rad(aboveDeg)) * Math.cos(rad(standDeg)) - Math.cos(rad(aboveDeg)) * side * Math.sin(rad(standDeg))
  return (Math.asin(Math.max(-1, Math.min(1, z))) * 180) / Math.PI
}

/** The least angle on the wheels with which a boss that points there is dry on the stand too, whole degrees. */
export function leastOnWheelsDeg(points: BossMeasured['points'], standDeg: number): number {
  for (let aboveDeg = leastAboveDeg; aboveDeg < 90; aboveDeg++)
    if (aboveOnStandDeg({ aboveDeg, points, standDeg }) >= leastAboveDeg - 1e-9) return aboveDeg
  return 90
}

const whole = (degrees: number) => Math.round(degrees)

/**
 * What speaks for and against a boss where it is to be welded.
 * @param lead of the sensor by the plan of its loom, m; null where no way is written down
 */
export function judgeBoss(boss: BossMeasured, lead: { needM: number; suppliedM: number } | null = null): BossCheck[] {
  const { aboveDeg, points, standDeg, from, behindMm, tailMm, tight } = boss
  const onStand = aboveOnStandDeg(boss)
  const least = leastOnWheelsDeg(points, standDeg)
  const nearest = leastBehindMm[from]
  return [
    {
      id: 'wheels',
      ok: aboveDeg >= leastAboveDeg,
      says: `On its wheels ${whole(aboveDeg)}° above the horizontal; at least ${leastAboveDeg}°.`,
      change: aboveDeg >= leastAboveDeg ? '' : `Turn it up the pipe to at least ${Math.max(least, leastAboveDeg)}°.`,
    },
    {
      id: 'stand',
      ok: standDeg === 0 || onStand >= leastAboveDeg - 1e-9,
      says:
        standDeg === 0
          ? 'It has no side stand.'
          : `On its side stand (${whole(standDeg)}° to the left) ${whole(onStand)}° above the horizontal; at least ${leastAboveDeg}°.`,
      change:
        standDeg === 0 || onStand >= leastAboveDeg - 1e-9
          ? ''
          : `Pointing ${points} it wants ${least}° on its wheels; pointing right ${leastOnWheelsDeg('right', standDeg)}° do.`,
    },
    {
      id: 'distance',
      ok: behindMm >= nearest && behindMm <= mostBehindMm,
      says: `${whole(behindMm)} mm behind the ${from}; ${nearest} to ${mostBehindMm} mm.`,
      change:
        behindMm < nearest
          ? `Go down the pipe to ${nearest} mm: there it is too hot, or the gas is not mixed.`
          : behindMm > mostBehindMm
            ? `Go up the pipe to ${mostBehindMm} mm: it answers late there and stays wet.`
            : '',
    },
    {
      id: 'tail',
      ok: tailMm === undefined || tailMm >= leastTailMm,
      says:
        tailMm === undefined
          ? 'The open end is far.'
          : `${whole(tailMm)} mm before the open end; at least ${leastTailMm} mm.`,
      change:
        tailMm === undefined || tailMm >= leastTailMm
          ? ''
          : 'Go farther in: at the open end air comes back in and reads lean.',
    },
    {
      id: 'leak',
      ok: tight,
      says: tight ? 'Every joint ahead of it is tight.' : 'A joint ahead of it leaks.',
      change: tight ? '' : 'Make it tight first: a leak ahead of the sensor draws air in and reads lean.',
    },
    {
      id: 'lead',
      ok: lead === null || lead.needM <= lead.suppliedM + 1e-9,
      says:
        lead === null
          ? 'No way of the sensor’s lead is written down.'
          : `Its lead needs ${whole(lead.needM * 1000)} mm and has ${whole(lead.suppliedM * 1000)} mm.`,
      change:
        lead === null || lead.needM <= lead.suppliedM + 1e-9
          ? ''
          : 'A sensor lead is never lengthened: another place for the boss, or for the module.',
    },
  ]
}
