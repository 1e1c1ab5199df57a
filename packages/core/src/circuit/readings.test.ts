import { describe, expect, test } from 'vitest'
import { machineIndex, type Machine, type MeterReading, type Net, type ConnectorId } from '../dossiers/index.ts'
import { barredFromMeter, expectedReadings, plannedConnections, proposeMatches } from '../wiring/index.ts'
import { fittings, shippedMachines } from '../wiring/shippedCase.ts'
import { buildCircuit, type Circuit } from './buildCircuit.ts'
import type { FittedKit, ProbePlace } from './model.ts'

/** What the meter's last digit does not show. */
const digit = 0.005

/** Black where the cards put it: the nearest sensor ground of the plug, the other bus wire, or battery negative. */
function blackFor(
  machine: Machine,
  connector: ConnectorId,
  cavity: number,
  net: Net,
  reading: MeterReading,
): ProbePlace | null {
  const { wiresOf, nets } = machineIndex(machine)
  const beside = (signal: string) =>
    (wiresOf.get(connector) ?? [])
      .filter((item) => item.cavity !== cavity && nets.get(item.wire.net)?.signal === signal)
      .sort((a, b) => Math.abs(a.cavity - cavity) - Math.abs(b.cavity - cavity))
      .map((item): ProbePlace => ({ connector, cavity: item.cavity }))
      .at(0)
  if (reading.unit === 'ohm') return beside(net.signal === 'bus-high' ? 'bus-low' : 'bus-high') ?? null
  const sensor = net.signal === 'analogue-0-5' || net.signal === 'reference-5v'
  const post = machine.studs.find((stud) => nets.get(stud.net)?.signal === 'power-ground')
  return (sensor ? beside('sensor-ground') : undefined) ?? (post ? { stud: post.id } : null)
}

/** Every figure the dossier or general practice gives for a cavity that may be probed, against what the circuit gives. */
function compare(machine: Machine, fitted: FittedKit[]) {
  const { wiresOf, nets } = machineIndex(machine)
  const circuits = new Map<string, Circuit>()
  const off: string[] = []
  let compared = 0
  for (const connector of machine.connectors)
    for (const { cavity, wire } of wiresOf.get(connector.id) ?? []) {
      const net = nets.get(wire.net)
      if (!net || barredFromMeter(net)) continue
      for (const reading of expectedReadings(machine, net)) {
        if (reading.unit !== 'V' && reading.unit !== 'ohm') continue
        const black = blackFor(machine, connector.id, cavity, net, reading)
        if (!black) continue
        const circuit = circuits.get(reading.state) ?? buildCircuit(machine, fitted, { state: reading.state })
        circuits.set(reading.state, circuit)
        const shown = circuit.reading({ connector: connector.id, cavity }, black)
        const value = shown.kind === 'volts' ? shown.volts : shown.kind === 'ohms' ? shown.ohms : Number.NaN
        compared++
        if (!(value >= reading.low - digit && value <= reading.high + digit))
          off.push(
            `${connector.name} ${cavity}, ${net.name}, ${reading.state}: ${reading.low} to ${reading.high}, but ${value.toFixed(3)}`,
          )
      }
    }
  return { compared, off }
}

describe('what the circuit gives is what the dossiers say', () => {
  test.each(shippedMachines.map((machine) => ({ name: machine.id, machine })))(
    '$name as it left the works',
    ({ machine }) => {
      const { compared, off } = compare(machine, [])
      expect(off).toEqual([])
      expect(compared).toBeGreaterThan(50)
    },
  )

  test.each(fittings.map((fitting) => ({ ...fitting })))('$name as planned', ({ machine, kit }) => {
    const connections = plannedConnections(machine, kit, proposeMatches(machine, kit))
    expect(compare(machine, [{ kit, connections }]).off).toEqual([])
  })
})
