import {
  cavityKey,
  inSentence,
  machineIndex,
  purposeNames,
  type ConnectorId,
  type DossierPair,
  type Machine,
  type Station,
} from '../dossiers/index.ts'
import { defineEntry, doneBy, known } from '../journal/index.ts'
import type { RouteState } from '../routing/index.ts'
import type { SetupState } from '../setup/index.ts'
import type { Problem } from '../shared/index.ts'
import type { WiringState } from '../wiring/index.ts'
import type { vehicleForms } from './forms.ts'
import { meterWords, sameWound, type VehicleState, type Wound } from './state.ts'

type Whole = VehicleState & WiringState & RouteState & SetupState

const entry = defineEntry<DossierPair, Whole, Station, typeof vehicleForms>()

/** What the job began with: written by the yard when it is opened on a machine that has something in it, or for another purpose than fitting. */
export const opened = entry({
  kind: 'opened',
  apply(state, written) {
    if (state.decided.purpose !== undefined) return 'What the job began with is written down already.'
    state.decided.purpose = written.purpose
    state.cameFrom = written.cameFrom
    state.fromShelf = written.fromShelf ?? []
    state.began = written.connections
    for (const { kitEnd, to, method, fuseA } of written.connections) {
      state.connections.push({
        entry: written.id,
        kitEnd,
        to,
        ...(method === undefined ? {} : { method }),
        ...(fuseA === undefined ? {} : { fuseA }),
        tugged: true,
      })
      // What is there is what this job reckons with: planned, reached and judged where it is.
      if ('connector' in to)
        state.decided.places[kitEnd] = {
          ...doneBy(written),
          value: 'cavity' in to ? { connector: to.connector, cavity: to.cavity } : { connector: to.connector },
        }
      else if ('stud' in to) state.decided.places[kitEnd] = { ...doneBy(written), value: { stud: to.stud } }
      else if ('closed' in to && to.closed === 'cap')
        state.decided.places[kitEnd] = { ...doneBy(written), value: { closed: 'cap' } }
    }
    for (const { key, place } of written.mounts) {
      const mounted = { ...doneBy(written), place, trial: false }
      const held = { ...doneBy(written), value: place }
      if (key === '') {
        state.mounted = mounted
        state.decided.held = held
      } else {
        state.mountedOf[key] = mounted
        state.decided.kits = { ...state.decided.kits, [key]: { held } }
      }
    }
    for (const { part, passages } of written.routes) state.routes[part] = { ...doneBy(written), passages }
    for (const { setting, value } of written.settings) state.settings[setting] = { ...doneBy(written), value }
    return null
  },
  place: () => 'take-in',
  words: ({ purpose, connections }) =>
    `${purposeNames[purpose]}: began with ${connections.length === 0 ? 'nothing joined' : `${connections.length} connections that were there`}`,
})

/** A cavity of the machine with a wire in it. */
function woundRefs({ machine }: DossierPair, { connector, cavity }: Wound): Problem[] {
  const plug = known(machine.connectors, connector, 'connector', `plug of the ${machine.model}`)
  if (plug.length > 0 || machineIndex(machine).wireInCavity.has(cavityKey(connector, cavity))) return plug
  return [
    {
      code: 'unknown-reference',
      path: 'cavity',
      message: `Cavity ${cavity} of ${inSentence(plugName(machine, connector))} has no wire.`,
    },
  ]
}

function plugName(machine: Machine, connector: ConnectorId): string {
  return machineIndex(machine).connectors.get(connector)?.name ?? connector
}

/** A wire that was pierced or bared is closed again. */
export const punctureSealed = entry({
  kind: 'puncture-sealed',
  refs: woundRefs,
  apply(state, written) {
    const under = state.connections.some(({ to }) => 'cavity' in to && sameWound(to, written))
    if (under) return 'Something is joined there still: take it off first.'
    const { connector, cavity, how } = written
    state.sealed = [
      ...state.sealed.filter((item) => !sameWound(item, written)),
      { ...doneBy(written), connector, cavity, how },
    ]
    for (const found of state.found)
      if (found.what === 'puncture' && isAt(found.about, written)) found.dealt ??= { ...doneBy(written), how }
    return null
  },
  place: () => 'hook-up',
  words: ({ connector, cavity, how }, { machine }) =>
    `Sealed at ${inSentence(plugName(machine, connector))}, cavity ${cavity}: ${how}`,
})

/** A wire that was cut is whole again. */
export const cutJoined = entry({
  kind: 'cut-joined',
  refs: woundRefs,
  apply(state, written) {
    const under = state.connections.some(({ to }) => 'cavity' in to && sameWound(to, written))
    if (under) return 'A half of it is joined to the kit still: take it off first.'
    const { connector, cavity, how } = written
    state.joined = [
      ...state.joined.filter((item) => !sameWound(item, written)),
      { ...doneBy(written), connector, cavity, how },
    ]
    for (const found of state.found)
      if ((found.what === 'cut wire' || found.own) && isAt(found.about, written))
        found.dealt ??= { ...doneBy(written), how }
    return null
  },
  place: () => 'hook-up',
  words: ({ connector, cavity, how }, { machine }) =>
    `Wire whole again at ${inSentence(plugName(machine, connector))}, cavity ${cavity}: ${how}`,
})

function isAt(about: { connector?: ConnectorId; cavity?: number } | undefined, wound: Wound): boolean {
  return about?.connector === wound.connector && about.cavity === wound.cavity
}

/** Kilometres, miles or hours at this visit. */
export const meterRead = entry({
  kind: 'meter-read',
  apply(state, { value, unit, ...head }) {
    state.meter = { ...doneBy(head), value, unit }
    return null
  },
  place: () => 'take-in',
  words: (reading) => `Meter: ${meterWords(reading)}`,
})

export const vehicleEntries = [opened, punctureSealed, cutJoined, meterRead]
