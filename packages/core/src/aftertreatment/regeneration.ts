/** What is read, or looked at, before a regeneration by hand. */
export interface RegenerationReadings {
  coolantC?: number
  fuelPct?: number
  /** Minutes it has idled. */
  idleMin?: number
  neutral?: boolean
  /** Soot as the control unit shows it, % of what the filter holds. */
  sootPct?: number
  /** Oil over its mark: fuel is in it. */
  oilOverMark?: boolean
  /** Codes that bar it. */
  barringCodes?: number
  /** What stands under the exhaust. */
  ground?: 'bare' | 'stubble' | 'grass'
  /** Nothing nearer than this, m. */
  clearM?: number
  outdoors?: boolean
  /** Blown clean: no chaff, no dust on the exhaust. */
  blownClean?: boolean
  /** Somebody stays with it. */
  stays?: boolean
}

export interface Condition {
  field: keyof RegenerationReadings
  what: string
  unit: string
  state: 'ok' | 'missing' | 'not so'
  /** What it has to be. */
  wants: string
}

/** Soot at which it makes sense and is still allowed by hand, %; above it the maker's workshop decides. The maker's own window comes first. */
export const sootWindow = { from: 40, to: 95 } as const
const coolantC = 70
const fuelPct = 15
const idleMin = 1
const clearM = 5

/** What a regeneration by hand wants, one by one, with what is still missing. Source: general practice; the maker's data come first. */
export function regenerationList(read: RegenerationReadings): Condition[] {
  const is = <Field extends keyof RegenerationReadings>(
    field: Field,
    what: string,
    wants: string,
    ok: (value: NonNullable<RegenerationReadings[Field]>) => boolean,
    unit = '',
  ): Condition => {
    const value = read[field]
    const state = value === undefined ? 'missing' : ok(value) ? 'ok' : 'not so'
    return { field, what, unit, state, wants }
  }
  const { from, to } = sootWindow
  return [
    is('coolantC', 'Coolant', `over ${coolantC} °C`, (c) => c > coolantC, '°C'),
    is('fuelPct', 'Fuel', `over ${fuelPct} % of the tank`, (pct) => pct > fuelPct, '%'),
    is('idleMin', 'Idled', `${idleMin} min at least`, (min) => min >= idleMin, 'min'),
    is('sootPct', 'Soot', `${from} to ${to} %, or the maker’s own window`, (pct) => pct >= from && pct <= to, '%'),
    is('barringCodes', 'Codes that bar it', 'none: mend them first', (count) => count === 0),
    is('clearM', 'Clear all round', `${clearM} m at least`, (m) => m >= clearM, 'm'),
    is('ground', 'Ground', 'bare: stubble or grass under the exhaust burns', (ground) => ground === 'bare'),
    is('neutral', 'In neutral', 'parking brake on', (yes) => yes),
    is('oilOverMark', 'Oil over its mark', 'no: fuel is in it, change it first', (over) => !over),
    is('outdoors', 'Outdoors', 'never in a hall', (yes) => yes),
    is('blownClean', 'Blown clean', 'no chaff or dust on the exhaust', (yes) => yes),
    is('stays', 'Somebody stays', 'with it, to the end', (yes) => yes),
  ]
}

/** Whether it may begin: every condition is there. */
export const mayRegenerate = (read: RegenerationReadings): boolean =>
  regenerationList(read).every(({ state }) => state === 'ok')

/** What ends one at once. */
export const regenerationAborts = [
  'smoke or flame anywhere but at the tail',
  'any person, animal or vehicle within five metres',
  'a lamp that was not there before',
  'coolant 105 °C',
  'anything smouldering under it',
] as const
