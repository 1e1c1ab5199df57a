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
  what: string
  state: 'ok' | 'missing' | 'not so'
  /** What it has to be, or what is wrong. */
  says: string
}

/** Soot at which it makes sense and is still allowed by hand, %; above it the maker's workshop decides. The maker's own window comes first. */
export const sootWindow = { from: 40, to: 95 } as const
const coolantC = 70
const fuelPct = 15
const idleMin = 1
const clearM = 5

/** What a regeneration by hand wants, one by one, with what is still missing. Source: general practice; the maker's data come first. */
export function regenerationList(read: RegenerationReadings): Condition[] {
  const figure = (
    what: string,
    value: number | undefined,
    ok: (value: number) => boolean,
    wants: string,
    unit: string,
  ): Condition => ({
    what,
    state: value === undefined ? 'missing' : ok(value) ? 'ok' : 'not so',
    says: value === undefined ? wants : `${value} ${unit}${ok(value) ? '' : `: ${wants}`}`,
  })
  const yes = (what: string, value: boolean | undefined, wants: string): Condition => ({
    what,
    state: value === undefined ? 'missing' : value ? 'ok' : 'not so',
    says: value ? 'yes' : wants,
  })
  const { from, to } = sootWindow
  return [
    figure('Coolant', read.coolantC, (c) => c > coolantC, `over ${coolantC} °C`, '°C'),
    figure('Fuel', read.fuelPct, (pct) => pct > fuelPct, `over ${fuelPct} % of the tank`, '%'),
    figure('Idled', read.idleMin, (min) => min >= idleMin, `${idleMin} min at least`, 'min'),
    yes('In neutral, brake on', read.neutral, 'in neutral, parking brake on'),
    figure(
      'Soot',
      read.sootPct,
      (pct) => pct >= from && pct <= to,
      `${from} to ${to} %, or the maker's own window`,
      '%',
    ),
    yes(
      'Oil',
      read.oilOverMark === undefined ? undefined : !read.oilOverMark,
      read.oilOverMark ? 'over its mark: fuel is in it, change it first' : 'not over its mark',
    ),
    figure('Codes that bar it', read.barringCodes, (count) => count === 0, 'none: mend them first', 'codes'),
    {
      what: 'Ground',
      state: read.ground === undefined ? 'missing' : read.ground === 'bare' ? 'ok' : 'not so',
      says:
        read.ground === undefined
          ? 'bare, never stubble or grass'
          : read.ground === 'bare'
            ? 'bare'
            : `${read.ground} under the exhaust burns: bare ground`,
    },
    figure('Clear all round', read.clearM, (m) => m >= clearM, `${clearM} m at least`, 'm'),
    yes('Outdoors', read.outdoors, 'outdoors: never in a hall'),
    yes('Blown clean', read.blownClean, 'blown clean, no chaff or dust on the exhaust'),
    yes('Somebody stays', read.stays, 'somebody stays with it to the end'),
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
