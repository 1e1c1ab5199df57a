import { failure, success, type Outcome } from '../shared/index.ts'
import { stations, type Station, type Step } from './model.ts'

/** What follows from the steps done so far. */
interface Conditions {
  power: 'on' | 'off'
  /** The engine has run since the loom was touched. */
  started: boolean
  /** It was shut off to stay off until it is woken. */
  shutOff: boolean
  /** Fuel pressure is down, or a line is open. */
  fuelDown: boolean
}

const atTakeIn: Conditions = { power: 'on', started: false, shutOff: false, fuelDown: false }

/** The loom is touched from here on. */
const touched = stations.indexOf('open-up')

/** So many states are tried for one station before the order is called impossible; real ones take one try a step. */
const mostTries = 20_000

/**
 * Steps of all stations in an order in which each finds what it needs (battery, engine not started yet, other steps) and none
 * takes away what another still needs. As written where that is possible; else as close to it as the first that fits each time.
 * Depth-first with the list as preference; exact up to the limit.
 * @returns the first station for which there is no such order, with the steps that are stuck
 */
export function orderSteps(steps: readonly Step[]): Outcome<Step[]> {
  const order: Step[] = []
  let state = atTakeIn
  const stationOf = new Map(steps.map((step) => [step.id, stations.indexOf(step.station)]))
  for (const [at, station] of stations.entries()) {
    const here = steps.filter((step) => step.station === station)
    const late = here.find((step) => (step.after ?? []).some((id) => (stationOf.get(id) ?? -1) > at))
    if (late) return failure(impossible(station, [late]))
    if (station === 'set-up') state = { ...state, fuelDown: false }
    if (station === 'wake') state = { ...state, shutOff: false }
    const found = orderStation(here, state, at >= touched, new Set(order.map((step) => step.id)))
    if (!found.ok) return failure(impossible(station, found.stuck))
    order.push(...found.order)
    state = found.order.reduce((now, step) => after(now, step, at >= touched), state)
  }
  return success(order)
}

function impossible(station: Station, stuck: readonly Step[]) {
  return {
    code: 'impossible-order',
    path: 'steps',
    message: `At ${station} there is no order in which every step finds what it needs: ${stuck
      .slice(0, 4)
      .map((step) => `"${step.id}" (${needWords(step)})`)
      .join(', ')}.`,
  }
}

function needWords({ needs, engine, after: others, fuel }: Step): string {
  const words = [
    ...(needs?.power ? [`battery ${needs.power}`] : []),
    ...(needs?.unstarted ? ['engine not started yet'] : []),
    ...(needs?.shutOff ? ['engine shut off'] : []),
    ...(engine === 'runs' ? ['engine running'] : []),
    ...(fuel === 'down' ? ['battery on to let the pressure down'] : []),
    ...(others?.length ? [`after ${others.join(', ')}`] : []),
  ]
  return words.join('; ') || 'whatever it stands behind'
}

type Ordered = { ok: true; order: Step[] } | { ok: false; stuck: Step[] }

function orderStation(
  here: readonly Step[],
  start: Conditions,
  isTouched: boolean,
  before: ReadonlySet<string>,
): Ordered {
  const ids = new Set(here.map((step) => step.id))
  const failed = new Set<string>()
  let tries = 0
  let stuck: Step[] = [...here]
  const search = (left: readonly Step[], state: Conditions): Step[] | null => {
    if (left.length === 0) return []
    const key = `${left.map((step) => step.id).join()}|${JSON.stringify(state)}`
    if (failed.has(key) || ++tries > mostTries) return null
    const fits = left.filter((step) => mayCome(step, state, left, ids, before))
    if (left.length < stuck.length) stuck = [...left]
    // What would take away something another step still needs comes last.
    const ready = [
      ...fits.filter((step) => !takesAway(step, state, left, isTouched)),
      ...fits.filter((step) => takesAway(step, state, left, isTouched)),
    ]
    for (const step of ready) {
      const rest = search(
        left.filter((other) => other !== step),
        after(state, step, isTouched),
      )
      if (rest) return [step, ...rest]
    }
    failed.add(key)
    return null
  }
  const order = search(here, start)
  return order ? { ok: true, order } : { ok: false, stuck }
}

/** Whether a step finds what it needs now. */
function mayCome(
  step: Step,
  state: Conditions,
  left: readonly Step[],
  here: ReadonlySet<string>,
  before: ReadonlySet<string>,
): boolean {
  if (!conditionsHold(step, state)) return false
  return (step.after ?? []).every(
    (id) => (here.has(id) ? !left.some((other) => other.id === id) : true) || before.has(id),
  )
}

function conditionsHold({ needs, engine, fuel }: Step, state: Conditions): boolean {
  if (needs?.power !== undefined && needs.power !== state.power) return false
  if (needs?.unstarted && state.started) return false
  if (needs?.shutOff && !state.shutOff) return false
  if (engine === 'runs' && (state.power === 'off' || state.fuelDown || state.shutOff)) return false
  return !(fuel === 'down' && (state.power === 'off' || state.shutOff))
}

/** Whether a step leaves one that is still to come without what it needs. */
function takesAway(step: Step, state: Conditions, left: readonly Step[], isTouched: boolean): boolean {
  const then = after(state, step, isTouched)
  return left.some((other) => other !== step && conditionsHold(other, state) && !conditionsHold(other, then))
}

function after(state: Conditions, { power, engine, fuel }: Step, isTouched: boolean): Conditions {
  return {
    power: power ?? state.power,
    started: state.started || (isTouched && engine === 'runs'),
    shutOff: state.shutOff || engine === 'off',
    fuelDown: state.fuelDown || fuel === 'down',
  }
}

/** What an order breaks, step by step, in words; empty when every step finds what it needs. */
export function walkSteps(order: readonly Step[]): string[] {
  const broken: string[] = []
  const done = new Set<string>()
  const all = new Set(order.map((step) => step.id))
  let state = atTakeIn
  let station = -1
  for (const step of order) {
    const at = stations.indexOf(step.station)
    if (at < station) broken.push(`${step.id} stands after a later station`)
    for (; station < at; station++) {
      if (stations[station + 1] === 'set-up') state = { ...state, fuelDown: false }
      if (stations[station + 1] === 'wake') state = { ...state, shutOff: false }
    }
    const { needs } = step
    if (needs?.power !== undefined && needs.power !== state.power)
      broken.push(`${step.id} needs the battery ${needs.power}`)
    if (needs?.unstarted && state.started) broken.push(`${step.id} comes after the engine has run`)
    if (needs?.shutOff && !state.shutOff) broken.push(`${step.id} comes before the engine was shut off`)
    if (step.engine === 'runs' && state.power === 'off') broken.push(`${step.id} runs the engine with the battery off`)
    if (step.engine === 'runs' && state.fuelDown) broken.push(`${step.id} runs the engine with the fuel let down`)
    if (step.engine === 'runs' && state.shutOff) broken.push(`${step.id} runs the engine after it was shut off`)
    if (step.fuel === 'down' && state.power === 'off') broken.push(`${step.id} lets fuel down without power`)
    for (const id of step.after ?? []) if (all.has(id) && !done.has(id)) broken.push(`${step.id} stands before ${id}`)
    done.add(step.id)
    state = after(state, step, at >= touched)
  }
  return broken
}
