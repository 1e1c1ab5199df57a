import { hashField, instant } from '../journal/index.ts'
import { z } from 'zod'
import { parseDossier, type Dossier, type DossierRef } from '../dossiers/index.ts'
import {
  contentHash,
  failure,
  largestInteger,
  problemsOfZod,
  success,
  type Outcome,
  type Problem,
} from '../shared/index.ts'
import { entryVersion, type JournalEntry } from './model.ts'
import { jobEntrySchema } from './jobForms.ts'
import { olderChoiceSchema, upcastStamped } from './upcastEntry.ts'

/** Where a job came from, oldest first. */
export interface Provenance {
  job: string
  importedAt: string
}

/** A whole job as one document: journal, the dossiers it points at, the logs. */
export interface JobFile {
  format: 'tidy-badger-job'
  version: 1
  job: {
    id: string
    origin: string
    title: string
    createdAt: string
    machine: DossierRef
    kit: DossierRef
    /** Where there are several; the first is `kit`. */
    kits?: (DossierRef & { present?: boolean })[]
  }
  provenance: Provenance[]
  dossiers: { hash: string; document: Dossier }[]
  journal: JournalEntry[]
  logs: { hash: string; encoding: 'utf-8' | 'gzip-base64'; data: string }[]
  /** JPEG, base64. */
  photos?: { hash: string; data: string }[]
}

const ref = z.strictObject({
  id: z.string().min(1),
  version: z.int().positive().max(largestInteger),
  hash: hashField,
  variant: z.string().min(1).brand<'variant'>().optional(),
})

/** An entry as it was written, by any version. */
const writtenSchema = jobEntrySchema(olderChoiceSchema)

const stamped = z.looseObject({
  seq: z.int().positive(),
  receivedAt: instant,
  v: z
    .int()
    .positive()
    .refine((v) => v <= entryVersion, 'The entry was written by a newer Tidy Badger. Update this one first.'),
})

export const jobFileSchema = z.strictObject({
  format: z.literal('tidy-badger-job'),
  version: z.literal(1),
  job: z.strictObject({
    id: z.string().min(1).max(64),
    origin: z.string().min(1).max(64),
    title: z.string().min(1).max(200),
    createdAt: instant,
    machine: ref,
    kit: ref,
    /* all of them, where there are several; `kit` is the first */
    kits: z
      .array(ref.extend({ present: z.boolean().optional() }))
      .max(12)
      .optional(),
  }),
  provenance: z.array(z.strictObject({ job: z.string().max(100), importedAt: instant })),
  dossiers: z.array(z.strictObject({ hash: hashField, document: z.record(z.string(), z.unknown()) })),
  journal: z.array(stamped),
  logs: z.array(z.strictObject({ hash: hashField, encoding: z.enum(['utf-8', 'gzip-base64']), data: z.string() })),
  photos: z
    .array(z.strictObject({ hash: hashField, data: z.string() }))
    .max(5000)
    .optional(),
})

/** A job document that fits its schema, whose hashes are right and whose journal is whole; problems name their path. */
export function readJobFile(document: unknown): Outcome<JobFile> {
  const parsed = jobFileSchema.safeParse(document)
  if (!parsed.success) return failure(...problemsOfZod(parsed.error))
  const file = parsed.data
  const problems: Problem[] = []
  const dossiers = file.dossiers.flatMap(({ hash: stated, document: body }, i) => {
    const dossier = parseDossier(body, `dossiers.${i}.document`, 'before')
    if (!dossier.ok) {
      problems.push(...dossier.problems)
      return []
    }
    if (contentHash(body) !== stated)
      problems.push({
        code: 'hash-mismatch',
        path: `dossiers.${i}.hash`,
        message: 'The document was changed since it was written: its hash does not fit.',
      })
    return [{ hash: stated, document: dossier.value }]
  })
  file.job.kits?.forEach((kit, i) => {
    if (!file.dossiers.some((dossier) => dossier.hash === kit.hash))
      problems.push({
        code: 'dossier-missing',
        path: `job.kits.${i}.hash`,
        message: `The kit "${kit.id}" this job points at is not in the file.`,
      })
  })
  for (const side of ['machine', 'kit'] as const)
    if (!file.dossiers.some((dossier) => dossier.hash === file.job[side].hash))
      problems.push({
        code: 'dossier-missing',
        path: `job.${side}.hash`,
        message: `The ${side} this job points at is not in the file.`,
      })
  const journal = file.journal.flatMap((entry, i): JournalEntry[] => {
    const { seq, receivedAt, v, ...fields } = entry
    const body = writtenSchema.safeParse(fields)
    if (!body.success) {
      problems.push(...problemsOfZod(body.error, `journal.${i}`))
      return []
    }
    if (i > 0 && seq <= file.journal[i - 1].seq)
      problems.push({
        code: 'order',
        path: `journal.${i}.seq`,
        message: 'Entries must stand in the order of seq, each larger than the one before.',
      })
    return [upcastStamped({ ...body.data, seq, receivedAt, v })]
  })
  const held = new Set(dossiers.map((dossier) => dossier.hash))
  journal.forEach((entry, i) => {
    if (entry.kind === 'dossier-changed' && !held.has(entry.to.hash))
      problems.push({
        code: 'dossier-missing',
        path: `journal.${i}.to.hash`,
        message: `The version of the ${entry.dossier} this entry names is not in the file.`,
      })
    if (entry.kind === 'kit-added' && !held.has(entry.kit.hash))
      problems.push({
        code: 'dossier-missing',
        path: `journal.${i}.kit.hash`,
        message: 'The kit this entry brings in is not in the file.',
      })
  })
  return problems.length > 0 ? failure(...problems) : success({ ...file, dossiers, journal })
}
