import type { Done } from '../journal/index.ts'
import type { AuthorityVerdict } from './judgeAuthority.ts'

export const authorityWays = ['connection', 'level', 'mute'] as const
export type AuthorityWay = (typeof authorityWays)[number]
export const codeTimes = ['before', 'after', 'after the drive'] as const
export type CodeTime = (typeof codeTimes)[number]

/** A proof of a kit's hand on the engine. */
export interface AuthorityTest {
  how: AuthorityWay
  verdict: AuthorityVerdict['verdict']
  reason: string
}

export interface WakeState {
  /** By kit (of one alone ''), in the order they were made. */
  authority: Record<string, (Done & AuthorityTest)[]>
  /** Trouble codes as read, the latest of each time. */
  codes: Partial<Record<CodeTime, Done & { codes: string[] }>>
  cleared: (Done & { codes: string[] })[]
  starts: (Done & { verdict: 'pass' | 'fail'; text: string })[]
  /** What a lamp said. */
  lamps: (Done & { kit: string; pattern: string | null; means: string })[]
  /** What was looked at of the machine's health, the latest of each. */
  health: Record<string, Done & { ok: boolean; says: string }>
}

export function freshWake(): WakeState {
  return { authority: {}, codes: {}, cleared: [], starts: [], lamps: [], health: {} }
}

/** The latest test that says anything: an unclear one takes nothing back. */
export function standingTest(tests: readonly (Done & AuthorityTest)[] = []): (Done & AuthorityTest) | null {
  return tests.findLast(({ verdict }) => verdict !== 'unclear') ?? null
}
