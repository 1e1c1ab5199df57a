import { fileURLToPath } from 'node:url'
import { earlyModule } from './platform/earlyModule.ts'

const root = fileURLToPath(new URL('../../..', import.meta.url))

async function start(): Promise<void> {
  // Compiled by other threads while this one reads the rest. What fails in it is said where the store is opened.
  earlyModule().catch(() => undefined)
  const [{ readConfig }, { openDeps }, { listenOnLoopbackToo }] = await Promise.all([
    import('./platform/config.ts'),
    import('./platform/openDeps.ts'),
    import('./platform/loopbackListener.ts'),
  ])
  const config = readConfig(process.env, root)
  // The store is opened while the rest is read.
  const [{ deps, close }, { buildApp }] = await Promise.all([openDeps(config), import('./app.ts')])
  const { server, jobs, vehicles, seeded } = await buildApp(deps)
  for (const { name, version, changes } of seeded.filter((item) => item.correction))
    console.log(
      `${name}: version ${version} of its dossier is published (${changes.length === 1 ? 'one change' : `${changes.length} changes`}). Jobs stay with theirs and offer the new one.`,
    )
  if (config.demo) await (await import('./demo/index.ts')).seedDemo(deps, jobs, vehicles)
  await server.listen({ port: config.port, host: config.host })
  const address = server.server.address()
  const port = typeof address === 'object' && address ? address.port : config.port
  const everywhere = ['127.0.0.1', '0.0.0.0', '::'].includes(config.host)
  const loopbackListener = everywhere ? null : await listenOnLoopbackToo(server, port)
  console.log(`Tidy Badger is at http://127.0.0.1:${port}`)
  if (config.host !== '127.0.0.1')
    console.log(`Devices of the network are paired by a code: open http://127.0.0.1:${port}/bench on this machine.`)

  let stopping = false
  const stop = async () => {
    if (stopping) return
    stopping = true
    loopbackListener?.close()
    await server.close()
    await close()
    process.exit(0)
  }
  process.on('SIGTERM', () => void stop())
  process.on('SIGINT', () => void stop())
}

start().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error)
  process.exit(1)
})
