import type { FastifyServerOptions } from 'fastify'

export const logLevels = ['silent', 'error', 'warn', 'info', 'debug'] as const
export type LogLevel = (typeof logLevels)[number]

/** Pino, told what it may say: which route, how it ended, how long it took. No addresses, no texts, nothing of a body. */
export function loggerOptions(level: LogLevel): FastifyServerOptions['logger'] {
  if (level === 'silent') return false
  return { level, base: null, timestamp: () => `,"at":"${new Date().toISOString()}"` }
}

/** What is logged of a fault: its kind and where it happened. Its words are left out, since they may quote what somebody wrote. */
export function faultOf(error: Error & { code?: string }): { fault: string; code?: string; at: string[] } {
  const at = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line))
  return {
    fault: error.name,
    ...(error.code ? { code: error.code } : {}),
    at: at.slice(0, 8).map((line) => line.trim()),
  }
}
