import { signalKinds, signalRoles, type SignalKind, type SignalRole, type SignalSort } from '../dossiers/index.ts'
import { failure, success, type Outcome } from '../shared/index.ts'

/** Sorts that have words of their own. */
const named = [
  ['switched supply', 'supply-switched', 'supply'],
  ['battery supply', 'supply-always', 'supply'],
  ['5 V supply', 'reference-5v', 'supply'],
  ['power ground', 'power-ground', 'ground'],
  ['sensor ground', 'sensor-ground', 'ground'],
  ['bus high', 'bus-high', 'bus'],
  ['bus low', 'bus-low', 'bus'],
  ['data line', 'data-line', 'diagnostic'],
] as const satisfies readonly (readonly [string, SignalKind, SignalRole])[]

/** What circuits for these usually carry; the others carry a level of 0 to 5 V. */
const usual: Partial<Record<SignalRole, SignalKind>> = {
  supply: 'supply-switched',
  ground: 'power-ground',
  injector: 'injector-drive',
  coil: 'coil-drive',
  crank: 'frequency',
  cam: 'frequency',
  'vehicle-speed': 'frequency',
  'turbine-speed': 'frequency',
  'throttle-motor': 'motor-drive',
  'fuel-pump': 'low-side-drive',
  'fuel-valve': 'low-side-drive',
  valve: 'low-side-drive',
  heater: 'low-side-drive',
  relay: 'low-side-drive',
  fan: 'supply-switched',
  glow: 'supply-switched',
  lamp: 'supply-switched',
  'brake-lamp': 'supply-switched',
  beam: 'supply-switched',
  indicator: 'supply-switched',
  horn: 'supply-switched',
  neutral: 'switch',
  clutch: 'switch',
  stand: 'switch',
  start: 'switch',
  button: 'switch',
  knock: 'frequency',
  diagnostic: 'data-line',
  immobiliser: 'data-line',
  unknown: 'unknown',
}

const usualSignal = (role: SignalRole): SignalKind => usual[role] ?? 'analogue-0-5'

/** Other words people have for the same. */
const alike: readonly (readonly [RegExp, string])[] = [
  [/^(?:\+?12 ?v|feed|key feed|ignition feed|switched 12 ?v|switched)$/, 'switched supply'],
  [/^(?:battery|battery plus|constant 12 ?v|always)$/, 'battery supply'],
  [/^(?:5 ?v|reference|5 ?v reference)$/, '5 v supply'],
  [/^(?:ground|earth|chassis)$/, 'power ground'],
  [/^(?:signal ground|sensor earth|reference ground)$/, 'sensor ground'],
  [/^(?:can h|can high|bus h)$/, 'bus high'],
  [/^(?:can l|can low|bus l)$/, 'bus low'],
  [/^throttle$/, 'throttle position'],
  [/^pedal$/, 'pedal position'],
  [/^(?:speed|road speed)$/, 'vehicle speed'],
  [/^(?:ignition|ignition coil)\b/, 'coil'],
  [/^(?:manifold|map)$/, 'manifold pressure'],
  [/^(?:boost)$/, 'boost pressure'],
  [/^(?:rail)$/, 'rail pressure'],
  [/^(?:intake air|air temp|intake temperature|intake air temperature)$/, 'air temperature'],
  [/^(?:camshaft)$/, 'cam'],
  [/^(?:crankshaft|rpm|engine speed)$/, 'crank'],
  [/^(?:maf|air flow)$/, 'airflow'],
]

const plain = (word: string) => word.replaceAll('-', ' ')
const roles = new Map<string, SignalRole>(signalRoles.map((role) => [plain(role), role]))
const signals = new Map<string, SignalKind>(signalKinds.map((signal) => [plain(signal), signal]))

/** What a circuit is for in a few words: `injector 1 lower`, `pedal position track 2`, `sensor ground`, `level (switch)`. */
export function sortText({ signal, role, cylinder, row, track, bank }: SignalSort): string {
  const own = named.find(([, kind, purpose]) => kind === signal && purpose === role)
  return [
    own ? own[0] : plain(role),
    cylinder === undefined ? '' : String(cylinder),
    row ?? '',
    track === undefined ? '' : `track ${track}`,
    bank === undefined ? '' : `bank ${bank}`,
    own || usualSignal(role) === signal ? '' : `(${plain(signal)})`,
  ]
    .filter((word) => word !== '')
    .join(' ')
}

const form = /^(.+?)(?: (\d{1,2}))?(?: (upper|lower))?(?: track ([12]))?(?: bank ([12]))?(?: \(([^()]+)\))?$/

/** Reads what `sortText` writes, and the usual other words for it. */
export function readSort(text: string): Outcome<SignalSort> {
  const typed = text
    .trim()
    .toLowerCase()
    .replaceAll(/[-\s]+/g, ' ')
  const [, what = '', cylinder, row, track, bank, carries] =
    form.exec(alike.reduce((t, [from, to]) => t.replace(from, to), typed)) ?? []
  const own = named.find(([words]) => words.toLowerCase() === what)
  const role = own?.[2] ?? roles.get(what)
  const signal = carries === undefined ? (own?.[1] ?? (role && usualSignal(role))) : signals.get(carries)
  if (!role || !signal)
    return failure({
      code: 'unreadable',
      path: '',
      message: role
        ? `"${carries}" is nothing a wire carries. It is one of ${[...signals.keys()].join(', ')}.`
        : `"${text.trim()}" is nothing a circuit is for. Write for example injector 1, coil 2, throttle position, crank, switched supply, sensor ground.`,
    })
  if (cylinder !== undefined && (Number(cylinder) < 1 || Number(cylinder) > 16))
    return failure({ code: 'unreadable', path: '', message: `Cylinders count from 1 to 16, not ${cylinder}.` })
  return success({
    signal,
    role,
    ...(cylinder === undefined ? {} : { cylinder: Number(cylinder) }),
    ...(row === 'upper' || row === 'lower' ? { row } : {}),
    ...(track === undefined ? {} : { track: track === '1' ? 1 : 2 }),
    ...(bank === undefined ? {} : { bank: bank === '1' ? 1 : 2 }),
  })
}

/** What may be typed, to choose from. */
export const sortSuggestions: readonly string[] = [
  ...named.map(([words]) => words),
  ...[
    'injector 1',
    'injector 1 lower',
    'injector 1 upper',
    'coil 1',
    'pedal position track 1',
    'pedal position track 2',
  ],
  ...signalRoles
    .filter((role) => !['supply', 'ground', 'bus', 'injector', 'coil', 'unknown', 'pedal-position'].includes(role))
    .map(plain),
]
