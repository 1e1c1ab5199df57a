import { randomUUID } from 'node:crypto'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildApp, type App } from './app.ts'
import { openInMemory } from './platform/db.ts'
import { openFileStore, openPhotoStore } from './platform/fileStore.ts'

export interface TestApp extends App {
  close: () => Promise<void>
  /** Sends JSON and reads JSON. */
  ask: (method: 'GET' | 'POST' | 'PUT', url: string, body?: unknown) => Promise<{ status: number; body: unknown }>
}

/** The whole server on a database in memory, for tests. */
export async function testApp(
  change: { fitLimitMs?: number; host?: string; now?: () => number } = {},
): Promise<TestApp> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-test-'))
  const database = await openInMemory()
  let tick = 0
  const app = await buildApp({
    db: database.db,
    files: await openFileStore(folder),
    photos: await openPhotoStore(folder),
    config: {
      port: 0,
      host: change.host ?? '127.0.0.1',
      dataFolder: folder,
      demo: false,
      webFolder: null,
      fitLimitMs: change.fitLimitMs ?? 30_000,
    },
    now: () => new Date(change.now?.() ?? Date.UTC(2026, 5, 1, 8, 0, tick++)).toISOString(),
    newId: randomUUID,
  })
  return {
    ...app,
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
