import { asWritten, asId } from '../shared/index.ts'
import { findTarget, waysTo } from '../access/index.ts'
import { placesFor } from '../routing/index.ts'
import { type JobDossiers, takeInQuestions } from './state.ts'
import type { CellChange } from '../fuel-trim/index.ts'
import fc from 'fast-check'
import { stations, type ConnectorId } from '../dossiers/index.ts'
import { gorseCase } from '../wiring/gorseCase.ts'
import type { ConnectionTarget, PlannedPlace } from '../wiring/index.ts'
import { type EntryBody, type EntryKind, entryVersion, type JournalEntry, type NewEntry } from './model.ts'

/** The shipped quad job, for tests and benches. */
export const gorseJob: JobDossiers = gorseCase()

const hash = 'ab'.repeat(32)
const ends = gorseJob.kit.ends.map((end) => end.id)
const targets = asWritten<ConnectionTarget[]>([
  { connector: 'injector', side: 'factory' },
  { connector: 'injector', side: 'device' },
  { connector: 'crank' },
  { connector: 'fan', side: 'factory' },
  { connector: 'throttle', cavity: 2 },
  { connector: 'neutral', cavity: 1 },
  { stud: 'engine-strap' },
  { kitEnd: 'injector' },
  { closed: 'cap' },
  { closed: 'terminator' },
])
const passages = (gorseJob.machine.passages ?? []).map((passage) => passage.id)
const steps = [...gorseJob.machine.steps, ...gorseJob.kit.steps].map((step) => step.id)

const word = fc.string({ minLength: 1, maxLength: 12 })
const choose = <T>(values: readonly T[]) => fc.constantFrom(...values)
const maybe = <T>(drawn: fc.Arbitrary<T>) => fc.option(drawn, { nil: undefined })
/** Entries a drawn journal may hold. */
const entryId = fc.nat({ max: 40 }).map((n) => `e${n}`)
const covers = (gorseJob.machine.covers ?? []).map((cover) => cover.id)
const kitEnd = choose(ends)
const cell = choose<CellChange[]>([
  [{ rpm: 1500, load: 0, old: 0, new: 2 }],
  [{ rpm: 1500, load: 0, old: 2, new: 3 }],
  [{ rpm: 2500, load: 5, old: 0, new: -1 }],
])
/** An answer and the one it says it replaces. */
const answers = <T>(values: readonly T[]) => ({
  value: fc.option(choose(values), { nil: null }),
  replaces: fc.option(choose(values), { nil: null, freq: 2 }),
})
const places = asWritten<PlannedPlace[]>([{ stud: 'engine-strap' }, { connector: 'crank' }, { closed: 'cap' }])
const sensorPlaces = placesFor(gorseJob.machine, 'sensor').map((place) => place.id)
const coil = findTarget(gorseJob.machine, 'connector:coil')
const waysToCoil = (coil ? waysTo(gorseJob.machine, coil) : []).map((way) => way.id)
const refs = ['a', 'b'].map((letter, i) => ({ id: 'pellick-gorse-430', version: i + 2, hash: letter.repeat(64) }))

type Fields<Kind extends EntryKind> = {
  [Name in Exclude<keyof Extract<EntryBody, { kind: Kind }>, 'kind'>]?: fc.Arbitrary<unknown>
}
type Drawn = { [Kind in Exclude<EntryKind, 'undo'>]: Fields<Kind> }

