/** What an electrical node carries. `unknown` stands in drafts and shows as a gap. */
export const signalKinds = [
  'supply-always',
  'supply-switched',
  'reference-5v',
  'power-ground',
  'sensor-ground',
  'analogue-0-5',
  'frequency',
  'switch',
  'low-side-drive',
  'motor-drive',
  'injector-drive',
  'coil-drive',
  'bus-high',
  'bus-low',
  'data-line',
  'unknown',
] as const
export type SignalKind = (typeof signalKinds)[number]

/** What an electrical node is for; matching goes by this before anything else. */
export const signalRoles = [
  'injector',
  'coil',
  'crank',
  'cam',
  'throttle-position',
  'throttle-motor',
  'pedal-position',
  'vehicle-speed',
  'turbine-speed',
  'manifold-pressure',
  'boost-pressure',
  'rail-pressure',
  'oil-pressure',
  'fuel-pressure',
  'exhaust-pressure',
  'air-temperature',
  'coolant-temperature',
  'oil-temperature',
  'fuel-temperature',
  'exhaust-temperature',
  'airflow',
  'oxygen',
  'wideband',
  'heater',
  'knock',
  'neutral',
  'gear',
  'clutch',
  'stand',
  'tilt',
  'fan',
  'fuel-pump',
  'fuel-valve',
  'level',
  'glow',
  'valve',
  'position',
  'lamp',
  'brake-lamp',
  'beam',
  'indicator',
  'horn',
  'immobiliser',
  'diagnostic',
  'bus',
  'relay',
  'button',
  'selector',
  'air-conditioning',
  'charge',
  'airbag',
  'supply',
  'ground',
  'start',
  'unknown',
] as const
export type SignalRole = (typeof signalRoles)[number]

/** Purposes of a supply that is not live with the key alone: switched by hand, by a relay, or only when it is wanted. */
export const wantedSupplies: readonly SignalRole[] = [
  'brake-lamp',
  'beam',
  'indicator',
  'horn',
  'fan',
  'glow',
  'air-conditioning',
]

/** What a circuit is, or what a line of a kit wants: cylinder, injector row, pedal track and bank tell like from like. */
export interface SignalSort {
  signal: SignalKind
  role: SignalRole
  cylinder?: number
  row?: 'upper' | 'lower'
  track?: 1 | 2
  /** Of an engine with two rows of cylinders: 1 is that of cylinder 1. */
  bank?: 1 | 2
}

/** States of key, engine and battery in which a meter is held to a circuit. */
export const meterStates = ['battery off', 'key off', 'key on', 'key on, fully open', 'cranking', 'idling'] as const
export type MeterState = (typeof meterStates)[number]

/** What a good circuit reads: `V` is direct voltage, `V AC` alternating, `ohm` across device or bus. */
export interface MeterReading {
  state: MeterState
  unit: 'V' | 'V AC' | 'ohm' | 'Hz'
  low: number
  high: number
}
