import {
  machineIndex,
  wantedSupplies,
  type Machine,
  type MeterReading,
  type MeterState,
  type Net,
} from '../dossiers/index.ts'

const v = (state: MeterState, low: number, high: number): MeterReading => ({ state, unit: 'V', low, high })

/**
 * What a meter reads on a good circuit against the ground its card names, on this machine: the dossier's own figures where it has
 * them, else those of general practice for its kind and purpose, with the machine's battery and alternator. A range that no reading
 * could miss is none and is left out.
 * Source: ranges in use in the trade for 12 V machines at sea level; pressure sensors read less higher up.
 */
export function expectedReadings(machine: Machine, net: Net): MeterReading[] {
  return (net.readings ?? standardReadings(machine, net)).filter(
    ({ low, high, unit }) => !(unit === 'V' && low <= 0 && high >= 12),
  )
}

/** At rest, V (general practice): a lead battery 12.4 to 12.9, a lithium one 13.1 to 13.4. */
export function restingV({ power }: Pick<Machine, 'power'>): [number, number] {
  return power?.chemistry === 'lithium' ? [13.1, 13.5] : [12.4, 12.9]
}

function chargingV({ power }: Pick<Machine, 'power'>): [number, number] {
  return power?.chargingV ?? [13.2, 14.6]
}

/** The blade is moved by a motor: with the key only on it need not follow grip or pedal. */
export function isByWire(machine: Pick<Machine, 'nets'>): boolean {
  return machine.nets.some((net) => net.role === 'throttle-motor')
}

/** A pick-up with a supply of its own switches; one without is a coil. */
export function hasSupply(machine: Machine, net: Net): boolean {
  const { placesOfNet, wiresOf, nets, connectors } = machineIndex(machine)
  return (placesOfNet.get(net.id) ?? []).some(
    ({ connector }) =>
      connectors.get(connector)?.ecu !== true &&
      (wiresOf.get(connector) ?? []).some(({ wire }) =>
        ['reference-5v', 'supply-switched', 'supply-always'].includes(nets.get(wire.net)?.signal ?? ''),
      ),
  )
}

function standardReadings(machine: Machine, net: Net): MeterReading[] {
  const { signal, role } = net
  const rest = restingV(machine)
  const [, charged] = chargingV(machine)
  switch (signal) {
    case 'supply-always':
      return [v('key off', ...rest)]
    case 'supply-switched':
      // What is live only when it is wanted reads one or the other: no reading tells whether it is in order.
      return wantedSupplies.includes(role)
        ? []
        : [
            v('key off', 0, 0.2),
            ...(role === 'fuel-pump' ? [] : [v('key on', 11.8, Math.max(12.9, rest[1]))]),
            v('idling', chargingV(machine)[0], charged),
          ]
    case 'reference-5v':
      return [v('key on', 4.9, 5.1)]
    case 'power-ground':
      return [v('idling', 0, 0.1)]
    case 'sensor-ground':
      return [v('key on', 0, 0.05)]
    case 'bus-high':
      return [{ state: 'battery off', unit: 'ohm', low: 55, high: 65 }, v('key on', 2.5, 3.5)]
    case 'bus-low':
      return [{ state: 'battery off', unit: 'ohm', low: 55, high: 65 }, v('key on', 1.5, 2.5)]
    case 'data-line':
      return [v('key on', 7, 12.9)]
    case 'frequency':
      if (role !== 'crank') return []
      return hasSupply(machine, net)
        ? [v('cranking', 0.5, 4.5)]
        : [{ state: 'cranking', unit: 'V AC', low: 0.5, high: 5 }]
    case 'analogue-0-5':
      return analogue(machine, net)
    case 'switch':
    case 'low-side-drive':
    case 'motor-drive':
    case 'injector-drive':
    case 'coil-drive':
    case 'unknown':
      return []
  }
}

function analogue(machine: Machine, { role, track }: Net): MeterReading[] {
  switch (role) {
    case 'throttle-position':
      if (isByWire(machine)) return [track === 2 ? v('key on', 0.3, 4.7) : v('key on', 0.4, 1.3)]
      return track === 2 ? [v('key on', 0.3, 4.7)] : [v('key on', 0.45, 0.75), v('key on, fully open', 3.8, 4.5)]
    case 'pedal-position':
      return track === 2
        ? [v('key on', 0.3, 0.45), v('key on, fully open', 1.9, 2.3)]
        : [v('key on', 0.6, 0.85), v('key on, fully open', 3.9, 4.4)]
    case 'manifold-pressure':
      return [v('key on', 3.2, 4.2)]
    case 'boost-pressure':
      return [v('key on', 1.3, 1.7)]
    case 'rail-pressure':
      return [v('key on', 0.45, 0.6), v('idling', 1.0, 1.3)]
    case 'airflow':
      return [v('key on', 0.9, 1.1), v('idling', 1.4, 1.6)]
    case 'oxygen':
      return [v('idling', 0.1, 0.9)]
    default:
      return [v('key on', 0.3, 4.7)]
  }
}

/** Why a circuit is never probed, or null when it may be. */
export function barredFromMeter(net: Net): string | null {
  if (net.role === 'airbag') return 'Airbag circuit: a meter can fire it. Leave it alone.'
  if (net.highVoltage) return 'This drive swings far above battery voltage: no meter, not even with the key only on.'
  if (net.signal === 'coil-drive') return 'A coil primary swings to 300 to 400 V: it is never probed.'
  if (net.signal === 'injector-drive') return 'Injector drives kick to 60 V and more: not probed running.'
  return null
}
