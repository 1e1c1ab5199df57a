import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import {
  interpretLog,
  LogReader,
  readingOptions,
  suggestTrims,
  thinLog,
  type LogReading,
  type LogStretch,
  type TrimProblem,
  type TrimSuggestion,
} from '@tidy-badger/core/fuel-trim/compute'
import { serve } from '../platform/serve.ts'

export interface LogProblem {
  code: string
  path: string
  message: string
  line?: number
  column?: number
}

export type ReadOutcome =
  | {
      ok: true
      hash: string
      rows: number
      unreadableRows: number
      seconds: number
      columns: Record<string, string>
      units: Record<string, string>
    }
  | { ok: false; problems: LogProblem[] }

export type FitOutcome =
  | { ok: true; suggestion: TrimSuggestion; stretches: LogStretch[] }
  | { ok: false; problems: LogProblem[] }

type Tell = (share: number, stage: string) => void

/** Reads a file as a stream, so that no more than its columns is held in memory. */
async function readStream(
  file: Blob,
  reading: LogReading,
  stoichAfr: number,
  tell: Tell,
  took: (bytes: Uint8Array) => void = () => {},
) {
  const { read, units } = readingOptions(reading)
  const reader = new LogReader(read)
  const source = file.stream().getReader()
  let taken = 0
  for (;;) {
    const { done, value } = await source.read()
    if (done) break
    took(value)
    taken += value.length
    tell(taken / Math.max(1, file.size), 'reading the log')
    if (!reader.push(value)) {
      await source.cancel()
      break
    }
  }
  const raw = reader.finish()
  const outcome = raw.ok ? interpretLog(raw.value, stoichAfr, units) : raw
  return { outcome, raw }
}

export const api = {
  async read(file: Blob, reading: LogReading, stoichAfr: number, tell: Tell): Promise<ReadOutcome> {
    const digest = sha256.create()
    const { outcome, raw } = await readStream(file, reading, stoichAfr, tell, (bytes) => digest.update(bytes))
    if (!outcome.ok || !raw.ok) return { ok: false, problems: outcome.ok ? [] : outcome.problems }
    const { log, units } = outcome.value
    return {
      ok: true,
      hash: bytesToHex(digest.digest()),
      rows: log.rows,
      unreadableRows: log.unreadableRows,
      seconds: (log.timeS[log.rows - 1] ?? 0) - (log.timeS[0] ?? 0),
      columns: Object.fromEntries(raw.value.columns.map((column) => [column.role, column.name])),
      units: Object.fromEntries(Object.entries(units).map(([role, unit]) => [role, String(unit)])),
    }
  },

  async fit(file: Blob, reading: LogReading, stoichAfr: number, problem: TrimProblem, tell: Tell): Promise<FitOutcome> {
    const { outcome } = await readStream(file, reading, stoichAfr, (share, stage) => tell(share * 0.3, stage))
    if (!outcome.ok) return outcome
    const { log } = outcome.value
    const suggestion = suggestTrims(log, problem, (share, stage) => tell(0.3 + share * 0.65, stage))
    return { ok: true, suggestion, stretches: thinLog(log, suggestion.reasonOfRow) }
  },
}

export type FitApi = typeof api
serve(api)
