import {
  inRow,
  machineIndex,
  type FlyingLead,
  type InlinePair,
  type Kit,
  type KitEnd,
  type Machine,
  type RingEnd,
  type ConnectorId,
} from '../dossiers/index.ts'
import { supplyOf } from '../electrical/index.ts'
import type { Connection } from '../wiring/index.ts'
import { drawUnit } from './controlUnits.ts'
import { drawTerminator } from './deviceParts.ts'
import { pullUpOhms, thermistorRoles, workingVolts } from './deviceFigures.ts'
import { devicePin, leadFlow, leadNode, loomPin, moduleFlow, moduleNode, studNode, wireAtPin } from './drawNetwork.ts'
import type { FittedKit } from './model.ts'
import { cavityName, contactOhms, wireOhms, type Drawn, type Pin } from './machineParts.ts'

/** A joint that was crimped, soldered or pierced well, Ω. */
const jointOhms = 0.003
/** What a module's input takes, Ω. */
const inputOhms = 1e6
const ratedVolts = 12.6
const referenceVolts = 5
/** What lives from a reference works from here up, V. */
const workingOnReferenceVolts = 3.5

/** Cavities that the connections take off their devices, and wires that they cut. */
export function parted(fitted: readonly FittedKit[]): Pick<Drawn, 'apart' | 'cut'> {
  const apart = new Set<string>()
  const cut = new Set<string>()
  for (const { kit, connections } of fitted)
    for (const { kitEnd, to } of connections) {
      const end = endOf(kit, kitEnd)
      if (!end || !('connector' in to)) continue
      if ('cavity' in to) {
        if (end.type === 'flying-lead' && end.cut) cut.add(cavityName(to.connector, to.cavity))
      } else if (end.type === 'inline-pair')
        for (const { number } of end.cavities) apart.add(cavityName(to.connector, number))
    }
  return { apart, cut }
}

function endOf(kit: Kit, id: string): KitEnd | undefined {
  return kit.ends.find((end) => end.id === id)
}

/** Looms and modules of the kits, joined as the connections say. */
export function drawKits(drawn: Drawn, fitted: readonly FittedKit[]): void {
  const rows = pairRows(fitted)
  for (const { kit, connections, fedBy = [] } of fitted) {
    const module = moduleOf(kit)
    // With the key off it sleeps, or waits.
    const takesA = drawn.state === 'key off' ? kit.module.idleMa / 1000 : Math.max(0.01, awakeA(kit))
    const ratedV = module.onReference ? referenceVolts : ratedVolts
    drawn.draw.resistor(module.supply, module.ground, ratedV / Math.max(1e-5, takesA), moduleFlow(kit.id))
    drawn.draw.resistor(module.reference, module.ground, 10_000)
    if (module.coil !== null) drawRelay(drawn, module)
    drawStandIn(drawn, module, kit, connections, rows)
    for (const end of kit.ends) {
      if (end.type === 'inline-pair' && !standsIn(end)) drawPair(drawn, module, end, connections, rows)
      else if (end.type === 'flying-lead' || end.type === 'ring') drawLead(drawn, module, end, connections)
    }
    // Behind the relay of the other: live while that one's contact is closed.
    for (const { kitEnd, kit: owner } of fedBy)
      drawn.draw.resistor(leadNode(kit.id, kitEnd), moduleNode(owner, 'supply'), jointOhms)
  }
}

/** Pairs that stand on one plug, the nearest to the factory plug first; by plug, as `kit end`. */
type PairRows = ReadonlyMap<ConnectorId, readonly string[]>

const pairName = (kit: string, end: string) => `${kit} ${end}`
/** A half of a pair, where the loom's terminal is. */
const halfNode = (pair: string, cavity: number, side: 'factory' | 'device') => `pair ${pair} ${cavity} ${side}`

/** Pairs of several kits on one plug stand in a row, each where its kit has it: factory plug, first pair, second pair, device. */
function pairRows(fitted: readonly FittedKit[]): PairRows {
  const rows = new Map<ConnectorId, { name: string; end: InlinePair }[]>()
  for (const { kit, connections } of fitted) {
    const own = new Set<ConnectorId>()
    for (const { kitEnd, to } of connections) {
      const end = endOf(kit, kitEnd)
      if (!('connector' in to) || 'cavity' in to || end?.type !== 'inline-pair') continue
      // Two pairs of one kit on one plug are a mistake, not a row.
      if (own.has(to.connector)) continue
      own.add(to.connector)
      rows.set(to.connector, [...(rows.get(to.connector) ?? []), { name: pairName(kit.id, kitEnd), end }])
    }
  }
  return new Map([...rows].map(([plug, pairs]) => [plug, inRow(pairs).map(({ name }) => name)]))
}

/** What the factory half of a pair meets: the factory plug, or the pair that stands before it. */
function beforePair(rows: PairRows, pair: string, connector: ConnectorId, cavity: number): string {
  const row = rows.get(connector) ?? []
  const before = row[row.indexOf(pair) - 1]
  return before === undefined ? loomPin(connector, cavity) : halfNode(before, cavity, 'device')
}

