import { createReadStream, createWriteStream } from 'node:fs'
import { access, realpath, rename, rm } from 'node:fs/promises'
import { request as httpRequest, type ClientRequest, type IncomingMessage } from 'node:http'
import { resolve } from 'node:path'
import { json } from 'node:stream/consumers'
import { pipeline } from 'node:stream/promises'
import { fileURLToPath } from 'node:url'
import { readConfig } from '../platform/config.ts'
import type { RestoreResult } from './restoreBackup.ts'

// `npm run backup -- FILE` and `npm run restore -- FILE`: beside the running server, or with none running.

const root = fileURLToPath(new URL('../../../..', import.meta.url))

async function run(): Promise<void> {
  const [action, given] = process.argv.slice(2)
  if ((action !== 'backup' && action !== 'restore') || !given)
    throw new Error('Name the file: npm run backup -- yard.zip, or npm run restore -- yard.zip')
  const file = resolve(process.env.INIT_CWD ?? process.cwd(), given)
  if (action === 'restore') await access(file).catch(() => Promise.reject(new Error(`There is no file ${file}.`)))
  const config = { ...readConfig(process.env, root), logLevel: 'silent' as const }
  const url = await runningServer(config.port, config.dataFolder)
  if (url === null) {
    // Loaded only when needed: beside a running server this process only passes the file on.
    const { buildApp } = await import('../app.ts')
    const { openDeps } = await import('../platform/openDeps.ts')
    const { deps, close } = await openDeps(config)
    const { server, backup } = await buildApp(deps)
    try {
      if (action === 'backup') await backup.writeTo(file)
      else say(await backup.restoreFile(file))
    } finally {
      await server.close()
      await close()
    }
  } else if (action === 'backup') await fetchBackup(url, file)
  else say(await sendBackup(url, file))
  if (action === 'backup') console.log(`The yard in ${config.dataFolder} is in ${file}.`)
}

/**
 * The server that works in a data folder, when it is the one at this port.
 * @throws a sentence when another one answers there
 */
async function runningServer(port: number, dataFolder: string): Promise<string | null> {
  const url = `http://127.0.0.1:${port}`
  const answer = await fetch(`${url}/api/backup/settings`).catch(() => null)
  if (!answer?.ok) return null
  const { dataFolder: theirs } = await answer.json()
  const same =
    (await realpath(String(theirs)).catch(() => theirs)) === (await realpath(dataFolder).catch(() => dataFolder))
  return same ? url : null
}

async function fetchBackup(url: string, file: string): Promise<void> {
  const answer = await answerOf(httpRequest(`${url}/api/backup`).end())
  if (answer.statusCode !== 200) throw new Error(`The server answered ${answer.statusCode}.`)
  const draft = `${file}.part`
  try {
    await pipeline(answer, createWriteStream(draft, { mode: 0o600 }))
    await rename(draft, file)
  } finally {
    await rm(draft, { force: true })
  }
}

async function sendBackup(url: string, file: string): Promise<RestoreResult> {
  const sending = httpRequest(`${url}/api/restore`, {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
  })
  const answering = answerOf(sending)
  createReadStream(file).pipe(sending)
  const body: unknown = await json(await answering)
  if (Array.isArray(body)) throw new Error(body.map((problem) => problem.message).join(' '))
  // oxlint-disable-next-line typescript/consistent-type-assertions -- the server's own answer
  return body as RestoreResult
}

function answerOf(asked: ClientRequest): Promise<IncomingMessage> {
  return new Promise((done, failed) => asked.once('response', done).once('error', failed))
}

function say({ added, merged, unchanged, entries, files }: RestoreResult): void {
  console.log(
    `Brought in: ${added} jobs that were not here, ${merged} that lacked something, ${unchanged} were whole; ${entries} entries, ${files} files.`,
  )
}

run().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error instanceof Error ? error.message : error)
    process.exit(1)
  },
)
