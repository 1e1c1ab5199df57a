import type { WakeState } from './state.ts'

/** Codes of a job against those it came with. */
export interface CodeLedger {
  /** There now, and not before: this job's, unless the drive shows otherwise. */
  fresh: string[]
  /** There before, and now. */
  old: string[]
  /** There before, and not now. */
  gone: string[]
  /** Whether both were read at all. */
  known: boolean
}

const same = (a: string, b: string) => a.trim().toUpperCase() === b.trim().toUpperCase()
const has = (codes: readonly string[], code: string) => codes.some((item) => same(item, code))

/** New, old and gone: the latest reading against the first. */
export function codeLedger({ codes }: Pick<WakeState, 'codes'>): CodeLedger {
  const before = codes.before?.codes ?? []
  const now = codes['after the drive'] ?? codes.after
  return {
    fresh: (now?.codes ?? []).filter((code) => !has(before, code)),
    old: before.filter((code) => now === undefined || has(now.codes, code)),
    gone: now === undefined ? [] : before.filter((code) => !has(now.codes, code)),
    known: codes.before !== undefined && now !== undefined,
  }
}

/** Codes that this job may not clear: those that were there before, and all as long as nobody read them before. */
export function notOurs({ codes }: Pick<WakeState, 'codes'>, cleared: readonly string[]): string[] {
  return codes.before === undefined ? [...cleared] : cleared.filter((code) => has(codes.before?.codes ?? [], code))
}
