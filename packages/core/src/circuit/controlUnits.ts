import type { Machine, Net } from '../dossiers/index.ts'
import { thermistorRoles, workingVolts } from './deviceFigures.ts'
import { drawTerminator } from './deviceParts.ts'
import { pinsOf, type Drawn, type Pin } from './machineParts.ts'

/** What is behind the pins of the control units: grounds, references, pull-ups and inputs. */
export function drawControlUnits(drawn: Drawn): void {
  const { machine, busEnds } = drawn
  const devices = [...new Set(machine.connectors.flatMap((item) => (item.ecu ? [item.device] : [])))]
  for (const device of devices) {
    const plugs = machine.connectors.filter((connector) => connector.ecu && connector.device === device)
    const pins = plugs.flatMap((connector) => pinsOf(machine, connector))
    drawUnit(drawn, `unit ${device}`, pins)
    if (plugs.some(({ id }) => busEnds.includes(id))) drawTerminator(drawn, pins)
  }
}

/** It works once a feed that the key switches stands over its own ground; one that is never switched works on any. */
function isAtWork({ before }: Drawn, unit: string, pins: readonly Pin[]): boolean {
  const switched = pins.filter(({ net }) => net.signal === 'supply-switched')
  const feeds = switched.length > 0 ? switched : pins.filter(({ net }) => net.signal === 'supply-always')
  return feeds.some(({ node }) => before(node, unit) > workingVolts)
}

/** One control unit, or what stands in its place. @param unit its own ground */
export function drawUnit(drawn: Drawn, unit: string, pins: readonly Pin[]): void {
  const { draw, state, machine } = drawn
  const atWork = state !== 'battery off' && isAtWork(drawn, unit, pins)
  const inside = `${unit} 5 V`
  if (atWork) draw.source(inside, unit, 5, 0.2)
  const pull = (node: string, ohms: number) => draw.resistor(node, inside, atWork ? ohms : null)
  for (const { net, node } of pins)
    switch (net.signal) {
      case 'power-ground':
        draw.resistor(node, unit, 0.003)
        break
      case 'sensor-ground':
        draw.resistor(node, unit, 0.02)
        break
      case 'supply-always':
        // With the key off it sleeps.
        draw.resistor(node, unit, state === 'key off' ? 10_000 : 60)
        break
      case 'supply-switched':
        draw.resistor(node, unit, 60)
        break
      case 'reference-5v':
        drawReference(drawn, node, unit, atWork)
        break
      case 'analogue-0-5':
        draw.resistor(node, unit, 200_000)
        if (net.role === 'knock' && atWork) draw.source(node, unit, 2.5, 10_000)
        if (isPulledUp(machine, net)) pull(node, 2500)
        break
      case 'frequency':
        if (servedBeside(machine).supply.has(net.id)) pull(node, 2200)
        else draw.resistor(node, unit, 10_000)
        break
      case 'switch':
        pull(node, 1000)
        break
      case 'data-line': {
        const feed = pins.find(({ net: other }) => other.signal.startsWith('supply'))
        if (feed && atWork) draw.resistor(node, feed.node, 1000)
        break
      }
      case 'bus-high':
        if (atWork) draw.source(node, unit, 2.9, 100)
        break
      case 'bus-low':
        if (atWork) draw.source(node, unit, 2.1, 100)
        break
      default:
        draw.resistor(node, unit, 1e6)
    }
}

/** A reference gives 5 V, up to what it can: shorted it folds back, pushed above itself it takes nothing. */
function drawReference({ draw, before, references }: Drawn, node: string, unit: string, atWork: boolean): void {
  if (!atWork) return draw.resistor(node, unit, 10_000)
  const known = references.get(node)
  const volts = before(node, unit)
  const now =
    known !== 'holds' ? (known ?? 'holds') : volts < foldsBelowV ? 'folded' : volts > pushedAboveV ? 'pushed' : 'holds'
  references.set(node, now)
  draw.source(node, unit, 5, referenceOhms[now])
}
/** 0.3 Ω holds it within 0.15 V up to half an ampere; folded it gives 0.1 A; pushed, next to nothing flows back. */
const referenceOhms = { holds: 0.3, folded: 50, pushed: 10_000 }
const [foldsBelowV, pushedAboveV] = [4.85, 5.15]

/** A sensor that is a mere resistor gets its current from the control unit. */
function isPulledUp(machine: Machine, net: Net): boolean {
  if (thermistorRoles.includes(net.role)) return true
  if (['oxygen', 'wideband', 'airflow', 'level', 'lamp', 'knock'].includes(net.role)) return false
  return !servedBeside(machine).reference.has(net.id)
}

interface ServedBeside {
  /** Circuits that have a 5 V reference beside them in the plug of their device. */
  reference: ReadonlySet<string>
  /** Or a reference or a supply: a pick-up with one switches, one without is a coil. */
  supply: ReadonlySet<string>
}
const known = new WeakMap<Machine, ServedBeside>()

function servedBeside(machine: Machine): ServedBeside {
  const found = known.get(machine)
  if (found) return found
  const [reference, supply] = [new Set<string>(), new Set<string>()]
  for (const connector of machine.connectors) {
    if (connector.ecu) continue
    const nets = pinsOf(machine, connector).map((pin) => pin.net)
    const has = (signals: readonly string[]) => nets.some((net) => signals.includes(net.signal))
    if (has(['reference-5v'])) for (const net of nets) reference.add(net.id)
    if (has(['reference-5v', 'supply-switched', 'supply-always'])) for (const net of nets) supply.add(net.id)
  }
  const made = { reference, supply }
  known.set(machine, made)
  return made
}
