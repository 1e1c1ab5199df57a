import type { CoverId, Machine, Step, WayId } from '../dossiers/index.ts'
import type { Decided, Done } from '../journal/index.ts'
import { findTarget, targetKey } from './compileAccess.ts'
import type { AccessTarget } from './model.ts'

/** How a shop takes the battery off. */
export const batteryPractices = ['negative off', 'battery out', 'both negatives off'] as const
export type BatteryPractice = (typeof batteryPractices)[number]

/** What has been decided about getting at things. */
export interface AccessDecisions {
  battery?: Decided<BatteryPractice>
  /** How many work on the machine. */
  people?: Decided<1 | 2>
  /** The order in which covers come off, laid down by hand. */
  coverOrder?: Decided<CoverId[]>
  /** Keys of what else is to be reached while the machine is open. */
  also?: Decided<string[]>
  /** Ways fixed by hand, by the key of their target. */
  ways: Record<string, Decided<WayId>>
}

/** What has come off, and gone back on. */
export interface AccessState {
  covers: Record<CoverId, { off: Done; on?: Done; leftOff?: Done & { reason: string } }>
  decided: AccessDecisions
}

export function freshAccess(): AccessState {
  return { covers: {}, decided: { ways: {} } }
}

type Chosen = Pick<AccessState, 'decided'>

/** Practices this machine leaves open: with two batteries there is only one. */
export function batteryPracticesFor(machine: Machine): BatteryPractice[] {
  return (machine.batteries?.length ?? 0) > 1 ? ['both negatives off'] : ['negative off', 'battery out']
}

export function batteryPracticeOf(machine: Machine, state?: Chosen): BatteryPractice {
  const open = batteryPracticesFor(machine)
  return open.find((practice) => practice === state?.decided.battery?.value) ?? open[0]
}

/** Whether a step is there by the way the shop takes the battery off. */
export function inPractice(machine: Machine, step: Step, state?: Chosen): boolean {
  return !step.school || step.school.choice !== 'battery' || step.school.value === batteryPracticeOf(machine, state)
}

/** How many work on the machine. */
export function peopleOf(state?: Chosen): 1 | 2 {
  return state?.decided.people?.value ?? 1
}

/** The order of removal a person laid down. */
export function handOrderOf(state?: Chosen): CoverId[] | undefined {
  const list = state?.decided.coverOrder?.value ?? []
  return list.length > 0 ? list : undefined
}

/** What else is to be reached while the machine is open. */
export function alsoTargets(machine: Machine, state?: Chosen): AccessTarget[] {
  return (state?.decided.also?.value ?? []).flatMap((id) => findTarget(machine, id) ?? [])
}

/** Ways a person has fixed, by target. */
export function fixedWays(state?: Chosen): Map<string, WayId> {
  return new Map(Object.entries(state?.decided.ways ?? {}).map(([target, { value }]) => [target, value]))
}

/** The way a person has fixed to one target. */
export function fixedWayTo(state: Chosen, target: Pick<AccessTarget, 'kind' | 'id'>): WayId | null {
  return state.decided.ways[targetKey(target)]?.value ?? null
}
