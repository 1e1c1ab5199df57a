import { z } from 'zod'
import { stations, tapMethods } from '../dossiers/index.ts'
import { largestInteger } from '../shared/index.ts'
import { earlierWorks, irreversibleActs, partStates, photoShows } from './model.ts'
import { connectionTargetSchema, pairSides } from '../wiring/index.ts'
import { instant } from './instant.ts'

const id = z.string().min(1).max(64)
const text = z.string().min(1).max(10_000)
const finite = z.number()
const place = {
  kitEnd: id.optional(),
  connector: id.optional(),
  cavity: z.int().optional(),
  stud: id.optional(),
  passage: id.optional(),
}
const hash = z.string().regex(/^[0-9a-f]{64}$/, 'must be a SHA-256 in 64 hex digits')
export const dossierRefSchema = z.strictObject({
  id,
  version: z.int().positive().max(largestInteger),
  hash,
  variant: id.optional(),
})
const cells = z.array(z.strictObject({ rpm: finite, load: finite, old: finite, new: finite })).max(1600)

const common = {
  id: z.string().min(1).max(100),
  at: instant.optional(),
  by: z.string().min(1).max(80).optional(),
  device: z.string().max(80).optional(),
}

/** What a client may append, by `kind`. */
export const newEntrySchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...common,
    kind: z.literal('note'),
    text,
    about: z.strictObject({ ...place, station: z.enum(stations).optional() }).optional(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('step-done'),
    step: id,
    wrote: text.optional(),
    without: text.optional(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('part-checked'),
    part: id,
    state: z.enum(partStates),
    instead: z.string().min(1).max(200).optional(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('tool-checked'),
    tool: z.string().min(1).max(100),
    state: z.enum(['present', 'missing']),
  }),
  z.strictObject({ ...common, kind: z.literal('cover-off'), cover: id, without: text.optional() }),
  z.strictObject({ ...common, kind: z.literal('cover-on'), cover: id }),
  z.strictObject({ ...common, kind: z.literal('left-off'), cover: id, reason: text }),
  z.strictObject({
    ...common,
    kind: z.literal('photo'),
    photo: hash,
    bytes: z.int().positive(),
    widthPx: z.int().positive().max(20_000),
    heightPx: z.int().positive().max(20_000),
    shows: z.enum(photoShows),
    caption: z.string().min(1).max(300).optional(),
    handBack: z.boolean(),
    about: z
      .strictObject({
        station: z.enum(stations).optional(),
        entry: z.string().max(100).optional(),
        step: id.optional(),
        cover: id.optional(),
        kitEnd: id.optional(),
        passage: id.optional(),
      })
      .optional(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('photo-packed'),
    photo: z.string().min(1).max(100),
    handBack: z.boolean(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('timer-started'),
    what: z.string().min(1).max(200),
    minutes: z.number().positive().max(6000),
  }),
  z.strictObject({ ...common, kind: z.literal('timer-stopped'), timer: z.string().min(1).max(100) }),
  z.strictObject({ ...common, kind: z.literal('told'), text, to: z.string().min(1).max(80) }),
  z.strictObject({
    ...common,
    kind: z.literal('reading'),
    quantity: z.string().min(1).max(200),
    value: finite,
    unit: z.string().max(20),
    step: id.optional(),
    card: z.string().min(1).max(120).optional(),
    about: z.strictObject(place).optional(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('connected'),
    kitEnd: id,
    to: connectionTargetSchema,
    method: z.enum(tapMethods).optional(),
    fuseA: z.number().positive().max(500).optional(),
  }),
  z.strictObject({ ...common, kind: z.literal('disconnected'), kitEnd: id, side: z.enum(pairSides).optional() }),
  z.strictObject({ ...common, kind: z.literal('tugged'), kitEnd: id }),
  z.strictObject({ ...common, kind: z.literal('station-done'), station: z.enum(stations) }),
  z.strictObject({ ...common, kind: z.literal('stop-lifted'), finding: z.string().min(1).max(300), reason: text }),
  z.strictObject({
    ...common,
    kind: z.literal('irreversible'),
    act: z.enum(irreversibleActs),
    text,
    consentBy: z.string().min(1).max(80),
    about: z.strictObject(place).optional(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('found'),
    what: z.enum(earlierWorks),
    text,
    about: z.strictObject(place).optional(),
  }),
  z.strictObject({ ...common, kind: z.literal('dealt-with'), found: z.string().min(1).max(100), how: text }),
  z.strictObject({ ...common, kind: z.literal('difference-accepted'), kitEnd: id, reason: text }),
  z.strictObject({
    ...common,
    kind: z.literal('choice'),
    choice: z.string().min(1).max(100),
    value: z.string().min(1).max(4000),
    replaces: z.string().max(4000).nullable(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('setting'),
    setting: id,
    value: z.string().min(1).max(200),
    replaces: z.string().max(200).nullable(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('log-imported'),
    log: hash,
    name: z.string().min(1).max(300),
    rows: z.int().min(0),
    bytes: z.int().min(0),
    mapping: z.strictObject({
      columns: z.record(z.string(), z.string()),
      units: z.record(z.string(), z.string()),
      dropUnreadable: z.boolean(),
    }),
    tableInForce: z.string().nullable(),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('trim-accepted'),
    log: hash,
    fitVersion: z.int().positive(),
    options: z.strictObject({ gain: finite, maxStepPct: finite, delaySeconds: finite }),
    cells: cells.min(1),
  }),
  z.strictObject({ ...common, kind: z.literal('trim-loaded'), name: z.string().min(1).max(300), cells: cells.min(1) }),
  z.strictObject({
    ...common,
    kind: z.literal('routed'),
    part: id,
    passages: z.array(id).max(80),
    replaces: z.array(id).max(80).nullable(),
  }),
  z.strictObject({ ...common, kind: z.literal('mounted'), place: id, trial: z.boolean() }),
  z.strictObject({ ...common, kind: z.literal('tied'), passage: id }),
  z.strictObject({
    ...common,
    kind: z.literal('dossier-changed'),
    dossier: z.enum(['machine', 'kit']),
    to: dossierRefSchema,
    replaces: hash,
    invalidates: z.array(z.strictObject({ entry: z.string().min(1).max(100), why: text })).max(5000),
  }),
  z.strictObject({ ...common, kind: z.literal('undo'), undoes: z.string().min(1).max(100) }),
])

export const appendSchema = z.strictObject({
  base: z.int().min(0).optional(),
  entries: z.array(newEntrySchema).min(1).max(5000),
})
