import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { migrationsFolder } from './db.ts'
import { copyOfTemplate } from './testDatabase.ts'

interface Journal {
  entries: { tag: string }[]
}

/** The migrations as they were when only the first `count` existed. */
async function migrationsUpTo(count: number): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-migrations-'))
  await cp(migrationsFolder, folder, { recursive: true })
  const file = join(folder, 'meta', '_journal.json')
  const journal = JSON.parse(await readFile(file, 'utf8')) as Journal
  await writeFile(file, JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }))
  return folder
}

test('a store of every earlier version, with data in it, is brought up to date and keeps its data', async () => {
  const all = (JSON.parse(await readFile(join(migrationsFolder, 'meta', '_journal.json'), 'utf8')) as Journal).entries
  expect(all.length).toBeGreaterThan(1)
  const client = await copyOfTemplate()
  const db = drizzle(client)
  for (let version = 1; version < all.length; version++) {
    const folder = await migrationsUpTo(version)
    // A store of its own for each: to boot one takes seconds.
    await client.exec('drop schema public cascade; create schema public; drop schema if exists drizzle cascade')
    await migrate(db, { migrationsFolder: folder })
    await client.query(
      `insert into dossiers (hash, kind, id, version, document, stored_at) values ('h1', 'machine', 'm', 1, '{"a":1}', now()), ('h2', 'kit', 'k', 1, '{}', now())`,
    )
    // Until drafts were told from what is published, a version could stand there twice.
    if (version < 4)
      await client.query(
        `insert into dossiers (hash, kind, id, version, document, stored_at) values ('h3', 'machine', 'm', 1, '{"a":2}', now() + interval '1 minute')`,
      )
    await client.query(
      `insert into jobs (id, origin, title, machine_hash, kit_hash, created_at, provenance) values ('j', 'j', 'kept', 'h1', 'h2', '', '[]')`,
    )
    await client.query(
      `insert into entries (job, seq, id, v, received_at, body) values ('j', 1, 'e', 1, '', '{"kind":"note","text":"kept"}')`,
    )
    await migrate(db, { migrationsFolder })
    const { rows } = await client.query(`select title, body from jobs join entries on entries.job = jobs.id`)
    expect(rows).toEqual([{ title: 'kept', body: { kind: 'note', text: 'kept' } }])
    const published = await client.query(`select hash, published from dossiers order by hash`)
    expect(published.rows, 'of two under one version the first stays published').toEqual([
      { hash: 'h1', published: true },
      { hash: 'h2', published: true },
      ...(version < 4 ? [{ hash: 'h3', published: false }] : []),
    ])
    expect((await client.query('select * from drafts')).rows).toEqual([])
    expect((await client.query('select * from errata')).rows).toEqual([])
    expect((await client.query('select more_kits from jobs')).rows).toEqual([{ more_kits: [] }])
    await rm(folder, { recursive: true, force: true })
  }
  await client.close()
})
