import { farPlacesOf } from '../routing/index.ts'
import { connectionPlan } from '../wiring/index.ts'
import { perPair, perState } from '../shared/index.ts'
import type { JobDossiers, JobState } from './state.ts'
import {
  alsoTargets,
  coversOver,
  findTarget,
  fixedWays,
  handOrderOf,
  inPractice,
  peopleOf,
  targetKey,
  type AccessOptions,
  type AccessPlan,
  type AccessTarget,
  type CoverOver,
} from '../access/index.ts'
import { machineIndex, type CoverId, type WayTarget, type ZoneId } from '../dossiers/index.ts'
import { plannedLooms } from './jobRoute.ts'
import { mountPlacesOf } from './mountPlace.ts'
import { planners } from './planners.ts'

type Needed = Pick<JobState, 'decided' | 'found'>

/** Everything of the machine this job must get at: batteries, plugs and studs of the plan, the mount place, earlier work. */
export function jobTargets(dossiers: JobDossiers, state: Needed): AccessTarget[] {
  const { machine } = dossiers
  const ids = [
    ...(machine.batteries ?? []).map((id) => `stud:${id}`),
    ...connectionPlan(dossiers, state).flatMap(({ target }) =>
      target === null
        ? []
        : 'connector' in target
          ? [`connector:${target.connector}`]
          : 'stud' in target
            ? [`stud:${target.stud}`]
            : [],
    ),
    ...mountPlacesOf(dossiers, state).flatMap(({ place }) => (place ? [`place:${place.id}`] : [])),
    ...farTargets(dossiers, state),
    ...state.found.flatMap((found) =>
      found.dealt
        ? []
        : found.plugs
          ? found.plugs.map(({ connector }) => `connector:${connector}`)
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
    .filter((step) => inPractice(machine, step, state) && (step.when === undefined || fuel))
    .flatMap((step) => step.needs?.reach ?? [])
    .flatMap((target) => findTarget(machine, wayTargetKey(target)) ?? [])
}

function wayTargetKey(target: Exclude<WayTarget, { zone: ZoneId }>): string {
  if ('connector' in target) return `connector:${target.connector}`
  if ('stud' in target) return `stud:${target.stud}`
  return `place:${target.place}`
}

/** Covers that steps name to be off before the battery. */
function stepCovers({ machine, kit }: JobDossiers, state: Needed): CoverId[] {
  return [...machine.steps, ...kit.steps]
    .filter((step) => step.station === 'make-safe' && inPractice(machine, step, state))
    .flatMap((step) => step.needs?.covers ?? [])
}

/** What lies over the passages the planned loom is laid in. */
function loomCovers(dossiers: JobDossiers, state: Needed): CoverOver[] {
  const { machine } = dossiers
  return plannedLooms(dossiers, state).flatMap(({ loom }) => {
    if (!loom) return []
    const known = coversOfLoom.get(loom)
    if (known) return known
    const stretches = [loom.trunk, ...loom.branches].flatMap((part) => part.stretches)
    const lain = new Set(stretches.flatMap(({ passage, from, to }) => (Math.abs(to - from) < 1e-6 ? [] : [passage])))
    const over = (machine.passages ?? []).flatMap((passage) =>
      lain.has(passage.id)
        ? coversOver(machine, passage).map((cover) => ({ cover, what: `the loom ${passage.name}` }))
        : [],
    )
    coversOfLoom.set(loom, over)
    return over
  })
}
const coversOfLoom = new WeakMap<object, CoverOver[]>()

/** Where the dial, the sensor or the switch of this kit goes. */
function farTargets({ machine, kit }: JobDossiers, state: Needed): string[] {
  const places = farPlacesOf(machine, state)
  const uses = new Set(kit.ends.flatMap((end) => (end.type === 'plug' && end.far ? [end.far] : [])))
  return [...uses].flatMap((use) => (places[use] ? [`place:${places[use]}`] : []))
}

/** Dozens of nodes of the search after which a screen takes the best found so far; a worker goes on without limit. */
const quickNodes = 40

/** How a job has fixed its access: order, ways and hands, and what comes off whatever is behind it. */
export function accessOptionsOf(dossiers: JobDossiers, state: Needed): AccessOptions {
  return {
    order: handOrderOf(state),
    ways: fixedWays(state),
    people: peopleOf(state),
    known: dossiers.learnt,
    covers: stepCovers(dossiers, state),
    over: loomCovers(dossiers, state),
  }
}

/** The plan for all a job must get at, with what is needed only where a fuel line is opened. */
function planFor(
  dossiers: JobDossiers,
  state: Needed,
  options: AccessOptions,
  also: readonly AccessTarget[] = [],
): AccessPlan {
  const targets = [...jobTargets(dossiers, state), ...also]
  const plan = (fuel: boolean) => {
    const early = stepTargets(dossiers, state, fuel)
    return planners().planAccess(dossiers.machine, fuel ? [...targets, ...early] : targets, {
      ...options,
      early: new Set(early.map(targetKey)),
    })
  }
  const first = plan(false)
  return opensFuel(first) ? plan(true) : first
}

/** The access plan of a job; computed once per machine, kit and set of choices. Null for a machine of which no covers are written down. */
export const accessOf = perState((dossiers: JobDossiers, state: Needed): AccessPlan | null => {
  if (!dossiers.machine.covers) return null
  const { learnt } = dossiers
  const options = accessOptionsOf(dossiers, state)
  const key = JSON.stringify([
    jobTargets(dossiers, state).map(targetKey),
    stepTargets(dossiers, state, true).map(targetKey),
    options.covers,
    options.over,
    options.order,
    [...(options.ways ?? [])],
    options.people,
    learnt ? [...learnt] : [],
  ])
  let asked = 0
  return plans(dossiers, key, () => planFor(dossiers, state, { ...options, enough: () => ++asked > quickNodes }))
})

/** Whether a fuel line is opened for something that comes off. */
export function opensFuel(plan: Pick<AccessPlan, 'removals'> | null): boolean {
  return plan?.removals.some((removal) => removal.cover.opensFuel === true) ?? false
}
const plans = perPair<AccessPlan>('access')

/** What more must come off, and how much longer it takes, to reach these as well. */
export function alsoCost(
  dossiers: JobDossiers,
  state: Needed,
  also: readonly AccessTarget[],
): { covers: string[]; minutes: number; unknown: AccessTarget[] } | null {
  const now = accessOf(dossiers, state)
  if (!now) return null
  const { order: _order, ...options } = accessOptionsOf(dossiers, state)
  const then = planFor(dossiers, state, options, also)
  const off = new Set(now.removals.map((removal) => removal.cover.id))
  return {
    covers: then.removals.flatMap(({ cover }) => (off.has(cover.id) ? [] : [cover.name])),
    // A plan that is looked for anew may come out a little shorter: what is reached as well never saves time.
    minutes: Math.max(0, then.clockMinutes - now.clockMinutes),
    unknown: then.unknown.filter((target) => !now.unknown.some((item) => item.id === target.id)),
  }
}

/** Where a target sits, in words. */
export function targetPlace({ machine }: JobDossiers, target: AccessTarget): string {
  const { connectors, studs } = machineIndex(machine)
  if (target.kind === 'connector') return connectors.get(target.id)?.place ?? ''
  if (target.kind === 'stud') return studs.get(target.id)?.place ?? ''
  return machine.places?.find((place) => place.id === target.id)?.place ?? ''
}