/** How every kind of entry is drawn, so that it names only what the job has; whether it fits what is there is left to chance. */
const drawn: Drawn = {
  note: { text: word },
  'step-done': { step: choose(steps), wrote: maybe(word), without: maybe(word) },
  'station-done': { station: choose(stations) },
  'stop-lifted': { finding: choose(['pair-split|crank|||', 'cut-open|ground|||']), reason: word },
  'timer-started': { what: word, minutes: fc.integer({ min: 1, max: 90 }) },
  'timer-stopped': { timer: entryId },
  told: { text: word, to: word },
  'dossier-changed': {
    dossier: choose(['machine', 'kit']),
    to: choose(refs),
    replaces: choose(['a'.repeat(64), 'c'.repeat(64)]),
    invalidates: fc.constant([]),
  },
  'found-otherwise': {
    ...{ of: fc.constant('covers'), thing: choose(covers), field: choose(['how', 'off']) },
    ...{ was: fc.constant('0'), is: choose(['1/2/3', '4']) },
  },
  answered: { question: choose(takeInQuestions), ...answers(['one', 'other']) },
  'part-checked': {
    part: choose(gorseJob.kit.parts.map((part) => part.id)),
    state: choose(['present', 'missing', 'not used']),
  },
  'tool-checked': { tool: word, state: choose(['present', 'missing']) },
  'cover-off': { cover: choose(covers), without: maybe(word) },
  'cover-on': { cover: choose(covers) },
  'left-off': { cover: choose(covers), reason: word },
  'battery-practice-chosen': answers(['negative off', 'battery out']),
  'people-chosen': answers([1, 2]),
  'cover-order-chosen': answers([covers.slice(0, 2), covers.slice(1, 3)]),
  'also-reached-chosen': answers([['connector:oxygen'], ['connector:fan', 'connector:oxygen']]),
  'way-chosen': { target: fc.constant('connector:coil'), ...answers(waysToCoil) },
  reading: {
    quantity: word,
    value: fc.integer({ min: 0, max: 15 }),
    unit: choose(['V', 'Ω']),
    card: maybe(choose(['a', 'b'])),
  },
  connected: { kitEnd, to: choose(targets), method: maybe(choose(['crimp splice'])) },
  disconnected: { kitEnd, side: maybe(choose(['factory', 'device'])) },
  tugged: { kitEnd },
  irreversible: { act: choose(['cut', 'notch', 'hole']), text: word, consentBy: word },
  found: { what: choose(['bypass', 'puncture', 'other']), text: word },
  'dealt-with': { found: entryId, how: word },
  'difference-accepted': { kitEnd, reason: word },
  'joining-practice-chosen': answers(['by place', 'solder and sleeve']),
  'place-chosen': { kitEnd, ...answers(places) },
  routed: {
    part: choose(['trunk', ...ends]),
    passages: fc.array(choose(passages), { maxLength: 3 }),
    replaces: fc.constant(null),
  },
  mounted: { place: choose(['rack-plate', 'seat-box']), trial: fc.boolean() },
  tied: { passage: choose(passages) },
  'mounting-practice-chosen': answers(['reachable without tools']),
  'tying-practice-chosen': answers(['each branch as it is laid']),
  'mount-place-chosen': answers(['rack-plate', 'seat-box']),
  'far-place-chosen': { use: fc.constant('sensor'), ...answers(sensorPlaces) },
  'feeding-practice-chosen': answers(['lamp circuit directly']),
  'grounding-practice-chosen': answers(['frame cluster', 'engine strap']),
  setting: {
    setting: fc.constant('map'),
    value: choose(['stock', 'A', 'B']),
    replaces: choose([null, 'stock', 'A', 'B']),
  },
  'setting-read': { setting: fc.constant('map'), value: choose(['stock', 'A']) },
  'throttle-captured': {
    track: choose([1, 2]),
    shutV: choose([0.5, 0.6]),
    openV: choose([1.2, 4.1]),
    verdict: fc.constant('fail'),
  },
  'level-agreed': { level: choose([0, 1]), use: word, with: word },
  'pedal-proved': { verdict: fc.constant('fail'), points: fc.constant([]) },
  'speed-compared': {
    displayedRpm: choose([1600, 3200]),
    trueRpm: choose([1600, 3200]),
    currentSetting: choose([1, 2]),
    setting: fc.constant('pulses'),
  },
  'tyre-measured': { standardHeightM: choose([0.6, 0.7]), fittedHeightM: choose([0.6, 0.7]) },
  'speed-checked': { socketKmh: choose([80, 84]), satelliteKmh: choose([80, 100]) },
  'level-seen': { where: choose(['module', 'dash', 'link']), level: choose([0, 1]) },
  'selector-proved': { clicks: fc.constant([{ position: 0, shown: 0 }]) },
  'unit-identified': { part: word, serial: word, pairs: fc.boolean() },
  updated: { what: word, before: word, after: word, supplyV: choose([12.6, 13.5]) },
  'authority-tested': {
    how: choose(['connection', 'mute']),
    verdict: choose(['pass', 'bypassed', 'unclear']),
    reason: word,
  },
  'codes-read': { when: choose(['before', 'after']), codes: choose([[], ['A1']]) },
  'codes-cleared': { codes: choose([['A1'], ['B2']]) },
  started: { verdict: choose(['pass', 'fail']), text: word },
  'lamp-seen': { pattern: fc.constant(null), means: word },
  'health-checked': { what: choose(['Oil', 'Leaks']), ok: fc.boolean(), says: word },
  'level-run': { level: choose([0, 1]), readings: fc.constant({ rail: { value: 180 } }) },
  'pull-made': {
    ...{ when: choose(['before', 'after']), name: word, factor: fc.constant(1), warnings: fc.constant([]) },
    points: fc.constant([{ rpm: 3000, speedKmh: null, powerKw: 20, torqueNm: 60, sePowerKw: null }]),
    peakPower: fc.constant({ kw: 20, rpm: 3000, speedKmh: null }),
    peakTorque: fc.constant({ nm: 60, rpm: 3000 }),
  },
  'coasted-down': {
    ...{ massKg: fc.constant(900), dragAreaM2: choose([0.7, 1.1]), dragSeM2: fc.constant(0.02) },
    ...{ rolling: fc.constant(0.014), rollingSe: fc.constant(0.0004) },
  },
  'approval-asked': { market: word, with: word },
  regeneration: {
    phase: choose(['started', 'started', 'ended', 'aborted']),
    text: word,
    read: fc.constant({
      ...{ coolantC: 82, fuelPct: 40, idleMin: 2, neutral: true, sootPct: 70, oilOverMark: false, barringCodes: 0 },
      ...{ ground: 'bare', clearM: 6, outdoors: true, blownClean: true, stays: true },
    }),
  },
  'readiness-read': { monitors: choose([[], [{ id: 'misfire', done: true }]]) },
  'gain-claimed': { powerKw: choose([2, 5]), of: choose(['wheel', 'engine']) },
  'boss-measured': {
    from: choose(['port', 'collector']),
    behindMm: choose([100, 300]),
    aboveDeg: choose([5, 30]),
    points: choose(['left', 'right']),
    standDeg: choose([0, 12]),
    tight: fc.boolean(),
  },
  'pipe-worked': { act: choose(['off', 'welded', 'on']) },
  opened: {
    purpose: choose(['fit', 'stock', 'look']),
    cameFrom: fc.constant([]),
    connections: fc.constant([]),
    mounts: fc.constant([]),
    routes: fc.constant([]),
    settings: fc.constant([]),
  },
  'puncture-sealed': { connector: choose(['injector', 'coil']), cavity: fc.constant(1), how: word },
  'meter-read': { value: fc.nat({ max: 99_999 }), unit: choose(['km', 'mi', 'h']) },
  'cut-joined': { connector: choose(['injector', 'coil']), cavity: fc.constant(1), how: word },
  'kit-added': { kit: choose(refs), invalidates: fc.constant([]) },
  'kit-dropped': { kit: choose(['quernby-p1', 'lowlamp-dial']), invalidates: fc.constant([]) },
  photo: {
    photo: fc.constant(hash),
    bytes: fc.constant(9),
    widthPx: fc.constant(9),
    heightPx: fc.constant(9),
    shows: choose(['before', 'work']),
    handBack: fc.boolean(),
  },
  'photo-packed': { photo: entryId, handBack: fc.boolean() },
  'log-imported': {
    log: fc.constant(hash),
    name: fc.constant('ride.csv'),
    rows: fc.constant(9),
    bytes: fc.constant(90),
    mapping: fc.constant({ columns: {}, units: {}, dropUnreadable: false }),
    tableInForce: fc.constant(null),
  },
  'trim-accepted': {
    log: fc.constant(hash),
    fitVersion: fc.constant(1),
    options: fc.constant({ gain: 0.7, maxStepPct: 5, delaySeconds: 0.3 }),
    cells: cell,
  },
  'trim-loaded': { name: word, cells: cell },
}

