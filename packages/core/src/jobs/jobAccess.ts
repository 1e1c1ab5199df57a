import {
  findTarget,
  planAccess,
  targetKey,
  type AccessPlan,
  type AccessTarget,
  type KnownMinutes,
} from '../access/index.ts'
import { machineIndex, type CoverId, type WayTarget } from '../dossiers/index.ts'
import { alsoTargets, fixedWays, handOrderOf, inSchool, peopleOf } from './accessChoices.ts'
import { mountPlaceOf } from './mountPlace.ts'
import type { JobDossiers, JobState } from './model.ts'
import { planOf } from './planOf.ts'
import { farPlacesOf } from './routeChoices.ts'

type Needed = Pick<JobState, 'choices' | 'found'>

/** Everything of the machine this job must get at: batteries, plugs and studs of the plan, the mount place, earlier work. */
export function jobTargets(dossiers: JobDossiers, state: Needed): AccessTarget[] {
  const { machine } = dossiers
  const place = mountPlaceOf(dossiers, state)
  const ids = [
    ...(machine.batteries ?? []).map((id) => `stud:${id}`),
    ...planOf(dossiers, state).flatMap(({ target }) =>
      target === null
        ? []
        : 'connector' in target
          ? [`connector:${target.connector}`]
          : 'stud' in target
            ? [`stud:${target.stud}`]
            : [],
    ),
    ...(place ? [`place:${place.id}`] : []),
    ...farTargets(dossiers, state),
    ...state.found.flatMap((found) =>
      found.dealt
        ? []
        : found.about?.connector
          ? [`connector:${found.about.connector}`]
          : found.about?.stud
            ? [`stud:${found.about.stud}`]
            : [],
    ),
  ]
  return [
    ...ids.flatMap((id) => findTarget(machine, id) ?? []),
    ...alsoTargets(machine, state),
    ...stepTargets(dossiers, state, false),
  ]
}

/** What steps before the battery is off must get at. @param fuel also those that are there only where a fuel line is opened */
function stepTargets({ machine, kit }: JobDossiers, state: Needed, fuel: boolean): AccessTarget[] {
  return [...machine.steps, ...kit.steps]
    .filter((step) => inSchool(machine, step, state) && (step.when === undefined || fuel))
    .flatMap((step) => step.needs?.reach ?? [])
    .flatMap((target) => findTarget(machine, wayTargetKey(target)) ?? [])
}

function wayTargetKey(target: Exclude<WayTarget, { zone: string }>): string {
  if ('connector' in target) return `connector:${target.connector}`
  if ('stud' in target) return `stud:${target.stud}`
  return `place:${target.place}`
}

/** Covers that steps name to be off before the battery. */
function stepCovers({ machine, kit }: JobDossiers, state: Needed): CoverId[] {
  return [...machine.steps, ...kit.steps]
    .filter((step) => step.station === 'make-safe' && inSchool(machine, step, state))
    .flatMap((step) => step.needs?.covers ?? [])
}

/** Where the dial, the sensor or the switch of this kit goes. */
function farTargets({ machine, kit }: JobDossiers, state: Needed): string[] {
  const places = farPlacesOf(machine, state)
  const uses = new Set(kit.ends.flatMap((end) => (end.type === 'plug' && end.far ? [end.far] : [])))
  return [...uses].flatMap((use) => (places[use] ? [`place:${places[use]}`] : []))
}

/** Dozens of nodes of the search after which a screen takes the best found so far; a worker goes on without limit. */
const quickNodes = 40

/** The access plan of a job; computed once per set of choices. Null for a machine of which no covers are written down. */
export function accessOf(
  dossiers: JobDossiers,
  state: Needed,
  known: KnownMinutes | undefined = dossiers.learnt,
): AccessPlan | null {
  const { machine } = dossiers
  if (!machine.covers) return null
  const targets = jobTargets(dossiers, state)
  const order = handOrderOf(state)
  const ways = fixedWays(state)
  const people = peopleOf(state)
  const key = JSON.stringify([
    targets.map(({ kind, id }) => kind + id),
    order,
    [...ways],
    people,
    known ? [...known] : [],
  ])
  const cache = plans.get(dossiers) ?? new Map<string, AccessPlan>()
  plans.set(dossiers, cache)
  let asked = 0
  const early = stepTargets(dossiers, state, false)
  const covers = stepCovers(dossiers, state)
  const planFor = (reached: readonly AccessTarget[], first: readonly AccessTarget[]) =>
    planAccess(machine, reached, {
      order,
      ways,
      people,
      known,
      covers,
      early: new Set(first.map(targetKey)),
      enough: () => ++asked > quickNodes,
    })
  const cached = cache.get(key)
  if (cached) return cached
  let plan = planFor(targets, early)
  if (opensFuel(plan)) {
    const more = stepTargets(dossiers, state, true)
    plan = planFor([...targets, ...more], more)
  }
  cache.set(key, plan)
  return plan
}

/** Whether a fuel line is opened for something that comes off. */
export function opensFuel(plan: Pick<AccessPlan, 'removals'> | null): boolean {
  return plan?.removals.some((removal) => removal.cover.opensFuel === true) ?? false
}
const plans = new WeakMap<JobDossiers, Map<string, AccessPlan>>()

/** What more must come off, and how much longer it takes, to reach these as well. */
export function alsoCost(
  dossiers: JobDossiers,
  state: Needed,
  also: readonly AccessTarget[],
): { covers: string[]; minutes: number; unknown: AccessTarget[] } | null {
  const { machine } = dossiers
  const now = accessOf(dossiers, state)
  if (!now) return null
  const people = peopleOf(state)
  const then = planAccess(machine, [...jobTargets(dossiers, state), ...also], {
    ways: fixedWays(state),
    people,
  })
  const off = new Set(now.removals.map((removal) => removal.cover.id))
  return {
    covers: then.removals.flatMap(({ cover }) => (off.has(cover.id) ? [] : [cover.name])),
    // A plan that is looked for anew may come out a little shorter: what is reached as well never saves time.
    minutes: Math.max(0, then.clockMinutes - now.clockMinutes),
    unknown: then.unknown.filter((target) => !now.unknown.some((item) => item.id === target.id)),
  }
}

/** Names of covers, for words about them. */
export function coverName({ machine }: JobDossiers, id: string): string {
  return machine.covers?.find((cover) => cover.id === id)?.name ?? id
}

/** Where a target sits, in words. */
export function targetPlace({ machine }: JobDossiers, target: AccessTarget): string {
  const { connectors, studs } = machineIndex(machine)
  if (target.kind === 'connector') return connectors.get(target.id)?.place ?? ''
  if (target.kind === 'stud') return studs.get(target.id)?.place ?? ''
  return machine.places?.find((place) => place.id === target.id)?.place ?? ''
}
