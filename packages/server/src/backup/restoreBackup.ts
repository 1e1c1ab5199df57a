import { largestLogBytes } from '@tidy-badger/core/fuel-trim'
import { contentHash, findUnclean, problemsOfZod } from '@tidy-badger/core/shared'
import { z } from 'zod'
import type { JobRow, StoredEntry } from '../jobs/index.ts'
import { largestPhotoBytes } from '../photos/index.ts'
import { Refusal, refusal } from '../platform/errors.ts'
import {
  deviceRowSchema,
  dossierRowSchema,
  draftRowSchema,
  erratumSchema,
  jobRowSchema,
  manifestPath,
  manifestSchema,
  storedEntrySchema,
  vehicleRowSchema,
} from './format.ts'
import { readZip, sha256Of, type OpenZip } from './readZip.ts'
import type { BackupParts } from './parts.ts'

export interface RestoreResult {
  /** Jobs that were not here. */
  added: number
  /** Jobs that were here and got entries they did not have. */
  merged: number
  /** Jobs that had everything already. */
  unchanged: number
  entries: number
  files: number
  dossiers: number
}

/**
 * Brings a backup into the yard, empty or not: what is not there comes in under its own id and `seq`, what is there stays, a
 * journal that went on differently gets the missing entries after its own. All of the file is checked by hash and schema first.
 * @param file where the zip lies
 * @throws Refusal when something about it is wrong; nothing was changed then
 */
export async function restoreBackup(parts: BackupParts, file: string): Promise<RestoreResult> {
  const zip = await readZip(file)
  try {
    await verify(zip)
    const jobs = await readJobs(zip)
    const dossiers = await readAll(zip, /^dossiers\//, dossierRowSchema)
    for (const { hash, document } of dossiers)
      if (contentHash(document) !== hash) throw damaged(`dossiers/${hash}.json`)
    const brought = new Set(dossiers.map((row) => row.hash))
    for (const { row } of jobs)
      for (const hash of [row.machineHash, row.kitHash, ...row.moreKits.map((kit) => kit.hash)])
        if (!brought.has(hash) && !(await parts.dossiers.stored.row(hash)))
          throw refusal(
            'unprocessable',
            'dossier-missing',
            `The job "${row.title}" points at a dossier that is not in the backup.`,
          )
    const drafts = await read(zip, 'drafts.json', z.array(draftRowSchema))
    const errata = await read(zip, 'errata.json', z.array(erratumSchema))
    const devices = await read(zip, 'devices.json', z.array(deviceRowSchema))
    // Older backups have none: their jobs are gathered into machines anew.
    const vehicles = zip.paths.includes('vehicles.json')
      ? await read(zip, 'vehicles.json', z.array(vehicleRowSchema))
      : []

    for (const row of dossiers) await parts.dossiers.stored.keep(row)
    const files = await keepFiles(parts, zip)
    for (const row of drafts) await parts.dossiers.stored.keepDraft(row)
    await parts.wiring.stored.keep(errata)
    await parts.pairing.keep(devices)
    const result = { added: 0, merged: 0, unchanged: 0, entries: 0, files, dossiers: dossiers.length }
    for (const { row, entries } of jobs) {
      const { kind, fresh } = await parts.jobs.stored.oneByOne(`import ${row.origin}`, () =>
        bringIn(parts, row, entries),
      )
      result[kind]++
      result.entries += fresh
    }
    await parts.vehicles.stored.restore(vehicles)
    await parts.yard.noteRestored()
    return result
  } finally {
    zip.close()
  }
}

/** Every part named in the list of contents is there, with the bytes it had, and nothing else is. */
async function verify(zip: OpenZip): Promise<void> {
  const manifest = await read(zip, manifestPath, manifestSchema)
  const named = new Set(manifest.files.map((part) => part.path))
  const other = zip.paths.find((path) => path !== manifestPath && !named.has(path))
  if (other) throw refusal('unprocessable', 'not-a-backup', `The file holds "${other}", which its list does not name.`)
  for (const { path, sha256 } of manifest.files)
    if ((await sha256Of(await zip.stream(path))) !== sha256) throw damaged(path)
}

function damaged(path: string): Refusal {
  return refusal(
    'unprocessable',
    'hash-mismatch',
    `"${path}" in the backup is not what was put in: the file is damaged. Take an older copy.`,
  )
}

async function read<T>(zip: OpenZip, path: string, schema: z.ZodType<T>): Promise<T> {
  return checked(parseJson(await zip.text(path), path), path, schema)
}

function parseJson(text: string, path: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw refusal('unprocessable', 'not-a-backup', `"${path}" in the backup is not JSON.`)
  }
}

