import { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { cp, mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gunzipSync } from 'node:zlib'
import { newEntrySchema, upcastEntry, type JournalEntry, type NewEntry, type OlderChoice } from '@tidy-badger/core/jobs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { buildApp } from '../app.ts'
import { migrationsFolder, openDatabase } from './db.ts'
import { openFileStore, openPhotoStore } from './fileStore.ts'
import { beginStore } from './newStore.ts'
import { testPool } from '../testPool.ts'

/** Stores as landed releases left them: which migrations they had, and every row. */
interface OldStore {
  migrations: number
  tables: Record<string, Record<string, unknown>[]>
}

const fixtures = fileURLToPath(new URL('../../../../e2e/fixtures', import.meta.url))
const stores = (await readdir(fixtures)).filter((name) => name.endsWith('.json.gz')).sort()
let folder: string
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'tidy-badger-upgrade-'))
})
afterAll(async () => {
  await rm(folder, { recursive: true, force: true })
})

/** A data folder as that release left it. */
async function oldDataFolder(name: string): Promise<{ dataFolder: string; old: OldStore }> {
  const old = JSON.parse(gunzipSync(await readFile(join(fixtures, name))).toString()) as OldStore
  const migrations = join(folder, `${name}-migrations`)
  await cp(migrationsFolder, migrations, { recursive: true })
  const journalFile = join(migrations, 'meta', '_journal.json')
  const journal = JSON.parse(await readFile(journalFile, 'utf8')) as { entries: unknown[] }
  await writeFile(journalFile, JSON.stringify({ ...journal, entries: journal.entries.slice(0, old.migrations) }))
  const dataFolder = join(folder, name)
  await mkdir(dataFolder, { recursive: true })
  await beginStore(join(dataFolder, 'store'))
  const client = await PGlite.create(join(dataFolder, 'store'))
  await migrate(drizzle(client), { migrationsFolder: migrations })
  for (const [table, rows] of Object.entries(old.tables))
    for (let at = 0; at < rows.length; at += 200)
      await client.query(`insert into ${table} select * from jsonb_populate_recordset(null::${table}, $1)`, [
        JSON.stringify(rows.slice(at, at + 200)),
      ])
  await client.close()
  return { dataFolder, old }
}

/** An entry as it is read today: a decision became one of its capability, nothing else changed. */
function today(body: NewEntry | OlderChoice): NewEntry {
  const entry = upcastEntry(body)
  if (body.kind === 'choice') expect(entry, body.choice).toMatchObject({ id: body.id, value: expect.anything() })
  else expect(entry).toEqual(body)
  expect(newEntrySchema.safeParse(entry).success, JSON.stringify(entry)).toBe(true)
  return entry
}

describe.each(stores)('a yard as %s', (name) => {
  test('opens, shows every job with its journal, and gets what ships as the next versions', async () => {
    const { dataFolder, old } = await oldDataFolder(name)
    const database = await openDatabase(dataFolder)
    const app = await buildApp({
      db: database.db,
      folder: database.folder,
      files: await openFileStore(dataFolder),
      photos: await openPhotoStore(dataFolder),
      pool: testPool,
      config: {
        port: 0,
        host: '127.0.0.1',
        dataFolder,
        demo: false,
        webFolder: null,
        fitLimitMs: 30_000,
        logLevel: 'silent',
        checkAnswers: true,
      },
      now: () => '2026-12-01T08:00:00.000Z',
      newId: () => 'made',
    })
    const get = async (url: string) => (await app.server.inject(url)).json()
    const jobs: { id: string; unreadable?: string; machine: { hash: string } }[] = await get('/api/jobs')
    expect(jobs.map((job) => job.unreadable ?? '')).toEqual(jobs.map(() => ''))
    expect(jobs.map((job) => job.id).sort()).toEqual(old.tables.jobs.map((row) => row.id).sort())
    for (const job of jobs) {
      const { entries } = await get(`/api/jobs/${job.id}/journal`)
      const rows = old.tables.entries.filter((row) => row.job === job.id).sort((a, b) => Number(a.seq) - Number(b.seq))
      expect(entries.map(({ seq, receivedAt: _at, v: _v, ...body }: JournalEntry) => ({ seq, body }))).toEqual(
        rows.map((row) => ({ seq: row.seq, body: today(row.body as NewEntry | OlderChoice) })),
      )
      const row = old.tables.jobs.find((item) => item.id === job.id)
      expect(job.machine.hash, 'jobs keep theirs').toBe(row?.machine_hash)
    }
    // The corrected data has arrived: what is newest has its covers and passages.
    const { document, hash } = await get('/api/dossiers/machine/pellick-gorse-430')
    expect(document.passages.length).toBeGreaterThan(0)
    const [first] = old.tables.dossiers
      .filter((item) => item.id === 'pellick-gorse-430')
      .sort((a, b) => Number(b.version) - Number(a.version))
    const shipped = app.seeded.find((item) => item.name.includes('Gorse'))
    if (first?.hash === hash) expect(shipped).toBeUndefined()
    else expect(shipped).toMatchObject({ correction: true, version: Number(first?.version) + 1 })
    if (shipped) {
      const job = jobs.find((item) => old.tables.jobs.find((row) => row.id === item.id)?.machine_hash === first?.hash)
      const offered = await get(`/api/jobs/${job?.id}/newer`)
      expect(offered.machine.changes.length).toBeGreaterThan(0)
    }
    await app.server.close()
    await database.close()
  })
})
