// What a meter shows with the usual faults on every shipped machine, and how long it takes to know.
import { buildCircuit, type CircuitFault, type ProbePlace } from '@tidy-badger/core/circuit'
import { machineIndex, type Machine, type SignalKind } from '@tidy-badger/core/dossiers'
import { plannedConnections, proposeMatches } from '@tidy-badger/core/wiring'
import { fittings, shippedMachines } from '../packages/core/src/wiring/shippedCase.ts'

const columns = [
  'in order',
  'ground open',
  'reference open',
  'signal open',
  '200 Ω in ground',
  'signal on ground',
  'signal on reference',
  'contact open',
  'reference on battery',
] as const

interface Sensor {
  name: string
  pins: Record<'reference' | 'signal' | 'ground', { connector: string; cavity: number; wire: string }>
}

/** A plug with one reference, one sensor ground and a signal between them. */
function sensorOf(machine: Machine): Sensor | null {
  const { wiresOf, nets } = machineIndex(machine)
  for (const { id, ecu, name } of machine.connectors) {
    if (ecu) continue
    const of = (signal: SignalKind) =>
      (wiresOf.get(id) ?? []).filter(({ wire }) => nets.get(wire.net)?.signal === signal)
    const [[reference], [signal], [ground]] = [of('reference-5v'), of('analogue-0-5'), of('sensor-ground')]
    if (!reference || !signal || !ground) continue
    const pin = ({ cavity, wire }: typeof reference) => ({ connector: id, cavity, wire: wire.id })
    return { name, pins: { reference: pin(reference), signal: pin(signal), ground: pin(ground) } }
  }
  return null
}

const metal: ProbePlace = { bare: 'metal' }
const placeOf = ({ connector, cavity }: { connector: string; cavity: number }): ProbePlace => ({ connector, cavity })

function faultsOf(machine: Machine, { pins }: Sensor): CircuitFault[][] {
  const { signal, reference, ground } = pins
  const wire = (id: string, ohms: number | null): CircuitFault[] => [{ kind: 'wire', wire: id, ohms }]
  const touch = (to: ProbePlace): CircuitFault[] => [{ kind: 'touch', from: placeOf(signal), to, ohms: 0.1 }]
  const post = machine.studs.find(({ net }) => machineIndex(machine).nets.get(net)?.signal === 'supply-always')
  return [
    [],
    wire(ground.wire, null),
    wire(reference.wire, null),
    wire(signal.wire, null),
    wire(ground.wire, 200),
    touch(placeOf(ground)),
    touch(placeOf(reference)),
    [{ kind: 'contact', connector: signal.connector, cavity: signal.cavity, ohms: null }],
    post ? [{ kind: 'touch', from: placeOf(reference), to: { stud: post.id }, ohms: 0.1 }] : [],
  ]
}

console.log('Volts at the signal cavity against bare metal, key on\n')
console.log(`| machine, sensor | ${columns.join(' | ')} |`)
console.log(`|---|${columns.map(() => '---:').join('|')}|`)
for (const machine of shippedMachines) {
  const sensor = sensorOf(machine)
  if (!sensor) continue
  const shown = faultsOf(machine, sensor).map((faults) => {
    const reading = buildCircuit(machine, [], { state: 'key on', faults }).reading(placeOf(sensor.pins.signal), metal)
    return reading.kind === 'volts' ? reading.volts.toFixed(2) : 'floating'
  })
  console.log(`| ${machine.model}, ${sensor.name} | ${shown.join(' | ')} |`)
}

console.log('\nBuilding and solving, with the kit as planned, ms\n')
console.log('| fitting | nodes | p50 | p95 |')
console.log('|---|---:|---:|---:|')
const share = (sorted: readonly number[], at: number) => sorted[Math.floor(at * (sorted.length - 1))].toFixed(1)
for (const { name, machine, kit } of fittings) {
  const fitted = [{ kit, connections: plannedConnections(machine, kit, proposeMatches(machine, kit)) }]
  const took: number[] = []
  let nodes = 0
  for (let i = 0; i < 25; i++) {
    const start = performance.now()
    nodes = buildCircuit(machine, fitted, { state: 'key on' }).nodes
    took.push(performance.now() - start)
  }
  const sorted = took.slice(5).sort((a, b) => a - b)
  console.log(`| ${name} | ${nodes} | ${share(sorted, 0.5)} | ${share(sorted, 0.95)} |`)
}
