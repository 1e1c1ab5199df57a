import { randomUUID } from 'node:crypto'
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync } from 'node:zlib'
import { buildApp, type App } from './app.ts'
import { openInMemory } from './platform/testDatabase.ts'
import type { AppDeps } from './platform/deps.ts'
import { openFileStore, openPhotoStore } from './platform/fileStore.ts'
import type { WorkPool } from './platform/workPool.ts'
import { testPool } from './testPool.ts'

export interface TestApp extends App {
  deps: AppDeps
  close: () => Promise<void>
  /** Sends JSON and reads JSON, from this machine. */
  ask: (
    method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
    url: string,
    body?: unknown,
  ) => Promise<{ status: number; body: unknown }>
}

/** The whole server on a database in memory, for tests; answers that break their own schema are errors. */
export async function testApp(
  change: { fitLimitMs?: number; host?: string; now?: () => number; page?: boolean; pool?: WorkPool } = {},
): Promise<TestApp> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-test-'))
  const database = await openInMemory()
  let tick = 0
  const deps: AppDeps = {
    db: database.db,
    files: await openFileStore(folder),
    photos: await openPhotoStore(folder),
    folder: database.folder,
    pool: change.pool ?? testPool,
    config: {
      port: 0,
      host: change.host ?? '127.0.0.1',
      dataFolder: folder,
      demo: false,
      webFolder: change.page ? await emptyPage(folder) : null,
      fitLimitMs: change.fitLimitMs ?? 30_000,
      logLevel: 'silent',
      checkAnswers: true,
    },
    now: () => new Date(change.now?.() ?? Date.UTC(2026, 5, 1, 8, 0, tick++)).toISOString(),
    newId: randomUUID,
  }
  const app = await buildApp(deps)
  return {
    ...app,
    deps,
    async ask(method, url, body) {
      const response = await app.server.inject({
        method,
        url,
        ...(body === undefined ? {} : { payload: body as object }),
      })
      return { status: response.statusCode, body: response.body === '' ? null : JSON.parse(response.body) }
    },
    async close() {
      await app.server.close()
      await database.close()
      await rm(folder, { recursive: true, force: true })
    },
  }
}

/** A page to serve, in place of the built one. */
async function emptyPage(folder: string): Promise<string> {
  const page = join(folder, 'page')
  await mkdir(join(page, 'assets'), { recursive: true })
  await writeFile(join(page, 'index.html'), '<!doctype html><title>Tidy Badger</title><p>Opening…</p>')
  await writeFile(join(page, 'assets', 'app.js'), 'export {}')
  await mkdir(join(page, '.vite'))
  const manifest = {
    'index.html': { file: 'assets/app.js' },
    'src/app/JobRoom.tsx': { file: 'assets/room.js', imports: ['index.html'] },
    'src/fuel-trim/index.ts': { file: 'assets/trim.js', imports: ['src/app/JobRoom.tsx'] },
  }
  await writeFile(join(page, '.vite', 'manifest.json'), JSON.stringify(manifest))
  await writeFile(join(page, 'assets', 'app.js.br'), brotliCompressSync('export {}'))
  return page
}
