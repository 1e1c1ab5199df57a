import { randomUUID } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import { buildApp } from './app.ts'
import { seedDemo } from './demo/index.ts'
import { readConfig } from './platform/config.ts'
import { openDatabase } from './platform/db.ts'
import { openFileStore, openPhotoStore } from './platform/fileStore.ts'
import { lockFolder } from './platform/folderLock.ts'
import { listenOnLoopbackToo } from './platform/loopback.ts'

const root = fileURLToPath(new URL('../../..', import.meta.url))

async function start(): Promise<void> {
  const config = readConfig(process.env, root)
  const lock = await lockFolder(config.dataFolder)
  const database = await openDatabase(config.dataFolder)
  const rooms = {
    db: database.db,
    files: await openFileStore(config.dataFolder),
    photos: await openPhotoStore(config.dataFolder),
    config,
    now: () => new Date().toISOString(),
    newId: randomUUID,
  }
  const { server, jobs } = await buildApp(rooms)
  if (config.demo) await seedDemo(rooms, jobs)
  await server.listen({ port: config.port, host: config.host })
  const address = server.server.address()
  const port = typeof address === 'object' && address ? address.port : config.port
  const everywhere = ['127.0.0.1', '0.0.0.0', '::'].includes(config.host)
  const ear = everywhere ? null : await listenOnLoopbackToo(server, port)
  console.log(`Tidy Badger is at http://127.0.0.1:${port}`)
  if (config.host !== '127.0.0.1')
    console.log(`Devices of the network are let in by a code: open http://127.0.0.1:${port}/bench on this machine.`)

  let stopping = false
  const stop = async () => {
    if (stopping) return
    stopping = true
    ear?.close()
    await server.close()
    await database.close()
    await lock.release()
    process.exit(0)
  }
  process.on('SIGTERM', () => void stop())
  process.on('SIGINT', () => void stop())
}

start().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error)
  process.exit(1)
})