/** Kinds that the quad's kit has nothing for: it has no levels and changes no pedal. */
export const foreignKinds = ['level-agreed', 'pedal-proved', 'level-seen', 'selector-proved', 'level-run']

/** Every kind that is drawn. */
export const drawnKinds = Object.keys(drawn).filter((kind) => !foreignKinds.includes(kind))

const anyBody: fc.Arbitrary<EntryBody> = fc.oneof(
  ...Object.entries(drawn)
    .filter(([kind]) => !foreignKinds.includes(kind))
    .map(([kind, fields]) =>
      fc
        .record({ kind: fc.constant(kind), ...(fields as Record<string, fc.Arbitrary<unknown>>) })
        .map(
          (body) => Object.fromEntries(Object.entries(body).filter(([, value]) => value !== undefined)) as EntryBody,
        ),
    ),
)

const before = 'before'
/** Things that follow each other, so that drawn journals get that far: `before` stands for the entry before it. */
const stories: EntryBody[][] = [
  [
    { kind: 'cover-off', cover: covers[0] },
    { kind: 'left-off', cover: covers[0], reason: 'broken' },
    { kind: 'cover-on', cover: covers[0] },
  ],
  [
    { kind: 'found', what: 'bypass', text: 'old loom' },
    { kind: 'dealt-with', found: before, how: 'taken off' },
  ],
  [
    { kind: 'connected', kitEnd: ends[0], to: { connector: asId<ConnectorId>('injector') } },
    { kind: 'tugged', kitEnd: ends[0] },
    { kind: 'difference-accepted', kitEnd: ends[0], reason: 'fits too' },
    { kind: 'disconnected', kitEnd: ends[0] },
  ],
  [
    { kind: 'timer-started', what: 'cooling', minutes: 5 },
    { kind: 'timer-stopped', timer: before },
  ],
  [
    { kind: 'photo', photo: hash, bytes: 9, widthPx: 9, heightPx: 9, shows: 'work', handBack: false },
    { kind: 'photo-packed', photo: before, handBack: true },
  ],
  [
    {
      kind: 'log-imported',
      log: hash,
      name: 'ride.csv',
      rows: 9,
      bytes: 90,
      mapping: { columns: {}, units: {}, dropUnreadable: false },
      tableInForce: null,
    },
    {
      kind: 'trim-accepted',
      log: hash,
      fitVersion: 1,
      options: { gain: 0.7, maxStepPct: 5, delaySeconds: 0.3 },
      cells: [{ rpm: 1500, load: 0, old: 0, new: 2 }],
    },
  ],
]

