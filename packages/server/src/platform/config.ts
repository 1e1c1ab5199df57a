import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { logLevels, type LogLevel } from './log.ts'

export interface Config {
  port: number
  /** Where to listen; anything but 127.0.0.1 opens the door to paired devices only. */
  host: string
  dataFolder: string
  /** Fill an empty store with the demo jobs. */
  demo: boolean
  /** Built web app, or null to serve the API alone. */
  webFolder: string | null
  /** Longest a fit may take, ms. */
  fitLimitMs: number
  /** How much is logged. */
  logLevel: LogLevel
  /** Answers that break their own schema are errors; on in tests. */
  checkAnswers: boolean
}

/** What a yard's folder has in it. */
const yardParts = ['store', 'photos', 'logs', 'backups']

/** Where a yard keeps what it has written down: in `yard`; one that was begun in `data`, as it used to be called, stays there. */
function yardFolder(root: string): string {
  return yardParts.some((part) => existsSync(resolve(root, 'data', part))) ? 'data' : 'yard'
}

/** Settings from the environment; a wrong one stops the start with a sentence. */
export function readConfig(env: NodeJS.ProcessEnv, root: string): Config {
  const port = Number(env.PORT ?? 4310)
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT is "${env.PORT}", but must be a whole number from 0 to 65535.`)
  const host = (env.HOST ?? '').trim() || '127.0.0.1'
  if (!/^[\w.:-]+$/.test(host))
    throw new Error(`HOST is "${env.HOST}", but must be an address or a name of this machine.`)
  const logLevel = logLevels.find((level) => level === (env.LOG_LEVEL ?? 'info').toLowerCase())
  if (!logLevel) throw new Error(`LOG_LEVEL is "${env.LOG_LEVEL}", but must be one of ${logLevels.join(', ')}.`)
  return {
    port,
    host: host === 'localhost' ? '127.0.0.1' : host,
    dataFolder: resolve(root, env.TIDY_BADGER_DATA ?? yardFolder(root)),
    demo: env.TIDY_BADGER_DEMO === '1',
    webFolder: resolve(root, 'packages/web/dist'),
    fitLimitMs: 30_000,
    logLevel,
    checkAnswers: env.TIDY_BADGER_CHECK_ANSWERS === '1',
  }
}