function checked<T>(value: unknown, path: string, schema: z.ZodType<T>): T {
  const unclean = findUnclean(value)
  if (unclean) throw new Refusal('unprocessable', { ...unclean, path: `${path} ${unclean.path}`.trim() })
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  throw new Refusal(
    'unprocessable',
    ...problemsOfZod(parsed.error).map((problem) => ({ ...problem, path: `${path} ${problem.path}`.trim() })),
  )
}

async function readAll<T>(zip: OpenZip, pattern: RegExp, schema: z.ZodType<T>): Promise<T[]> {
  const rows: T[] = []
  for (const path of zip.paths.filter((candidate) => pattern.test(candidate))) rows.push(await read(zip, path, schema))
  return rows
}

async function readJobs(zip: OpenZip): Promise<{ row: JobRow; entries: StoredEntry[] }[]> {
  const jobs: { row: JobRow; entries: StoredEntry[] }[] = []
  for (const path of zip.paths.filter((candidate) => /^jobs\/[^/]+\/job\.json$/.test(candidate))) {
    const row = await read(zip, path, jobRowSchema)
    const journal = path.replace(/job\.json$/, 'journal.jsonl')
    const lines = (await zip.text(journal)).split('\n').filter((line) => line !== '')
    const entries = lines.map((line) => checked(parseJson(line, journal), journal, storedEntrySchema))
    const late = entries.find((entry, i) => i > 0 && entry.seq <= entries[i - 1].seq)
    if (late) throw refusal('unprocessable', 'order', `Entry ${late.seq} in "${journal}" is out of order.`)
    jobs.push({ row, entries })
  }
  return jobs
}

async function keepFiles({ deps }: BackupParts, zip: OpenZip): Promise<number> {
  let kept = 0
  for (const path of zip.paths) {
    const [, kind, hash] = /^(logs|photos)\/([0-9a-f]{64})$/.exec(path) ?? []
    if (!hash) continue
    const store = kind === 'logs' ? deps.files : deps.photos
    if (await store.has(hash)) continue
    await store.put(hash, await zip.stream(path), kind === 'logs' ? largestLogBytes : largestPhotoBytes)
    kept++
  }
  return kept
}

async function bringIn(
  { jobs }: BackupParts,
  row: JobRow,
  entries: readonly StoredEntry[],
): Promise<{ kind: 'added' | 'merged' | 'unchanged'; fresh: number }> {
  const { repository, oneByOne, changed } = jobs.stored
  const here = (await repository.byId(row.id)) ?? (await repository.byOrigin(row.origin))
  if (!here) {
    await repository.restore(row.id, row, entries)
    await changed(row.id)
    return { kind: 'added', fresh: entries.length }
  }
  return oneByOne(here.id, async () => {
    const head = await repository.headOf(here.id)
    const known = new Set<string>()
    for await (const page of repository.storedJournal(here.id, head)) for (const entry of page) known.add(entry.id)
    const fresh = entries.filter((entry) => !known.has(entry.id))
    if (fresh.length === 0) return { kind: 'unchanged' as const, fresh: 0 }
    // The journal here is the beginning of the one in the backup: numbers survive. Else the missing ones come after.
    const goesOn = fresh[0].seq > head
    await repository.restore(here.id, null, goesOn ? fresh : fresh.map((entry, i) => ({ ...entry, seq: head + 1 + i })))
    await changed(here.id)
    return { kind: 'merged' as const, fresh: fresh.length }
  })
}