/** The entry with the place of `before` taken by an id. */
function following(body: EntryBody, id: string): EntryBody {
  if (body.kind === 'dealt-with' && body.found === before) return { ...body, found: id }
  if (body.kind === 'timer-stopped' && body.timer === before) return { ...body, timer: id }
  if (body.kind === 'photo-packed' && body.photo === before) return { ...body, photo: id }
  return body
}

/** Journals as the server would hold them, with undos of earlier entries (and of undos) mixed in. */
export const anyJournal: fc.Arbitrary<JournalEntry[]> = fc
  .array(
    fc.tuple(
      fc.oneof({ weight: 4, arbitrary: anyBody.map((body) => [body]) }, choose(stories)),
      fc.option(fc.nat({ max: 1000 }), { freq: 4 }),
    ),
    { maxLength: 60 },
  )
  .map((drawn) => {
    const entries: NewEntry[] = []
    for (const [bodies, undoes] of drawn) {
      for (const body of bodies)
        entries.push({ ...following(body, `e${entries.length - 1}`), id: `e${entries.length}`, by: 'Runa' })
      if (undoes !== null)
        entries.push({ kind: 'undo', id: `e${entries.length}`, undoes: `e${undoes % entries.length}` })
    }
    return asJournal(entries)
  })

export function asJournal(entries: readonly NewEntry[]): JournalEntry[] {
  return entries.map((entry, i) => ({ ...entry, seq: i + 1, receivedAt: '2026-06-01T08:00:00.000Z', v: entryVersion }))
}

let made = 0
/** An entry with an id of its own. */
export function entryOf(body: EntryBody, more: { id?: string; by?: string } = {}): NewEntry {
  return { id: `t${made++}`, ...more, ...body }
}
