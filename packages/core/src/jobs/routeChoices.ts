import { groundSchools, powerSchools, type GroundSchool, type PowerSchool } from '../electrical/index.ts'
import type { Machine, PlaceUse } from '../dossiers/index.ts'
import { mountSchools, placesFor, type FarPlaces, type MountSchool } from '../routing/index.ts'
import type { JobDossiers, JobState, NewEntry } from './model.ts'

type Chosen = Pick<JobState, 'choices'>

/** When the loom is tied. */
export const tieSchools = ['loose while fitting, tied at the end', 'each branch as it is laid'] as const
export type TieSchool = (typeof tieSchools)[number]

export const tieReasons: Record<TieSchool, string> = {
  'loose while fitting, tied at the end': 'Every connection is checked before the last tie goes on.',
  'each branch as it is laid': 'What is tied stays where it was laid; a mistake costs the tie again.',
}

/** The schools about laying and feeding a loom, by the name of their choice; the first of each is the usual one. */
export const routeSchools = {
  mounting: mountSchools,
  power: powerSchools,
  grounding: groundSchools,
  tying: tieSchools,
} as const

export function mountSchoolOf(state?: Chosen): MountSchool {
  return mountSchools.find((school) => school === state?.choices.mounting?.value) ?? mountSchools[0]
}
export function powerSchoolOf(state?: Chosen): PowerSchool {
  return powerSchools.find((school) => school === state?.choices.power?.value) ?? powerSchools[0]
}
export function groundSchoolOf(state?: Chosen): GroundSchool {
  return groundSchools.find((school) => school === state?.choices.grounding?.value) ?? groundSchools[0]
}
export function tieSchoolOf(state?: Chosen): TieSchool {
  return tieSchools.find((school) => school === state?.choices.tying?.value) ?? tieSchools[0]
}

const farUses: readonly Exclude<PlaceUse, 'module'>[] = ['dial', 'sensor', 'switch']
export const farChoice = (use: Exclude<PlaceUse, 'module'>) => `far.${use}`

/** Places chosen for what hangs on leads of its own; the machine's first one where nothing was chosen. */
export function farPlacesOf(machine: Machine, state?: Chosen): FarPlaces {
  return Object.fromEntries(
    farUses.flatMap((use) => {
      const places = placesFor(machine, use)
      const chosen = places.find((place) => place.id === state?.choices[farChoice(use)]?.value) ?? places[0]
      return chosen ? [[use, chosen.id]] : []
    }),
  )
}

/**
 * What is wrong with the answer to a question of laying and feeding.
 * @returns '' when it is right, null when the question is none of these
 */
export function routeChoiceProblem(
  { machine }: JobDossiers,
  { choice, value }: Extract<NewEntry, { kind: 'choice' }>,
): string | null {
  const use = farUses.find((item) => choice === farChoice(item))
  if (use)
    return placesFor(machine, use).some((place) => place.id === value)
      ? ''
      : `"${value}" is no place for a ${use} on the ${machine.model}.`
  const schools: readonly string[] | undefined = Object.entries(routeSchools).find(([name]) => name === choice)?.[1]
  if (!schools) return null
  return schools.includes(value) ? '' : `This may be: ${schools.join('; ')}.`
}
