import { mkdir, mkdtemp, readdir, rename, rm, stat, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { prepareDataFolder, watchFolder } from './dataFolder.ts'
import { openDatabase } from './db.ts'

let folder: string
let count = 0
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'tidy-badger-folder-'))
})
afterAll(() => rm(folder, { recursive: true, force: true }))

async function fresh(...files: string[]): Promise<string> {
  const place = join(folder, `f${count++}`)
  await mkdir(place, { recursive: true })
  for (const file of files) {
    await mkdir(join(place, file, '..'), { recursive: true })
    await writeFile(join(place, file), 'x')
  }
  return place
}

describe('a data folder at the start', () => {
  test('an empty or missing one becomes a new yard', async () => {
    await expect(prepareDataFolder(await fresh())).resolves.toBeUndefined()
    await expect(prepareDataFolder(join(folder, 'not', 'there'))).resolves.toBeUndefined()
  })

  test.each([
    ['logs without a database', ['logs/abc']],
    ['photos without a database', ['photos/abc']],
    ['copies without a database', ['backups/yard-1.zip']],
    ['a database without its first file', ['store/base/1']],
  ])('%s are never begun anew', async (_, files) => {
    const place = await fresh(...files)
    await expect(openDatabase(place)).rejects.toThrow(/PG_VERSION is missing.*npm run restore.*TIDY_BADGER_DATA/s)
    await expect(openDatabase(place)).rejects.toThrow(place)
  })

  test('begins whole, for its owner alone, also where a start was ended in the midst of it', async () => {
    const place = await fresh('store.begun/base/half')
    const { db, close } = await openDatabase(place)
    expect((await db.execute('select count(*)::int as jobs from jobs')).rows).toEqual([{ jobs: 0 }])
    await close()
    expect(await readdir(place)).toEqual(['store'])
    expect((await stat(join(place, 'store'))).mode & 0o777).toBe(0o700)
  })

  test('that cannot be begun is said, and nothing of it stays', async () => {
    // So deep that some of its files have no name any more that the system takes.
    const place = (await fresh()).padEnd(4060, `/${'d'.repeat(99)}`)
    await expect(openDatabase(place)).rejects.toThrow(/^No database can be begun in .*ENAMETOOLONG.*TIDY_BADGER_DATA/s)
    expect(await readdir(place)).toEqual([])
  })

  test('a place that cannot be written to is named, with what to do', async () => {
    const place = await fresh('data')
    await expect(openDatabase(join(place, 'data'))).rejects.toThrow(/cannot be written to .*TIDY_BADGER_DATA/s)
  })

  test('a damaged database is named, with what to do, and stays as it is', async () => {
    const place = await fresh('store/PG_VERSION', 'store/global/pg_control')
    await expect(openDatabase(place)).rejects.toThrow(/does not open: it is damaged .*npm run restore/s)
  })
})

describe('a data folder that goes away', () => {
  test('is noticed when it is deleted, swapped, or loses its database; put back, work goes on', async () => {
    const place = await fresh('store/PG_VERSION')
    const watch = watchFolder(place)
    expect(() => watch.check()).not.toThrow()
    await rename(place, `${place}-gone`)
    expect(() => watch.check()).toThrow('was moved or deleted')
    await mkdir(join(place, 'store'), { recursive: true })
    await writeFile(join(place, 'store', 'PG_VERSION'), 'x')
    expect(() => watch.check(), 'another one under the same name').toThrow('was moved or deleted')
    await rm(place, { recursive: true })
    await rename(`${place}-gone`, place)
    expect(() => watch.check()).not.toThrow()
  })

  test('stops every write before it is acknowledged', async () => {
    const place = await fresh()
    const { db, close } = await openDatabase(place)
    await db.execute('create table kept (id int)')
    await rename(join(place, 'store'), join(place, 'elsewhere'))
    await expect(db.execute('insert into kept values (1)')).rejects.toThrow()
    await expect(db.transaction((tx) => tx.execute('insert into kept values (2)'))).rejects.toThrow()
    await rename(join(place, 'elsewhere'), join(place, 'store'))
    expect((await db.execute('select * from kept')).rows).toEqual([])
    await close()
  })
})
