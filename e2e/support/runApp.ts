import { spawn, type ChildProcess } from 'node:child_process'
import { cp, mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const server = fileURLToPath(new URL('../../packages/server/dist/main.js', import.meta.url))

export interface RunningApp {
  url: string
  folder: string
  /** Its process. */
  pid: number
  /** Ends the process at once, as a power switch would the program; the data folder stays. */
  kill: () => Promise<void>
  /** Ends it in order; the data folder stays. */
  end: () => Promise<void>
  /** Ends it in order and removes its data. */
  stop: () => Promise<void>
}

export interface AppOptions {
  demo?: boolean
  folder?: string
  port?: number
  /** Where to listen; this machine alone unless said. */
  host?: string
  /** It is asked little: its database's code is not compiled with the care that pays only later. */
  brief?: boolean
}

/** Starts the built server (`npm run build`) as a process of its own on a data folder of its own. */
export async function runApp(options: AppOptions = {}): Promise<RunningApp> {
  const folder = options.folder ?? (await copyOf(process.env.TIDY_BADGER_NEW_YARD))
  const child = spawn(process.execPath, [...(options.brief ? ['--liftoff-only'] : []), server], {
    env: {
      ...process.env,
      TIDY_BADGER_DATA: folder,
      TIDY_BADGER_DEMO: options.demo ? '1' : '0',
      PORT: String(options.port ?? 0),
      HOST: options.host ?? '',
      LOG_LEVEL: 'error',
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  const url = await addressOf(child)
  const ended = new Promise<void>((done) => child.once('exit', () => done()))
  return {
    url,
    folder,
    pid: child.pid ?? 0,
    async kill() {
      child.kill('SIGKILL')
      await ended
    },
    async end() {
      child.kill('SIGTERM')
      await ended
    },
    async stop() {
      child.kill('SIGTERM')
      await ended
      await rm(folder, { recursive: true, force: true })
    },
  }
}

/** A data folder of its own, as the demo yard left it: quicker than a new database. */
export const yardFolder = (): Promise<string> => copyOf(process.env.TIDY_BADGER_YARD)

/** A folder of its own with what is in another, or with nothing. */
async function copyOf(from: string | undefined): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-e2e-'))
  if (from) await cp(from, folder, { recursive: true })
  return folder
}

function addressOf(child: ChildProcess): Promise<string> {
  return new Promise((done, failed) => {
    let said = ''
    const hear = (chunk: Buffer) => {
      said += chunk.toString()
      const address = /is at (http:\S+)/.exec(said)?.[1]
      if (address) done(address)
    }
    child.stdout?.on('data', hear)
    child.stderr?.on('data', hear)
    child.once('exit', (code) => failed(new Error(`The server ended with ${code}: ${said}`)))
  })
}