/** What the device half of a pair meets: the device, or the pair that stands behind it. */
function behindPair(machine: Machine, rows: PairRows, pair: string, connector: ConnectorId, cavity: number): string {
  const row = rows.get(connector) ?? []
  const at = row.indexOf(pair)
  const behind = at < 0 ? undefined : row[at + 1]
  return behind === undefined ? deviceSide(machine, connector, cavity) : halfNode(behind, cavity, 'factory')
}

/** What a module takes for itself and for what it feeds through no lead of its own, as a probe's heater, A. */
function awakeA(kit: Kit): number {
  const { continuousA, feeds } = supplyOf(kit)
  const heaters = feeds.reduce((sum, end) => sum + (isHeater(end) ? heaterA(end) : 0), 0)
  return Math.max(kit.module.supplyA, continuousA - heaters)
}

interface Module {
  kit: string
  /** It lives from the reference and the sensor ground of its pair, not from the battery. */
  onReference: boolean
  supply: string
  ground: string
  /** What it measures against. */
  reference: string
  /** Lead to the coil of its relay, and where its fused feed waits at the contact; null: it has none. */
  coil: string | null
  contact: string
  /** Something inside. */
  inside: (what: string) => string
}

function moduleOf(kit: Kit): Module {
  const inside = (what: string) => moduleNode(kit.id, what)
  const { kind, coil } = supplyOf(kit)
  return {
    kit: kit.id,
    onReference: kind === 'reference',
    supply: inside('supply'),
    ground: inside('ground'),
    reference: inside('reference'),
    coil: kind === 'relay' && coil ? coil.id : null,
    contact: inside('contact'),
    inside,
  }
}

const lengthOf = (end: KitEnd) => end.breakOutM + end.branchM

function drawLead(drawn: Drawn, module: Module, end: FlyingLead | RingEnd, connections: readonly Connection[]): void {
  const { draw } = drawn
  const lead = leadNode(module.kit, end.id)
  draw.resistor(lead, insideOf(module, end), wireOhms(lengthOf(end), end.areaMm2), leadFlow(module.kit, end.id))
  if (isHeater(end))
    draw.resistor(
      insideOf(module, end),
      module.ground,
      ratedVolts / Math.max(0.001, heaterA(end)),
      moduleFlow(module.kit),
    )
  if (end.type === 'flying-lead' && end.cut) drawAnswer(drawn, module, end)
  for (const { kitEnd, to } of connections) {
    if (kitEnd !== end.id) continue
    if ('stud' in to) draw.resistor(lead, studNode(to.stud), jointOhms)
    if ('connector' in to && 'cavity' in to) draw.resistor(lead, joinedAt(drawn.machine, end, to), jointOhms)
  }
}

/** Which side of a cut a lead is on: the half that leads to the control unit, or the one from the device. */
function joinedAt(
  machine: Machine,
  end: FlyingLead | RingEnd,
  { connector, cavity, half }: { connector: ConnectorId; cavity: number; half?: 'ecu' | 'device' },
): string {
  const cut = end.type === 'flying-lead' ? end.cut : undefined
  if (!cut) return wireAtPin(connector, cavity)
  const atUnit = machineIndex(machine).connectors.get(connector)?.ecu === true
  // At the control unit's plug its half is the terminal, at the device's plug it is the wire.
  return ((half ?? cut.half) === 'ecu') === atUnit ? loomPin(connector, cavity) : wireAtPin(connector, cavity)
}

const heaterA = (end: FlyingLead | RingEnd) => end.currentA ?? 1

/** A heater has a way of its own through the module. */
function isHeater(end: FlyingLead | RingEnd): boolean {
  return end.wants.role === 'heater' && end.wants.signal.startsWith('supply')
}

function insideOf(module: Module, end: FlyingLead | RingEnd): string {
  const { signal } = end.wants
  if (end.reference) return module.reference
  if (signal === 'power-ground' || signal === 'sensor-ground') return module.ground
  if (signal.startsWith('supply')) {
    if (isHeater(end)) return module.inside(`heater of ${end.id}`)
    if (module.coil === null) return module.supply
    return end.id === module.coil ? module.inside('coil') : module.contact
  }
  return module.inside(`input of ${end.id}`)
}

/** A relay closes while its coil has current. */
function drawRelay({ draw, before }: Drawn, module: Module): void {
  draw.resistor(module.inside('coil'), module.ground, 80, moduleFlow(module.kit))
  const pulled = before(module.inside('coil'), module.ground) > workingVolts
  draw.resistor(module.contact, module.supply, pulled ? 0.02 : null)
}

/** It works in the place of what the plug was on; what only listens there, as in the diagnostic socket, does not. */
function standsIn(end: InlinePair): boolean {
  return !end.deviceHalf && end.lines.some(({ does }) => does === 'interrupt')
}

