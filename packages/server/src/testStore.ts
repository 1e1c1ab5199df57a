import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { dossierRepository } from './dossiers/repository.ts'
import { seedShipped } from './dossiers/seedShipped.ts'
import { makeTemplate, templateVariable } from './platform/testDatabase.ts'

/** Makes the tables and what ships once for all test files; each opens a copy. */
export default async function testStore(): Promise<() => Promise<void>> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-template-'))
  const file = join(folder, 'store.tar')
  const template = await makeTemplate(join(folder, 'store'), async (db) => {
    await seedShipped(dossierRepository(db), '2026-06-01T00:00:00.000Z', () => undefined)
  })
  await writeFile(file, Buffer.from(await template.arrayBuffer()))
  process.env[templateVariable] = file
  return () => rm(folder, { recursive: true, force: true })
}
