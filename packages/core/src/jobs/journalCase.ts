import type { JobDossiers } from './state.ts'
import type { CellChange } from '../fuel-trim/index.ts'
import fc from 'fast-check'
import { stations } from '../dossiers/index.ts'
import { gorseCase } from '../wiring/gorseCase.ts'
import type { ConnectionTarget } from '../wiring/index.ts'
import { entryVersion, type EntryBody, type JournalEntry, type NewEntry } from './model.ts'

/** The shipped quad job, for tests and benches. */
export const gorseJob: JobDossiers = gorseCase()

const hash = 'ab'.repeat(32)
const ends = gorseJob.kit.ends.map((end) => end.id)
const targets: ConnectionTarget[] = [
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
]
const passages = (gorseJob.machine.passages ?? []).map((passage) => passage.id)
const steps = [...gorseJob.machine.steps, ...gorseJob.kit.steps].map((step) => step.id)

/** Any entry that names only what the job has; whether it fits what is there is left to chance. */
const anyBody: fc.Arbitrary<EntryBody> = fc.oneof(
  fc.record({ kind: fc.constant('note' as const), text: fc.string({ minLength: 1, maxLength: 12 }) }),
  fc.record({ kind: fc.constant('step-done' as const), step: fc.constantFrom(...steps) }),
  fc.record({
    kind: fc.constant('part-checked' as const),
    part: fc.constantFrom(...gorseJob.kit.parts.map((part) => part.id)),
    state: fc.constantFrom('present' as const, 'missing' as const, 'not used' as const),
  }),
  fc.record({
    kind: fc.constant('reading' as const),
    quantity: fc.constant('battery at rest'),
    value: fc.integer({ min: 0, max: 15 }),
    unit: fc.constant('V'),
  }),
  fc.record({
    kind: fc.constant('connected' as const),
    kitEnd: fc.constantFrom(...ends),
    to: fc.constantFrom(...targets),
  }),
  fc.record({ kind: fc.constant('disconnected' as const), kitEnd: fc.constantFrom(...ends) }),
  fc.record({ kind: fc.constant('tugged' as const), kitEnd: fc.constantFrom(...ends) }),
  fc.record({
    kind: fc.constant('routed' as const),
    part: fc.constantFrom('trunk', ...ends),
    passages: fc.array(fc.constantFrom(...passages), { maxLength: 3 }),
    replaces: fc.constant(null),
  }),
  fc.record({ kind: fc.constant('tied' as const), passage: fc.constantFrom(...passages) }),
  fc.record({
    kind: fc.constant('mounted' as const),
    place: fc.constantFrom('rack-plate', 'seat-box'),
    trial: fc.boolean(),
  }),
  fc.record({ kind: fc.constant('station-done' as const), station: fc.constantFrom(...stations) }),
  fc.record({
    kind: fc.constant('setting' as const),
    setting: fc.constant('map'),
    value: fc.constantFrom('stock', 'A', 'B'),
    replaces: fc.constantFrom(null, 'stock', 'A', 'B'),
  }),
  fc.record({
    kind: fc.constant('log-imported' as const),
    log: fc.constant(hash),
    name: fc.constant('ride.csv'),
    rows: fc.constant(9),
    bytes: fc.constant(90),
    mapping: fc.constant({ columns: {}, units: {}, dropUnreadable: false }),
    tableInForce: fc.constant(null),
  }),
  fc.record({
    kind: fc.constant('trim-accepted' as const),
    log: fc.constant(hash),
    fitVersion: fc.constant(1),
    options: fc.constant({ gain: 0.7, maxStepPct: 5, delaySeconds: 0.3 }),
    cells: fc.constantFrom<CellChange[][]>(
      [{ rpm: 1500, load: 0, old: 0, new: 2 }],
      [{ rpm: 1500, load: 0, old: 2, new: 3 }],
      [{ rpm: 2500, load: 5, old: 0, new: -1 }],
    ),
  }),
)

/** Journals as the server would hold them, with undos of earlier entries (and of undos) mixed in. */
export const anyJournal: fc.Arbitrary<JournalEntry[]> = fc
  .array(fc.tuple(anyBody, fc.option(fc.nat({ max: 1000 }), { freq: 4 })), { maxLength: 40 })
  .map((drawn) => {
    const entries: NewEntry[] = []
    for (const [body, undoes] of drawn) {
      entries.push({ ...body, id: `e${entries.length}` })
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