/** A controller in the place of the control unit: behind the factory plugs is the module. */
function drawStandIn(drawn: Drawn, module: Module, kit: Kit, connections: readonly Connection[], rows: PairRows): void {
  const { wiresOf, nets } = machineIndex(drawn.machine)
  const pins = connections.flatMap(({ kitEnd, to }): Pin[] => {
    const end = endOf(kit, kitEnd)
    if (end?.type !== 'inline-pair' || !standsIn(end) || !('connector' in to) || 'cavity' in to) return []
    return (wiresOf.get(to.connector) ?? []).flatMap(({ cavity, wire }) => {
      const net = nets.get(wire.net)
      const pair = pairName(kit.id, end.id)
      const node = halfNode(pair, cavity, 'factory')
      drawn.draw.resistor(beforePair(rows, pair, to.connector, cavity), node, contactOhms)
      return net ? [{ cavity, net, node }] : []
    })
  })
  if (pins.length === 0) return
  drawUnit(drawn, module.ground, pins)
  drawTerminator(drawn, pins)
}

/** A cut signal goes in at one lead and comes out, as the module makes it, at the other; on stock unchanged. */
function drawAnswer(drawn: Drawn, module: Module, end: FlyingLead): void {
  const { draw, before } = drawn
  const own = module.inside(`input of ${end.id}`)
  if (end.cut?.half === 'device') {
    draw.resistor(own, module.ground, inputOhms)
    return
  }
  const heard = module.inside(`input of ${end.cut?.partner ?? end.id}`)
  if (works(drawn, module)) draw.source(own, module.ground, before(heard, module.ground), 100)
}

function drawPair(
  drawn: Drawn,
  module: Module,
  end: InlinePair,
  connections: readonly Connection[],
  rows: PairRows,
): void {
  const { draw, machine } = drawn
  const sides = connections.filter(({ kitEnd, to }) => kitEnd === end.id && 'connector' in to && !('cavity' in to))
  const ohms = (areaMm2: number) => wireOhms(lengthOf(end), areaMm2)
  const pair = pairName(module.kit, end.id)
  const half = (cavity: number, side: 'factory' | 'device') => halfNode(pair, cavity, side)
  // Mated to itself both halves of the loom meet, and the module hears nothing.
  const toItself = connections.some(({ kitEnd, to }) => kitEnd === end.id && 'kitEnd' in to && to.kitEnd === end.id)
  for (const { cavity, does, wants, areaMm2 } of end.lines) {
    const [factory, device] = [half(cavity, 'factory'), half(cavity, 'device')]
    if (toItself) draw.resistor(factory, device, contactOhms)
    for (const { to } of sides) {
      if (!('connector' in to) || 'cavity' in to) continue
      if (to.side !== 'device') draw.resistor(beforePair(rows, pair, to.connector, cavity), factory, contactOhms)
      if (to.side !== 'factory')
        draw.resistor(device, behindPair(machine, rows, pair, to.connector, cavity), contactOhms)
    }
    const inside = module.inside(`line ${end.id} ${cavity}`)
    if (does === 'interrupt') {
      const drives = /drive/.test(wants.signal)
      const [from, out] = drives ? [factory, device] : [device, factory]
      draw.resistor(from, inside, ohms(areaMm2))
      draw.resistor(inside, module.ground, inputOhms)
      // A sensor that is a mere resistor is asked through a pull-up of the module's own.
      if (thermistorRoles.includes(wants.role) && works(drawn, module))
        draw.source(inside, module.ground, referenceVolts, pullUpOhms)
      // A drive is answered by a switch, open as long as nothing is injected; a sensor by what it said.
      if (!drives && works(drawn, module)) draw.source(out, module.ground, drawn.before(inside, module.ground), 100)
      else draw.node(out)
      continue
    }
    draw.resistor(factory, device, 2 * ohms(areaMm2))
    if (does === 'tap') draw.resistor(device, feeds(module, wants.signal) ?? inside, ohms(areaMm2))
    if (does === 'tap' && !feeds(module, wants.signal)) draw.resistor(inside, module.ground, inputOhms)
  }
}

/** Whether it has enough to do its work. */
function works({ before }: Drawn, module: Module): boolean {
  return before(module.supply, module.ground) > (module.onReference ? workingOnReferenceVolts : workingVolts)
}

/** A tapped supply or ground is where the module lives from. */
function feeds(module: Module, signal: string): string | null {
  if (module.onReference && signal === 'reference-5v') return module.supply
  if (module.onReference && signal === 'sensor-ground') return module.ground
  if (signal === 'supply-switched' || signal === 'supply-always') return module.supply
  return signal === 'power-ground' ? module.ground : null
}

function deviceSide(machine: Machine, connector: ConnectorId, cavity: number): string {
  const mates = machineIndex(machine).connectors.get(connector)?.mates
  return mates === undefined ? devicePin(connector, cavity) : loomPin(mates, cavity)
}
