import { asWritten } from '../shared/index.ts'
import { z } from 'zod'
import { alsoChosen, batteryChosen, coverOrderChosen, peopleChosen, wayChosen } from '../access/index.ts'
import { feedingChosen, groundingChosen } from '../electrical/index.ts'
import { headFields, type Stamps } from '../journal/index.ts'
import { farPlaceChosen, mountPlaceChosen, mountingChosen, tyingChosen } from '../routing/index.ts'
import { joiningChosen, placeChosen, type PlannedPlace } from '../wiring/index.ts'
import { answered } from './entries.ts'
import { newEntrySchema } from './jobForms.ts'
import { entryVersion, type JournalEntry, type NewEntry } from './model.ts'

/** A decision as it was written up to version 2: its question and answer as texts. */
export const olderChoiceSchema = z.strictObject({
  ...headFields,
  kind: z.literal('choice'),
  choice: z.string().min(1).max(100),
  value: z.string().min(1).max(4000),
  replaces: z.string().max(4000).nullable(),
})
export type OlderChoice = z.infer<typeof olderChoiceSchema>

/** How an answer that was given back to the plan was written. */
const asProposed = 'as proposed'

/** Reads the text of an answer; undefined for one that says nothing. */
type ReadText = (text: string) => unknown
const plain: ReadText = (text) => text
const list: ReadText = (text) => text.split(',').filter((id) => id !== '')
const count: ReadText = (text) => Number(text)

const byName: Record<string, { kind: string; read: ReadText } | undefined> = {
  joining: { kind: joiningChosen.kind, read: plain },
  battery: { kind: batteryChosen.kind, read: plain },
  people: { kind: peopleChosen.kind, read: count },
  'cover-order': { kind: coverOrderChosen.kind, read: list },
  also: { kind: alsoChosen.kind, read: list },
  'mount-place': { kind: mountPlaceChosen.kind, read: plain },
  mounting: { kind: mountingChosen.kind, read: plain },
  tying: { kind: tyingChosen.kind, read: plain },
  power: { kind: feedingChosen.kind, read: plain },
  grounding: { kind: groundingChosen.kind, read: plain },
}

const byPrefix: Record<string, { kind: string; of: string; read: ReadText }> = {
  'place.': { kind: placeChosen.kind, of: 'kitEnd', read: readPlace },
  'way.': { kind: wayChosen.kind, of: 'target', read: plain },
  'far.': { kind: farPlaceChosen.kind, of: 'use', read: plain },
  'take-in.': { kind: answered.kind, of: 'question', read: plain },
}

/**
 * An entry in today's form. A decision that was a pair of texts becomes the entry of its capability; what cannot be read as one
 * (nothing that was ever taken) is kept as a note.
 */
export function upcastEntry(entry: NewEntry | OlderChoice): NewEntry {
  if (entry.kind !== 'choice') return entry
  const { choice, value, replaces, kind: _kind, ...head } = entry
  const named = byName[choice]
  const prefix = Object.keys(byPrefix).find((start) => choice.startsWith(start))
  const prefixed = prefix === undefined ? undefined : { ...byPrefix[prefix], id: choice.slice(prefix.length) }
  const read = named?.read ?? prefixed?.read ?? plain
  const answer = (text: string | null) => (text === null || text === asProposed ? null : read(text))
  const body = {
    kind: named?.kind ?? prefixed?.kind,
    ...(prefixed ? { [prefixed.of]: prefixed.id } : {}),
    value: answer(value),
    replaces: answer(replaces),
  }
  const known = newEntrySchema.safeParse({ id: 'x', ...body })
  // oxlint-disable-next-line typescript/consistent-type-assertions -- a parsing edge: its schema has just read it
  if (known.success) return { ...head, ...body } as unknown as NewEntry
  return { ...head, kind: 'note', text: `Chosen, ${choice}: ${value}` }
}

/** A kept entry in today's form, and marked as of today's version where that changed it. */
export function upcastStamped({ seq, receivedAt, v, ...written }: (NewEntry | OlderChoice) & Stamps): JournalEntry {
  // oxlint-disable-next-line typescript/consistent-type-assertions -- the entry without its stamps
  const entry = written as NewEntry | OlderChoice
  return { ...upcastEntry(entry), seq, receivedAt, v: entry.kind === 'choice' ? entryVersion : v }
}

/** `plug/ecu`, `plug/ecu/12`, `stud/frame`, `cap`, as places were written. */
function readPlace(text: string): PlannedPlace | undefined {
  if (text === 'cap') return { closed: 'cap' }
  const [kind, id, cavity] = text.split('/')
  if (!id) return undefined
  if (kind === 'stud') return asWritten<PlannedPlace>({ stud: id })
  if (kind !== 'plug') return undefined
  if (cavity === undefined) return asWritten<PlannedPlace>({ connector: id })
  return /^\d+$/.test(cavity) ? asWritten<PlannedPlace>({ connector: id, cavity: Number(cavity) }) : undefined
}
