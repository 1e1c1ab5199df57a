import { tiePracticeOf, tiePractices } from '../routing/index.ts'
import { type JobDossiers, type JobState, nothingDecided } from './state.ts'
import { findTarget, inPractice, targetKey } from '../access/index.ts'
import {
  kitStepsFor,
  orderSteps,
  purposeSteps,
  stationsOf,
  type CoverId,
  type Kit,
  type Machine,
  type Station,
  type Step,
  type StepId,
} from '../dossiers/index.ts'
import { jobOf } from './members.ts'
import { mountPlacesOf, placeOfMember } from './mountPlace.ts'
import { accessOf, opensFuel } from './jobAccess.ts'
import { purposeOf } from '../vehicles/index.ts'
import { perPair, perState } from '../shared/index.ts'
import { sayStep } from './words.ts'

type Needed = Pick<JobState, 'decided' | 'found'>
const nothingChosen: Needed = { decided: nothingDecided, found: [] }

/** Steps of a station by the shop's practices, in an order in which each finds what it needs, across machine and kit. */
export function stepsOf(dossiers: JobDossiers, station: Station, state: Needed = nothingChosen): Step[] {
  return jobSteps(dossiers, state).filter((step) => step.station === station)
}

/**
 * All steps of a job in order. Where the two dossiers leave no possible order (each is possible for itself), they stand as they are
 * written, the machine's first.
 */
export function jobSteps(dossiers: JobDossiers, state: Needed = nothingChosen): Step[] {
  return stepsInOrder(dossiers, state)
}

const stepsInOrder = perState((dossiers: JobDossiers, state: Needed): Step[] => {
  const fuel = opensFuel(accessOf(dossiers, state))
  const key = JSON.stringify([
    fuel,
    state.decided.battery?.value,
    state.decided.tying?.value,
    purposeOf(state),
    dossiers.bench,
    mountPlacesOf(dossiers, state).map(({ place }) => place?.id),
  ])
  return orders(dossiers, key, () => orderedSteps(dossiers, state, fuel))
})
const orders = perPair<Step[]>('steps')

function orderedSteps(dossiers: JobDossiers, state: Needed, fuel: boolean): Step[] {
  const { machine, kit } = dossiers
  const early = tiePracticeOf(state) === tiePractices[1]
  const purpose = purposeOf(state)
  const needed = stationsOf(purpose)
  const steps = [...machine.steps, ...kitStepsFor(purpose, kit), ...purposeSteps(purpose, kit)]
    .filter(({ station }) => needed.includes(station))
    .filter((step) => inPractice(machine, step, state) && (step.when === undefined || fuel))
    .map((step): Step => {
      const station = early && step.marks === 'ties' ? 'lay-loom' : step.station
      return { ...step, station, text: stepText(dossiers, state, step) }
    })
  const ordered = orderSteps(steps)
  return ordered.ok ? ordered.value : steps
}

/** A step's words with the figures of this job; what the kit's sheet says about one machine is not said of another. */
function stepText(dossiers: JobDossiers, state: Needed, step: Step): string {
  const { machine } = dossiers
  const { member, dossiers: own } = jobOf(dossiers, step.id)
  const { kit } = own
  const place = placeOfMember(dossiers, state, member)
  const sheet = kit.places?.find((item) => item.machine === machine.id)?.place
  const elsewhere = !madeFor(kit, machine) || (place !== undefined && sheet !== undefined && place.id !== sheet)
  // Words about a place are the sheet's own only where it names the place and the module goes there.
  if (place && (elsewhere || sheet === undefined) && step.marks === 'mount' && step.station === 'lay-loom')
    return sayStep('set-module', { module: kit.module.name, place: place.name, where: place.place }).words
  if (elsewhere && step.marks === 'route') return sayStep('lay-loom', { place: place?.name ?? null }).words
  if (!step.text.includes('{bench}')) return step.text
  const { bench } = dossiers
  const { words } = bench ? sayStep('bench-supply', bench) : sayStep('bench-supply-unknown', {})
  return step.text.replace('{bench}', words)
}

export function madeFor(kit: Kit, machine: Machine): boolean {
  return kit.fits.length === 0 || kit.fits.includes(machine.id)
}

/** The steps of make-safe with the covers that come off in front of each, in the order of the plan. */
export function coversBefore<T extends { removal: { cover: { id: CoverId } } }>(
  dossiers: JobDossiers,
  state: Needed,
  off: readonly T[],
): { covers: T[]; step: StepId }[] {
  const { machine } = dossiers
  const plan = accessOf(dossiers, state)
  const left = [...off]
  const steps = stepsOf(dossiers, 'make-safe', state)
  const take = (wanted: ReadonlySet<CoverId>): T[] => {
    const taken = left.filter((item) => wanted.has(item.removal.cover.id))
    for (const item of taken) left.splice(left.indexOf(item), 1)
    return taken
  }
  const made = steps.map((step) => {
    const wanted = new Set<CoverId>(withPrerequisites(machine, step.needs?.covers ?? []))
    for (const target of step.needs?.reach ?? []) {
      const found = findTarget(machine, Object.entries(target).map(([kind, id]) => `${kind}:${String(id)}`)[0] ?? '')
      const planned = found && plan?.targets.find((item) => targetKey(item.target) === targetKey(found))
      for (const id of planned?.covers ?? []) wanted.add(id)
    }
    return { covers: take(wanted), step: step.id }
  })
  if (left.length === 0) return made
  // A machine without needs written down: in front of the step that takes the battery off, as always.
  const batteryOff = steps.findIndex((step) => step.power === 'off')
  return made.map((item, i) => (i === Math.max(0, batteryOff) ? { ...item, covers: [...item.covers, ...left] } : item))
}

function withPrerequisites(machine: Machine, covers: readonly CoverId[]): CoverId[] {
  const all = new Set<CoverId>()
  const add = (id: CoverId) => {
    if (all.has(id)) return
    all.add(id)
    for (const before of machine.covers?.find((cover) => cover.id === id)?.after ?? []) add(before)
  }
  covers.forEach(add)
  return [...all]
}
