import {
  inSentence,
  machineIndex,
  studRole,
  type Kit,
  type Machine,
  type Stud,
  type StudId,
} from '../dossiers/index.ts'
import { targetWords, type Match } from '../wiring/index.ts'
import { supplyOf } from './supplyOf.ts'
import { atMost, dropLimitsV, type DropUse, type Verdict } from './verdict.ts'

/** How a shop grounds where the sheet leaves it open. */
export const groundPractices = ['loom instruction, else battery negative', 'frame cluster', 'engine strap'] as const
export type GroundPractice = (typeof groundPractices)[number]

export const groundReasons: Record<GroundPractice, string> = {
  'loom instruction, else battery negative':
    'The sheet knows the loom; the battery post has no second joint in the way.',
  'frame cluster': "The machine's own electronics use it, and it is often nearer.",
  'engine strap': 'Where what draws the current sits on the engine, and the studs turn.',
}

export interface GroundPlace {
  stud: StudId
  name: string
  place: string
  /** The sheet, the plan or the school says so. */
  why: string
  planned: boolean
}

/** Places for the kit's power ground: where the plan has it first, then what the school says, then the others by distance from it. */
export function groundPlaces(
  machine: Machine,
  kit: Kit,
  matches: readonly Match[],
  school: GroundPractice = 'loom instruction, else battery negative',
): GroundPlace[] {
  const { nets, zones } = machineIndex(machine)
  const end = supplyOf(kit).ground
  const target = end && matches.find((match) => match.kitEnd === end.id)?.target
  const planned = target && 'stud' in target ? machine.studs.find((stud) => stud.id === target.stud) : undefined
  const grounds = machine.studs.filter((stud) => nets.get(stud.net)?.signal === 'power-ground')
  const kindOf = (stud: Stud): GroundPractice =>
    studRole(machine, stud) === 'battery negative'
      ? 'loom instruction, else battery negative'
      : studRole(machine, stud) === 'engine ground'
        ? 'engine strap'
        : 'frame cluster'
  const from = planned && zones.get(planned.zone)?.at
  const far = (stud: Stud) => {
    const at = zones.get(stud.zone)?.at
    return from && at ? Math.hypot(at.x - from.x, at.y - from.y, at.z - from.z) : 0
  }
  return grounds
    .map((stud) => ({
      stud: stud.id,
      name: stud.name,
      place: stud.place,
      planned: stud === planned,
      why:
        stud === planned
          ? "The loom's own instruction."
          : kindOf(stud) === school
            ? groundReasons[school]
            : `${far(stud).toFixed(1)} m from the planned one.`,
      rank: stud === planned ? 0 : kindOf(stud) === school ? 1 : 2,
      far: far(stud),
    }))
    .sort((a, b) => a.rank - b.rank || a.far - b.far)
    .map(({ rank: _rank, far: _far, ...place }) => place)
}

export interface GroundVerdict extends Verdict {
  says: string
  /** Where to try next; null where it is good, or there is nowhere else. */
  next: GroundPlace | null
}

/**
 * What a drop measured under load says of a ground: black lead on battery negative, red on the module's ground, everything the
 * module feeds switched on.
 * @param currentA through it while measured, for the resistance
 */
export function judgeGround(
  dropV: number,
  currentA: number,
  places: readonly GroundPlace[],
  tried: string | null,
  use: DropUse = 'power ground',
): GroundVerdict {
  const check = atMost(
    `Drop of a ${use} under load`,
    Math.round(Math.abs(dropV) * 1000),
    dropLimitsV[use] * 1000,
    'mV',
    'general practice: power ground below 100 mV, sensor ground below 50 mV',
  )
  const ohm = currentA > 0 ? Math.abs(dropV) / currentA : null
  const next = check.ok ? null : (places.find((place) => place.stud !== tried) ?? null)
  return {
    ...check,
    next,
    says: check.ok
      ? `${check.value} mV under load: a good ground, ${check.margin} mV to spare.`
      : `${check.value} mV under load${ohm === null ? '' : ` is ${(ohm * 1000).toFixed(0)} mΩ`}: paint, rust or a loose strap. Clean to bright metal and read again${next ? `; if it stays, try ${inSentence(next.name)} (${next.place})` : ''}.`,
  }
}

/** Where the kit's ground is planned, in words. */
export function groundWords(machine: Machine, kit: Kit, matches: readonly Match[]): string | null {
  const end = supplyOf(kit).ground
  const target = end && matches.find((match) => match.kitEnd === end.id)?.target
  return target ? targetWords(machine, target, kit) : null
}
