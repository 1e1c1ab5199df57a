import { machineIndex, type ConnectorId, type Machine, type MeterState, type NetId } from '../dossiers/index.ts'
import { connectorLookalikes, type MeterCard, type MeterPlace } from '../wiring/index.ts'
import { buildCircuit, type Circuit } from './buildCircuit.ts'
import type { FittedKit } from './model.ts'

/** Another wire within reach whose reading would pass for the right one. */
export interface AlikeWire {
  connector: ConnectorId
  cavity: number
  net: NetId
  /** What a meter shows there in the card's state, V. */
  volts: number
  /** A state in which the two read apart, V; null where no state does. */
  tell: { state: MeterState; own: number; other: number } | null
}

/** What the circuit gives for a card. */
export interface MeterFigure {
  card: string
  /** With the kit joined as planned, V or Ω as the card's unit; null where it is no such figure or floats. */
  planned: number | null
  /** As it is joined now. */
  built: number | null
  alike: AlikeWire[]
}

/** The nearer ones need less: no engine is turned where the key alone tells. */
const tellingStates: readonly MeterState[] = ['key off', 'key on', 'key on, fully open', 'cranking', 'idling']

/**
 * What each card's reading is by the circuit, as planned and as joined now, and which other wires in the same plug, or at the same
 * cavity of a plug that looks like it, would give a figure within the card's range.
 */
export function meterFigures(
  machine: Machine,
  planned: readonly FittedKit[],
  built: readonly FittedKit[],
  cards: readonly MeterCard[],
): MeterFigure[] {
  const asPlanned = circuits(machine, planned)
  const asBuilt = circuits(machine, built)
  return cards.map((card): MeterFigure => {
    if (!isComputed(card)) return { card: card.id, planned: null, built: null, alike: [] }
    const own = card.phase === 'prove' ? asPlanned : asBuilt
    return {
      card: card.id,
      planned: figureOf(asPlanned(card.state), card.red, card.black),
      built: figureOf(asBuilt(card.state), card.red, card.black),
      alike: card.expect.unit === 'V' ? alikeWires(machine, card, own) : [],
    }
  })
}

/** A dead-check, an alternating voltage or a frequency is none of a resting circuit. */
function isComputed({ expect, barred }: MeterCard): boolean {
  if (barred !== undefined) return false
  return expect.unit === 'ohm' || (expect.unit === 'V' && expect.state !== 'battery off')
}

type CircuitIn = (state: MeterState) => Circuit

function circuits(machine: Machine, fitted: readonly FittedKit[]): CircuitIn {
  const known = new Map<MeterState, Circuit>()
  return (state) => {
    const circuit = known.get(state) ?? buildCircuit(machine, fitted, { state })
    known.set(state, circuit)
    return circuit
  }
}

function figureOf(circuit: Circuit, red: MeterPlace, black: MeterPlace): number | null {
  const shown = circuit.reading(red, black)
  switch (shown.kind) {
    case 'volts':
      return shown.volts
    case 'ohms':
      return shown.ohms
    case 'floating':
      return null
  }
}

function alikeWires(machine: Machine, card: MeterCard, circuitIn: CircuitIn): AlikeWire[] {
  const { red, black, state, expect } = card
  if (!('connector' in red)) return []
  const { wiresOf } = machineIndex(machine)
  const at = (connector: ConnectorId) => wiresOf.get(connector) ?? []
  const wanted = at(red.connector).find(({ cavity }) => cavity === red.cavity)?.wire.net
  const beside = at(red.connector).map(({ cavity, wire }) => ({
    connector: red.connector,
    cavity,
    net: wire.net,
    black,
  }))
  const elsewhere = connectorLookalikes(machine, red.connector).flatMap(({ connector }) =>
    at(connector)
      .filter(({ cavity }) => cavity === red.cavity)
      .map(({ cavity, wire }) => ({ connector, cavity, net: wire.net, black: thereOf(black, red, connector) })),
  )
  return [...beside, ...elsewhere]
    .filter(({ net }) => net !== wanted)
    .flatMap(({ black: held, ...place }): AlikeWire[] => {
      if (held === null) return []
      const volts = figureOf(circuitIn(state), place, held)
      if (volts === null || volts < expect.low || volts > expect.high) return []
      return [{ ...place, volts, tell: tellApart(card, place, held, circuitIn) }]
    })
    .sort((a, b) => nearness(red, a) - nearness(red, b))

  /** The black lead at the other plug, where it is held within the plug. */
  function thereOf(place: MeterPlace, own: { connector: ConnectorId }, connector: ConnectorId): MeterPlace | null {
    if (!('connector' in place) || place.connector !== own.connector) return place
    return at(connector).some(({ cavity }) => cavity === place.cavity) ? { connector, cavity: place.cavity } : null
  }
}

function nearness(red: { connector: ConnectorId; cavity: number }, other: AlikeWire): number {
  return (other.connector === red.connector ? 0 : 1000) + Math.abs(other.cavity - red.cavity)
}

/** Less than this nobody calls a difference; this much nobody misses, V. */
const [leastApartV, clearlyApartV] = [0.2, 0.5]

function tellApart(card: MeterCard, other: MeterPlace, black: MeterPlace, circuitIn: CircuitIn): AlikeWire['tell'] {
  let best: AlikeWire['tell'] = null
  let apartV = leastApartV
  for (const state of tellingStates) {
    if (state === card.state) continue
    const own = figureOf(circuitIn(state), card.red, card.black)
    const theirs = figureOf(circuitIn(state), other, black)
    if (own === null || theirs === null || Math.abs(own - theirs) < apartV) continue
    best = { state, own, other: theirs }
    apartV = Math.abs(own - theirs)
    if (apartV >= clearlyApartV) break
  }
  return best
}
