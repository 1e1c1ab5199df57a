import {
  machineIndex,
  sourceOf,
  surfacesOf,
  zoneOfPlace,
  type Connector,
  type ConnectorId,
  type Machine,
  type MeterState,
  type Net,
  type Wire,
  type WirePlace,
} from '../dossiers/index.ts'
import { runResistanceOhm } from '../electrical/index.ts'
import { batteryVolts, isLive } from './deviceFigures.ts'
import { devicePin, ground, loomPin, sourceFlow, spliceNode, studNode, wireAtPin, type Drawing } from './drawNetwork.ts'
import type { CircuitFault } from './model.ts'

/** A pin of a device with its circuit. */
export interface Pin {
  cavity: number
  net: Net
  node: string
}

/** What everything that is drawn is told. */
export interface Drawn {
  machine: Machine
  draw: Drawing
  state: MeterState
  faults: readonly CircuitFault[]
  /** How each 5 V reference stands, from pass to pass. */
  references: Map<string, 'holds' | 'folded' | 'pushed'>
  /** What a node had over another at the pass before, V; 0 at the first. */
  before: (plus: string, minus: string) => number
  /** Plugs whose devices end the bus. */
  busEnds: readonly ConnectorId[]
  /** Cavities whose factory plug is not on its device. */
  apart: ReadonlySet<string>
  /** Cavities whose wire is cut behind the terminal. */
  cut: ReadonlySet<string>
}

/** A crimped and mated contact of good quality, Ω. */
export const contactOhms = 0.007
const crimpOhms = 0.0005
const conductorC = 40
/** A wire between points that are not written down, m. */
const someLengthM = 0.5

export const cavityName = (connector: ConnectorId, cavity: number) => `${connector} ${cavity}`

/** Pins of a plug's device, in order of their cavities. */
export function pinsOf(machine: Machine, connector: Connector): readonly Pin[] {
  const ofMachine = pinsKnown.get(machine) ?? new Map<string, readonly Pin[]>()
  pinsKnown.set(machine, ofMachine)
  const found = ofMachine.get(connector.id)
  if (found) return found
  const { wiresOf, nets } = machineIndex(machine)
  const pins = (wiresOf.get(connector.id) ?? []).flatMap(({ cavity, wire }) => {
    const net = nets.get(wire.net)
    return net ? [{ cavity, net, node: devicePin(connector.id, cavity) }] : []
  })
  ofMachine.set(connector.id, pins)
  return pins
}
const pinsKnown = new WeakMap<Machine, Map<string, readonly Pin[]>>()

/** Of a length of copper at 40 °C, Ω. */
export function wireOhms(lengthM: number, areaMm2: number): number {
  return runResistanceOhm(lengthM, areaMm2, conductorC)
}

/** Wires of the factory loom, terminals, contacts, studs and supplies. */
export function drawLoom(drawn: Drawn): void {
  const { machine, draw, faults } = drawn
  for (const wire of machine.wires) {
    const fault = faults.find((item) => item.kind === 'wire' && item.wire === wire.id)
    const more = fault?.kind === 'wire' ? fault.ohms : 0
    const ohms = more === null ? null : wireOhms(wireLengthM(machine, wire), wire.areaMm2) + more
    draw.resistor(placeNode(wire.from), placeNode(wire.to), ohms)
  }
  for (const connector of machine.connectors)
    for (const { cavity } of pinsOf(machine, connector)) {
      const name = cavityName(connector.id, cavity)
      draw.resistor(
        wireAtPin(connector.id, cavity),
        loomPin(connector.id, cavity),
        drawn.cut.has(name) ? null : crimpOhms,
      )
      const fault = faults.find(
        (item) => item.kind === 'contact' && item.connector === connector.id && item.cavity === cavity,
      )
      const more = fault?.kind === 'contact' ? fault.ohms : 0
      const mated = drawn.apart.has(name) || more === null ? null : contactOhms + more
      // Two looms that meet have no device between them; each contact is drawn from one side.
      if (connector.mates === undefined)
        draw.resistor(loomPin(connector.id, cavity), devicePin(connector.id, cavity), mated)
      else if (connector.id < connector.mates)
        draw.resistor(loomPin(connector.id, cavity), loomPin(connector.mates, cavity), mated)
    }
  for (const stud of machine.studs) draw.node(studNode(stud.id))
  for (const net of machine.nets) drawSource(drawn, net)
}

function placeNode(place: WirePlace): string {
  if ('stud' in place) return studNode(place.stud)
  return 'splice' in place ? spliceNode(place.splice) : wireAtPin(place.connector, place.cavity)
}

/** From zone to zone, a tenth more for its way and a hand's length at the ends, m. */
function wireLengthM(machine: Machine, { from, to }: Wire): number {
  const [a, b] = [zoneOfPlace(machine, from)?.at, zoneOfPlace(machine, to)?.at]
  return a && b ? 0.15 + 1.1 * Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z) : someLengthM
}

/** Supplies begin at the battery, a fuse box, a relay or the key; grounds end at the battery. */
function drawSource(drawn: Drawn, net: Net): void {
  const { machine, draw, state, faults } = drawn
  const studs = machine.studs.filter((stud) => stud.net === net.id)
  if (net.signal === 'power-ground') {
    for (const stud of studs) {
      // With the battery off its negative hangs free; the engine and the frame are the ground then.
      const lifted = state === 'battery off' && machine.batteries?.includes(stud.id)
      draw.resistor(studNode(stud.id), ground, lifted ? null : 0.001)
    }
    const end = studs.length === 0 ? beginOf(drawn, net) : null
    if (end) draw.resistor(end, ground, 0.005)
    return
  }
  if (net.signal !== 'supply-always' && net.signal !== 'supply-switched') return
  const begin = beginOf(drawn, net)
  if (!begin) return
  const fault = faults.find((item) => item.kind === 'supply' && item.net === net.id)
  const live = fault?.kind === 'supply' ? fault.live && state !== 'battery off' : isLive(net.signal, net.role, state)
  if (live) draw.source(begin, ground, batteryVolts(machine, state), studs.length > 0 ? 0.015 : 0.04, sourceFlow)
}

function beginOf({ machine }: Drawn, net: Net): string | null {
  const source = sourceOf(machine, net, surfacesOf(machine, net))
  if (!source || 'splice' in source) return null
  return 'stud' in source ? studNode(source.stud) : devicePin(source.connector, source.cavity)
}
