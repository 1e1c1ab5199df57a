import type { Machine } from './model.ts'
import { isDiesel } from './fuels.ts'

/** Something a machine's dossier does not say, and what that costs whoever works by it. */
export interface Missing {
  what: 'covers' | 'ways' | 'places' | 'passages' | 'body' | 'studs' | 'power' | 'readings' | 'steps' | 'target'
  /** "Without covers no minutes are known." */
  costs: string
}

/** What each thing costs that is not written down; every station goes on with what is known. */
const costs: Record<Missing['what'], string> = {
  covers: 'Without covers nobody says what comes off, in which order, or how many minutes it takes.',
  ways: 'Without ways from plug to cover the day plans no opening: a cover is there, and what is behind it is not.',
  studs: 'Without studs rings have no place: ground and battery are not matched, and no drop is worked out.',
  places: 'Without places the module has no home: room, heat and shaking are not judged.',
  passages: 'Without passages nobody says whether the loom reaches, where it lies, or what is hot beside it.',
  body: 'Without its size it has no drawing: what comes off and where plugs sit stands in lists alone.',
  power: 'Without figures of its battery neither the drain at rest nor the supply is judged.',
  readings: 'Without readings a meter is judged by the kind of circuit, not by what this machine should show.',
  steps: 'Without steps of its own only the battery comes off and on: nothing of this machine is asked or warned of.',
  target: 'Without the mixture wanted no trims are worked out from a ride.',
}

/** Steps that every machine has. */
const stepsOfAny = 2

/** What a dossier leaves out, in the order it is missed on the job; empty for one that says everything. */
export function missingFrom(machine: Machine): Missing[] {
  const { covers = [], ways = [], places = [], passages = [], studs, nets, steps } = machine
  const without: Record<Missing['what'], boolean> = {
    covers: covers.length === 0,
    ways: covers.length > 0 && ways.length === 0,
    studs: studs.length === 0,
    places: places.length === 0,
    passages: passages.length === 0,
    body: machine.body === undefined,
    power: machine.power === undefined,
    readings: nets.length > 0 && nets.every((net) => (net.readings ?? []).length === 0),
    steps: steps.length <= stepsOfAny,
    // A diesel has none, and a two-stroke is set by its exhaust's temperature.
    target: machine.target === undefined && !isDiesel(machine.engine) && machine.engine.strokes !== 2,
  }
  return whats.filter((what) => without[what]).map((what) => ({ what, costs: costs[what] }))
}

const whats = ['covers', 'ways', 'studs', 'places', 'passages', 'body', 'power', 'readings', 'steps', 'target'] as const
