import { refOf } from '@tidy-badger/core/dossiers'
import { instant } from '@tidy-badger/core/journal'
import { entryVersion } from '@tidy-badger/core/jobs'
import { cleanText, largestInteger } from '@tidy-badger/core/shared'
import { z } from 'zod'
import { hashText } from '../platform/http.ts'

/** What a backup holds: `backup.json` last, everything else named in it with its hash. */
export const manifestSchema = z.object({
  format: z.literal('tidy-badger-backup'),
  version: z.literal(1),
  madeAt: z.string(),
  yard: z.string(),
  files: z.array(z.object({ path: z.string().max(400), sha256: hashText, bytes: z.int() })),
})
export type Manifest = z.output<typeof manifestSchema>

export const manifestPath = 'backup.json'

export const jobRowSchema = z.object({
  id: cleanText(100),
  origin: cleanText(100),
  title: cleanText(200),
  machineHash: hashText,
  machineVariant: z.string().brand<'variant'>().nullable(),
  kitHash: hashText,
  moreKits: z.array(z.object({ hash: hashText, present: z.boolean().optional() })).default([]),
  createdAt: z.string().max(40),
  provenance: z.array(z.object({ job: z.string(), importedAt: z.string() })),
  archivedAt: z.string().nullable(),
  deletedAt: z.string().nullable(),
})
export const storedEntrySchema = z.object({
  seq: z.int().min(1).max(largestInteger),
  id: cleanText(100),
  v: z
    .int()
    .min(1)
    .refine((v) => v <= entryVersion, 'The entry was written by a newer Tidy Badger. Update this one first.'),
  receivedAt: z.string().max(40),
  body: z.looseObject({ id: z.string(), kind: z.string() }),
  sender: z.string().nullable(),
})
export const dossierRowSchema = z.object({
  hash: hashText,
  kind: z.enum(['machine', 'kit']),
  id: z.string(),
  version: z.int().min(1).max(largestInteger),
  document: z.record(z.string(), z.unknown()),
  storedAt: z.string(),
  published: z.boolean(),
})
export const draftRowSchema = z.object({
  id: z.string(),
  document: z.record(z.string(), z.unknown()),
  savedAt: z.string(),
  revision: z.int().min(1),
  savedBy: z.string().nullable(),
})
export const erratumSchema = z.object({
  id: z.string(),
  kit: refOf.kit,
  machine: refOf.machine,
  kitEnd: refOf.kitEnd,
  says: z.string(),
  is: z.string(),
  by: z.string(),
  at: z.string(),
})
export const deviceRowSchema = z.object({
  id: z.string(),
  name: z.string(),
  person: z.string().nullable(),
  tokenHash: z.string(),
  pairedAt: instant,
  expiresAt: instant,
  seenAt: instant,
  revokedAt: instant.nullable(),
})

const ownerSchema = z.object({ name: cleanText(200), contact: cleanText(200).optional() })
const plateSchema = cleanText(100)
/** What was written down of machines on file. */
export const vehicleRowSchema = z.object({
  vehicle: cleanText(100),
  seq: z.int().min(1).max(largestInteger),
  receivedAt: z.string().max(40),
  body: z.discriminatedUnion('kind', [
    z.object({
      kind: z.literal('registered'),
      machine: z.object({
        id: refOf.machine,
        version: z.int().positive(),
        hash: hashText,
        variant: z.string().brand<'variant'>().optional(),
      }),
      plate: plateSchema.nullable(),
      frame: plateSchema.nullable(),
      owner: ownerSchema.nullable(),
    }),
    z.object({
      kind: z.literal('changed'),
      plate: plateSchema.nullable().optional(),
      frame: plateSchema.nullable().optional(),
      owner: ownerSchema.nullable().optional(),
    }),
    z.object({ kind: z.literal('took-job'), job: cleanText(100) }),
    z.object({ kind: z.literal('gave-job'), job: cleanText(100) }),
    z.object({ kind: z.literal('merged'), into: cleanText(100) }),
  ]),
})
