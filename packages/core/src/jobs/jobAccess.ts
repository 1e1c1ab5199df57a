import { findTarget, planAccess, type AccessPlan, type AccessTarget, type KnownMinutes } from '../access/index.ts'
import { machineIndex } from '../dossiers/index.ts'
import { alsoTargets, fixedWays, handOrderOf, mountPlaceOf, peopleOf } from './accessChoices.ts'
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
  return [...ids.flatMap((id) => findTarget(machine, id) ?? []), ...alsoTargets(machine, state)]
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
export function accessOf(dossiers: JobDossiers, state: Needed, known?: KnownMinutes): AccessPlan | null {
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
  const plan =
    cache.get(key) ?? planAccess(machine, targets, { order, ways, people, known, enough: () => ++asked > quickNodes })
  cache.set(key, plan)
  return plan
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
    minutes: then.clockMinutes - now.clockMinutes,
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
