import { findTarget, targetKey, waysTo, type AccessTarget } from '../access/index.ts'
import type { Machine, Step } from '../dossiers/index.ts'
import { placesFor } from '../routing/index.ts'
import { asProposed } from './choices.ts'
import type { JobDossiers, JobState, NewEntry } from './model.ts'

/** How a shop takes the battery off. */
export const batterySchools = ['negative off', 'battery out', 'both negatives off'] as const
export type BatterySchool = (typeof batterySchools)[number]

type Chosen = Pick<JobState, 'choices'>

/** Schools this machine leaves open: with two batteries there is only one. */
export function batterySchoolsFor(machine: Machine): BatterySchool[] {
  return (machine.batteries?.length ?? 0) > 1 ? ['both negatives off'] : ['negative off', 'battery out']
}

export function batterySchoolOf(machine: Machine, state?: Chosen): BatterySchool {
  const open = batterySchoolsFor(machine)
  return open.find((school) => school === state?.choices.battery?.value) ?? open[0]
}

/** Whether a step is there by the way the shop takes the battery off. */
export function inSchool(machine: Machine, step: Step, state?: Chosen): boolean {
  return !step.school || step.school.choice !== 'battery' || step.school.value === batterySchoolOf(machine, state)
}

/** How many work on the machine. */
export function peopleOf(state?: Chosen): 1 | 2 {
  return state?.choices.people?.value === '2' ? 2 : 1
}

/** Ids in one text, as order and further targets are written. */
export function readList(value: string | undefined): string[] {
  return value === undefined || value === asProposed ? [] : value.split(',').filter((id) => id !== '')
}

/** The order of removal a person laid down. */
export function handOrderOf(state?: Chosen): string[] | undefined {
  const list = readList(state?.choices['cover-order']?.value)
  return list.length > 0 ? list : undefined
}

/** What else is to be reached while the machine is open. */
export function alsoTargets(machine: Machine, state?: Chosen): AccessTarget[] {
  return readList(state?.choices.also?.value).flatMap((id) => findTarget(machine, id) ?? [])
}

export const wayChoice = (target: Pick<AccessTarget, 'kind' | 'id'>) => `way.${targetKey(target)}`

/** Ways a person has fixed, by target. */
export function fixedWays(state?: Chosen): Map<string, string> {
  return new Map(
    Object.entries(state?.choices ?? {}).flatMap(([choice, { value }]) =>
      choice.startsWith('way.') && value !== asProposed ? [[choice.slice(4), value] as const] : [],
    ),
  )
}

/** Questions of taking in, one answer at a time. */
export const takeInQuestions = ['aim', 'fitted-already', 'plate', 'owner'] as const
export type TakeInQuestion = (typeof takeInQuestions)[number]

/**
 * What is wrong with the answer to a question of access, safety or taking in.
 * @returns '' when it is right, null when the question is none of these
 */
export function accessChoiceProblem(
  { machine }: JobDossiers,
  { choice, value }: Extract<NewEntry, { kind: 'choice' }>,
): string | null {
  if (takeInQuestions.some((question) => choice === `take-in.${question}`)) return ''
  if (choice === 'battery')
    return batterySchoolsFor(machine).some((school) => school === value)
      ? ''
      : `The battery may be: ${batterySchoolsFor(machine).join(', ')}.`
  if (choice === 'people') return value === '1' || value === '2' ? '' : 'One or two work on a machine.'
  if (choice === 'start') return Number.isNaN(Date.parse(value)) ? `"${value}" is no time.` : ''
  if (choice === 'mount-place')
    return placesFor(machine, 'module').some((place) => place.id === value)
      ? ''
      : `"${value}" is no mount place of the ${machine.model}.`
  if (choice === 'cover-order') {
    const wrong = readList(value).find((id) => !machine.covers?.some((cover) => cover.id === id))
    return wrong === undefined ? '' : `"${wrong}" is no cover of the ${machine.model}.`
  }
  if (choice === 'also') {
    const wrong = readList(value).find((id) => !findTarget(machine, id))
    return wrong === undefined ? '' : `"${wrong}" is no plug, stud or place of the ${machine.model}.`
  }
  if (!choice.startsWith('way.')) return null
  const target = findTarget(machine, choice.slice(4))
  if (!target) return `"${choice.slice(4)}" is no plug, stud or place of the ${machine.model}.`
  if (value === asProposed || waysTo(machine, target).some((way) => way.id === value)) return ''
  return `"${value}" is no way to ${target.name}.`
}
