import { deviceRole, handsOn, looksOn, type Connector, type Machine } from '../dossiers/index.ts'
import {
  airflowVolts,
  isClosed,
  loadOhms,
  outputShare,
  thermistorOhms,
  thermistorRoles,
  workingVolts,
} from './deviceFigures.ts'
import { ground } from './drawNetwork.ts'
import { pinsOf, type Drawn, type Pin } from './machineParts.ts'

const isFeed = ({ net }: Pin) => net.signal === 'supply-switched' || net.signal === 'supply-always'
const isGround = ({ net }: Pin) => net.signal === 'sensor-ground' || net.signal === 'power-ground'
const isByWire = (machine: Machine) => machine.nets.some((net) => net.role === 'throttle-motor')

/** The pin of a kind that stands nearest in the plug. */
function nearest(pins: readonly Pin[], to: Pin, wanted: (pin: Pin) => boolean): Pin | undefined {
  return pins
    .filter((pin) => pin !== to && wanted(pin))
    .sort((a, b) => Math.abs(a.cavity - to.cavity) - Math.abs(b.cavity - to.cavity))[0]
}

/** Sensors, loads and switches: what is behind each plug of the machine that is no control unit. */
export function drawDevices(drawn: Drawn): void {
  for (const connector of drawn.machine.connectors) {
    if (connector.ecu || connector.mates !== undefined) continue
    const pins = pinsOf(drawn.machine, connector)
    for (const pin of pins) drawPin(drawn, connector, pins, pin)
    if (drawn.busEnds.includes(connector.id)) drawTerminator(drawn, pins)
  }
}

/** Two resistors of 120 Ω, one at either end of the bus; the other is in the control unit. */
export function drawTerminator({ draw }: Drawn, pins: readonly Pin[]): void {
  const high = pins.find(({ net }) => net.signal === 'bus-high')
  const low = pins.find(({ net }) => net.signal === 'bus-low')
  if (high && low) draw.resistor(high.node, low.node, 120)
}

function drawPin(drawn: Drawn, connector: Connector, pins: readonly Pin[], pin: Pin): void {
  const { draw, state } = drawn
  const { net, node } = pin
  const back = nearest(pins, pin, ({ net: other }) => other.signal === 'sensor-ground') ?? nearest(pins, pin, isGround)
  // Coils and pick-ups live from what the key switches, where there is a choice.
  const feed =
    nearest(pins, pin, ({ net: other }) => other.signal === 'supply-switched') ??
    // The thick wire of a starter does not feed its solenoid.
    (net.role === 'start' ? undefined : nearest(pins, pin, isFeed))
  switch (net.signal) {
    case 'analogue-0-5':
      if (looksOn(connector)) drawGauge(drawn, pins, node, back?.node ?? ground)
      else drawSensor(drawn, pins, pin, back?.node ?? ground)
      return
    case 'frequency': {
      const supply = feed ?? nearest(pins, pin, (other) => other.net.signal === 'reference-5v')
      // A pick-up that switches draws its pull-up down half of the time while something turns; a coil is a coil.
      if (supply) draw.resistor(node, back?.node ?? ground, state === 'cranking' || state === 'idling' ? 2200 : 100_000)
      else
        draw.resistor(
          node,
          nearest(pins, pin, (other) => other.net.signal === 'frequency' || isGround(other))?.node ?? ground,
          420,
        )
      return
    }
    case 'injector-drive':
    case 'coil-drive':
    case 'low-side-drive':
    case 'motor-drive': {
      const other =
        feed ?? nearest(pins, pin, ({ net: to }) => to.signal === net.signal && to.cylinder === net.cylinder)
      if (other) draw.resistor(node, other.node, deviceRole(connector) === 'relay' ? 80 : loadOhms(net.role))
      return
    }
    case 'supply-switched':
    case 'supply-always': {
      const to = nearest(pins, pin, ({ net: other }) => other.signal === 'power-ground')
      // What is never switched off feeds a memory and little else.
      const ohms = net.signal === 'supply-always' ? 2000 : loadOhms(net.role)
      if (!handsOn(connector) && to) draw.resistor(node, to.node, ohms)
      // What is switched off is not quite cut off: a film of damp on the box.
      else if (net.signal === 'supply-switched') draw.resistor(node, ground, 100_000)
      return
    }
    case 'switch':
      if (!looksOn(connector) && isClosed(net.role, state)) draw.resistor(node, back?.node ?? ground, 0.3)
      return
    case 'sensor-ground': {
      // A unit that reads pick-ups of its own grounds their returns.
      const to = nearest(pins, pin, ({ net: other }) => other.signal === 'power-ground')
      if (looksOn(connector) && to) draw.resistor(node, to.node, 0.02)
      return
    }
    case 'data-line':
      if (looksOn(connector) && net.role !== 'airbag') {
        const live = liveFeed(drawn, pins, back?.node ?? ground)
        if (live) draw.resistor(node, live.node, 2200)
      }
      return
    default:
  }
}

/** A feed of the plug that is live over its ground. */
function liveFeed({ before }: Drawn, pins: readonly Pin[], back: string): Pin | undefined {
  return pins.find((pin) => isFeed(pin) && before(pin.node, back) > workingVolts)
}

/** An instrument lets a small current through the sender it reads. */
function drawGauge(drawn: Drawn, pins: readonly Pin[], node: string, back: string): void {
  drawn.draw.resistor(node, back, 100_000)
  if (liveFeed(drawn, pins, back)) drawn.draw.source(node, back, 5, 200)
}

function drawSensor(drawn: Drawn, pins: readonly Pin[], pin: Pin, back: string): void {
  const { draw, state, machine } = drawn
  const { net, node } = pin
  if (thermistorRoles.includes(net.role)) {
    draw.resistor(node, back, thermistorOhms(net.role, state))
    return
  }
  if (net.role === 'oxygen' || net.role === 'wideband') {
    // Cold it is nearly an insulator; at work it makes its own voltage.
    if (state === 'idling') draw.source(node, back, 0.45, 5000)
    else draw.resistor(node, back, 5e6)
    return
  }
  if (net.role === 'knock') {
    draw.resistor(node, back, 1e6)
    return
  }
  if (net.role === 'airflow') {
    if (liveFeed(drawn, pins, back)) draw.source(node, back, airflowVolts(state), 300)
    else draw.resistor(node, back, 1000)
    return
  }
  const reference = nearest(pins, pin, (other) => other.net.signal === 'reference-5v')
  const share = outputShare(net, isByWire(machine), state)
  // A sensor on a reference is a divider: without its ground it goes to the reference, without its reference to ground.
  if (reference) draw.resistor(node, reference.node, 4000 * (1 - share))
  const sender = net.role === 'level' || net.role === 'lamp' ? 100 : 2500
  draw.resistor(node, back, reference ? 4000 * share : sender)
}
