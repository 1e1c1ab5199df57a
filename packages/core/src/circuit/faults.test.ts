import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { machineIndex, type Kit, type Machine, type Wire, type CavityPlace } from '../dossiers/index.ts'
import { plannedConnections, proposeMatches, type Connection } from '../wiring/index.ts'
import { fittings, shippedKit, shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { buildCircuit } from './buildCircuit.ts'
import { busOf, sensorOf, type Sensor } from './sensorCase.ts'
import type { CircuitFault, CircuitOptions, FittedKit, ProbePlace } from './model.ts'

const negative = ({ studs, nets }: Machine): ProbePlace => {
  const post = studs.find((stud) => nets.find((net) => net.id === stud.net)?.signal === 'power-ground')
  if (!post) throw new Error('no ground stud')
  return { stud: post.id }
}

const withSensor = shippedMachines.map((machine) => ({ name: machine.id, sensor: sensorOf(machine) }))

/** Volts at a cavity against battery negative, on a machine without a kit. */
function volts(
  { machine }: Pick<Sensor, 'machine'>,
  red: ProbePlace,
  faults: CircuitFault[],
  state: CircuitOptions['state'] = 'key on',
  fitted: FittedKit[] = [],
): number {
  const shown = buildCircuit(machine, fitted, { state, faults }).reading(red, negative(machine))
  return shown.kind === 'volts' ? shown.volts : Number.NaN
}
const device = (pin: CavityPlace): ProbePlace => ({ ...pin, half: 'device' })

describe.each(withSensor)('a sensor on a reference, $name', ({ sensor }) => {
  const { pin, share, tracks } = sensor
  const broken = (wire: Wire): CircuitFault[] => [{ kind: 'wire', wire: wire.id, ohms: null }]

  test('in order: its share of 5 V, ground near nothing', () => {
    expect(volts(sensor, pin('signal'), [])).toBeCloseTo(5 * share, 1)
    expect(volts(sensor, pin('ground'), [])).toBeLessThan(0.05)
  })

  test('ground broken: the signal goes to the reference, and so does the ground pin itself', () => {
    expect(volts(sensor, pin('signal'), broken(sensor.ground))).toBeGreaterThan(4.6)
    expect(volts(sensor, pin('ground'), broken(sensor.ground))).toBeGreaterThan(4.6)
  })

  test('reference broken: the signal falls to nothing', () => {
    expect(volts(sensor, pin('signal'), broken(sensor.reference))).toBeLessThan(0.05)
    expect(volts(sensor, pin('reference'), broken(sensor.reference))).toBeLessThan(0.05)
  })

  test('signal wire broken: right at the sensor, nothing at the control unit', () => {
    expect(volts(sensor, device(pin('signal')), broken(sensor.signal))).toBeCloseTo(5 * share, 1)
    const { placesOfNet, connectors } = machineIndex(sensor.machine)
    const unit = placesOfNet.get(sensor.signal.net)?.find(({ connector }) => connectors.get(connector)?.ecu)
    if (unit)
      expect(
        Math.abs(volts(sensor, { connector: unit.connector, cavity: unit.cavity }, broken(sensor.signal))),
      ).toBeLessThan(0.05)
  })

  test('200 Ω in the ground joint lifts the signal by their share', () => {
    const lifted = volts(sensor, pin('signal'), [{ kind: 'wire', wire: sensor.ground.id, ohms: 200 }])
    const ground = (5 * tracks * 200) / (4000 + tracks * 200)
    expect(lifted).toBeCloseTo(ground + share * (5 - ground), 1)
    expect(lifted).toBeGreaterThan(5 * share + 0.03)
  })

  test('a kilo-ohm in the signal contact hardly shows: the input takes next to nothing', () => {
    const at: CircuitFault = { kind: 'contact', ...pin('signal'), ohms: 1000 }
    expect(Math.abs(volts(sensor, pin('signal'), [at]) - 5 * share)).toBeLessThan(0.05)
  })

  test('signal touching ground reads nothing, touching the reference five', () => {
    const touch = (what: 'ground' | 'reference'): CircuitFault => ({
      kind: 'touch',
      from: pin('signal'),
      to: pin(what),
      ohms: 0.1,
    })
    expect(volts(sensor, pin('signal'), [touch('ground')])).toBeLessThan(0.05)
    expect(volts(sensor, pin('signal'), [touch('reference')])).toBeGreaterThan(4.9)
  })

  test('an open contact at the plug: dead at the loom, alive at the device', () => {
    const open: CircuitFault = { kind: 'contact', ...pin('signal'), ohms: null }
    expect(Math.abs(volts(sensor, pin('signal'), [open]))).toBeLessThan(0.05)
    expect(volts(sensor, device(pin('signal')), [open])).toBeCloseTo(5 * share, 1)
  })

  test('with the battery off it is resistance: the divider between reference and ground', () => {
    const circuit = buildCircuit(sensor.machine, [], { state: 'battery off' })
    const shown = circuit.reading(device(pin('reference')), device(pin('ground')))
    expect(shown.kind).toBe('ohms')
    if (shown.kind === 'ohms') expect(shown.ohms).toBeLessThan(4001)
  })
})

describe.each(shippedMachines.map((machine) => ({ name: machine.id, machine })))(
  'supplies and bus, $name',
  ({ machine }) => {
    const { placesOfNet } = machineIndex(machine)
    const supply = machine.nets.find(
      ({ id, signal, role }) =>
        signal === 'supply-switched' && role === 'supply' && (placesOfNet.get(id)?.length ?? 0) > 1,
    )

    test('a supply that is dead reads nothing with the key on, one that sticks is live with the key off', () => {
      if (!supply) throw new Error('no switched supply')
      const [place] = placesOfNet.get(supply.id) ?? []
      const pin = { connector: place.connector, cavity: place.cavity }
      const fault = (live: boolean): CircuitFault[] => [{ kind: 'supply', net: supply.id, live }]
      expect(volts({ machine }, pin, fault(false))).toBeLessThan(0.3)
      expect(volts({ machine }, pin, [])).toBeGreaterThan(11)
      expect(volts({ machine }, pin, fault(true), 'key off')).toBeGreaterThan(11)
    })

    test('one end of the bus off is 120 Ω, its wires touching nearly none', () => {
      const bus = busOf(machine)
      if (!bus) return
      const { unit, socket } = bus
      const ohms = (faults: CircuitFault[]) => {
        const circuit = buildCircuit(machine, [], { state: 'battery off', faults })
        const at = (cavity: number): ProbePlace => ({ connector: socket.connector.id, cavity })
        const shown = circuit.reading(at(socket.high), at(socket.low))
        return shown.kind === 'ohms' ? shown.ohms : Number.NaN
      }
      expect(ohms([])).toBeGreaterThan(55)
      expect(ohms([])).toBeLessThan(65)
      expect(ohms([{ kind: 'contact', connector: unit.connector.id, cavity: unit.high, ohms: null }])).toBeCloseTo(
        120,
        -1,
      )
      const at = (cavity: number): ProbePlace => ({ connector: unit.connector.id, cavity })
      expect(ohms([{ kind: 'touch', from: at(unit.high), to: at(unit.low), ohms: 0.2 }])).toBeLessThan(2)
    })
  },
)

describe('a loom joined otherwise than planned', () => {
  const planned = (machine: Machine, kit: Kit) => plannedConnections(machine, kit, proposeMatches(machine, kit))
  const ute = shippedMachine('hallam-voss-shieling-21')
  const d3 = shippedKit('thistle-d3')
  const rail: CavityPlace = { connector: ref('rail'), cavity: 2 }

  test('one side of a pair open: the factory plug hears nothing while the sensor itself is right', () => {
    const all = planned(ute, d3)
    const only = (side: 'factory' | 'device') =>
      all.flatMap((made): Connection[] => {
        if (made.kitEnd !== 'rail') return [made]
        if (!('connector' in made.to) || 'cavity' in made.to) return []
        return made.to.side === undefined || made.to.side === side
          ? [{ ...made, to: { connector: ref('rail'), side } }]
          : []
      })
    const read = (connections: Connection[]) => volts({ machine: ute }, rail, [], 'key on', [{ kit: d3, connections }])
    expect(read(all)).toBeCloseTo(0.525, 1)
    expect(Math.abs(read(only('factory')))).toBeLessThan(0.1)
    expect(Math.abs(read(only('device')))).toBeLessThan(0.1)
  })

  test('a pair mated to itself with the factory plug back on: all reads right, only the module hears nothing', () => {
    const bypassed = planned(ute, d3).filter((made) => made.kitEnd !== 'rail')
    const read = volts({ machine: ute }, rail, [], 'key on', [
      { kit: d3, connections: [...bypassed, { kitEnd: ref('rail'), to: { kitEnd: ref('rail') } }] },
    ])
    expect(read).toBeCloseTo(0.525, 1)
  })

  test('halves of a cut wire swapped: nothing comes to the control unit', () => {
    const saloon = shippedMachine('corvane-marlow-29')
    const a2 = shippedKit('thistle-a2')
    const right = planned(saloon, a2)
    const { placesOfNet, connectors, nets } = machineIndex(saloon)
    const net = [...nets.values()].find(({ role }) => role === 'airflow')
    const unit = net && placesOfNet.get(net.id)?.find(({ connector }) => connectors.get(connector)?.ecu)
    if (!unit) throw new Error('no airflow input')
    const pin = { connector: unit.connector, cavity: unit.cavity }
    const read = (connections: Connection[]) =>
      volts({ machine: saloon }, pin, [], 'key on', [{ kit: a2, connections }])
    const swapped = right.map((made): Connection => {
      if (!/^maf-/.test(made.kitEnd) || !('cavity' in made.to)) return made
      return { ...made, to: { ...made.to, half: made.kitEnd === 'maf-in' ? 'ecu' : 'device' } }
    })
    expect(read(right)).toBeCloseTo(1, 1)
    expect(Math.abs(read(swapped))).toBeLessThan(0.1)
  })

  test('power ground of the module open: its ground rises towards its feed', () => {
    const all = planned(ute, d3)
    const lead = (connections: Connection[]) =>
      volts({ machine: ute }, { kitEnd: ref('ground') }, [], 'key on', [{ kit: d3, connections }])
    expect(Math.abs(lead(all))).toBeLessThan(0.02)
    expect(lead(all.filter((made) => made.kitEnd !== 'ground'))).toBeGreaterThan(6)
  })

  test('what a sensor draws over its ground lead lifts its reference when both share it, and not when they do not', () => {
    for (const { machine, kit } of fittings) {
      const heater = kit.ends.find((end) => end.type !== 'port' && 'wants' in end && end.wants.role === 'heater')
      if (!heater) continue
      const all = planned(machine, kit)
      const circuit = buildCircuit(machine, [{ kit, connections: all }], { state: 'idling' })
      for (const end of kit.ends)
        if ((end.type === 'flying-lead' || end.type === 'ring') && end.reference) {
          const shown = circuit.reading({ kitEnd: end.id }, negative(machine))
          if (shown.kind === 'volts') expect(Math.abs(shown.volts)).toBeLessThan(0.05)
        }
    }
  })

  test('a probe that is nowhere is said', () => {
    const circuit = buildCircuit(ute, [], { state: 'key on' })
    expect(() => circuit.reading({ stud: ref('moon') }, negative(ute))).toThrow('"stud moon" is not in this circuit')
  })
})
