import { wantedSupplies, type Machine, type MeterState, type Net, type SignalRole } from '../dossiers/index.ts'

/** Below this nothing works, V. */
export const workingVolts = 6

/** At the battery's posts, V (general practice for 12 V machines). */
export function batteryVolts({ power }: Pick<Machine, 'power'>, state: MeterState): number {
  const lithium = power?.chemistry === 'lithium'
  switch (state) {
    case 'battery off':
      return 0
    case 'key off':
      return lithium ? 13.3 : 12.65
    case 'key on':
    case 'key on, fully open':
      return lithium ? 12.9 : 12.4
    case 'cranking':
      return lithium ? 11.4 : 10.6
    case 'idling': {
      const [low, high] = power?.chargingV ?? [13.8, 14.4]
      return (low + high) / 2
    }
  }
}

const keyOn: readonly MeterState[] = ['key on', 'key on, fully open', 'cranking', 'idling']
const turning: readonly MeterState[] = ['cranking', 'idling']

/** Whether a supply for this purpose is live. Lamps burn with the key; what is switched by hand, or only when wanted, does not. */
export function isLive(signal: 'supply-always' | 'supply-switched', role: SignalRole, state: MeterState): boolean {
  if (state === 'battery off') return false
  if (signal === 'supply-always') return true
  if (!keyOn.includes(state)) return false
  if (wantedSupplies.includes(role)) return false
  if (role === 'start') return state === 'cranking'
  // The prime of a second or two is over before a probe is held there.
  return role === 'fuel-pump' ? turning.includes(state) : true
}

/**
 * What a sensor gives out, as a share of its 5 V: figures of general practice, but for pressures of the intake, which are measured to one
 * bar or to three; what this machine's should show says which.
 */
export function outputShare(
  { role, track, readings }: Pick<Net, 'role' | 'track' | 'readings'>,
  byWire: boolean,
  state: MeterState,
): number {
  const stated = readings?.find((reading) => reading.unit === 'V' && reading.state === state)
  if (stated && (role === 'manifold-pressure' || role === 'boost-pressure'))
    return Math.min(0.98, Math.max(0.02, (stated.low + stated.high) / 2 / 5))
  const open = state === 'key on, fully open'
  switch (role) {
    case 'throttle-position':
      // The blade of a by-wire throttle rests a little open, and its second track falls as the first rises.
      if (byWire) return track === 2 ? 0.84 : 0.16
      return open ? 0.83 : track === 2 ? 0.24 : 0.12
    case 'pedal-position':
      return (open ? 0.83 : 0.145) * (track === 2 ? 0.5 : 1)
    case 'manifold-pressure':
      return state === 'idling' ? 0.3 : 0.78
    case 'boost-pressure':
      return 0.295
    case 'rail-pressure':
      return state === 'idling' ? 0.23 : 0.105
    case 'fuel-pressure':
    case 'exhaust-pressure':
    case 'oil-pressure':
      return state === 'idling' ? 0.4 : 0.12
    default:
      return 0.5
  }
}

/** A sensor that makes its own voltage, V. */
export function airflowVolts(state: MeterState): number {
  return state === 'idling' ? 1.5 : 1
}

export const thermistorRoles: readonly SignalRole[] = [
  'air-temperature',
  'coolant-temperature',
  'oil-temperature',
  'fuel-temperature',
  'exhaust-temperature',
]

/** What a sensor that is a mere resistor is asked through, Ω. */
export const pullUpOhms = 2200

/** Cold 2.5 kΩ at 20 °C; 0.3 kΩ at 85 °C once the engine is warm. */
export function thermistorOhms(role: SignalRole, state: MeterState): number {
  return state === 'idling' && role !== 'air-temperature' ? 300 : 2500
}

/** What is driven or fed for a purpose, Ω. */
export function loadOhms(role: SignalRole): number {
  switch (role) {
    case 'injector':
      return 12.5
    case 'coil':
      return 1.4
    case 'fuel-pump':
      return 4.5
    case 'fan':
      return 1.4
    case 'heater':
      return 8
    case 'glow':
      return 0.8
    case 'fuel-valve':
      return 3.5
    case 'lamp':
      return 24
    case 'beam':
    case 'brake-lamp':
    case 'indicator':
      return 6
    case 'throttle-motor':
      return 2.5
    case 'valve':
      return 18
    case 'relay':
    case 'start':
      return 80
    default:
      return 120
  }
}

/** Whether a plain switch is closed when all is well: in neutral, no clutch or brake pressed, oil pressure only when it runs. */
export function isClosed(role: SignalRole, state: MeterState): boolean {
  switch (role) {
    case 'neutral':
      return true
    case 'oil-pressure':
      return state !== 'idling'
    case 'charge':
      return state === 'key on' || state === 'key on, fully open'
    default:
      return false
  }
}
