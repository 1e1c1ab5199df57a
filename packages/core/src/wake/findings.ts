import {
  kitNamed,
  membersOf,
  ownMembers,
  type DossierPair,
  type Kit,
  type KitEnd,
  type KitId,
  type KitMember,
  type Minutes,
  type Station,
} from '../dossiers/index.ts'
import { collectFindings } from '../findings/index.ts'
import type { Done } from '../journal/index.ts'
import type { Spoken } from '../shared/index.ts'
import type { Finding, FindingPlace } from '../wiring/index.ts'
import { codeLedger } from './codes.ts'
import { stepOf } from './levelStep.ts'
import { wakeRules, type WakeRule } from './rules.ts'
import { standingTest, type AuthorityTest, type WakeState } from './state.ts'
import { sayWakeWork, wakeWords, type WakeFacts } from './words.ts'

type Scene = WakeState & { stationsDone: Readonly<Record<string, Done>> }

const byVerdict = { bypassed: 'proved-bypassed', crossed: 'proved-crossed', sensor: 'proved-sensor' } as const

/** Whether a kit acts on the engine, so that its hand on it can be proved: what only shows or picks has none. */
export function hasAuthority(kit: Kit): boolean {
  return kit.steps.some(({ proof }) => proof === 'connection' || proof === 'mute') || kit.ends.some(changesSignal)
}

/** Whether an end changes what goes through it, or takes a wire that was cut. */
export function changesSignal(end: KitEnd): boolean {
  return (
    (end.type === 'inline-pair' && end.lines.some(({ does }) => does === 'interrupt')) ||
    (end.type === 'flying-lead' && end.cut !== undefined)
  )
}

/** What the proofs, the starts, the codes and the health of the machine say. */
export function wakeFindings({ kit }: DossierPair, state: Scene): Finding<WakeRule>[] {
  const { findings, say } = collectFindings<WakeFacts, FindingPlace>(wakeRules, wakeWords)
  for (const { key, kit: own } of membersOf(kit)) {
    const test = standingTest(state.authority[key])
    if (test && test.verdict !== 'pass' && test.verdict !== 'unclear')
      say(byVerdict[test.verdict], { entry: test.entry }, { kit: own.model, reason: test.reason })
  }
  if ('wake' in state.stationsDone)
    for (const { key, kit: own } of ownMembers(kit))
      if (hasAuthority(own) && standingTest(state.authority[key]) === null) say('not-proved', {}, { kit: own.model })
  const start = state.starts.at(-1)
  if (start?.verdict === 'fail') say('start-failed', { entry: start.entry }, { text: start.text })
  const cleared = state.cleared.flatMap(({ codes }) => codes)
  const { fresh, known } = codeLedger(state)
  const left = fresh.filter((code) => state.codes['after the drive'] !== undefined || !cleared.includes(code))
  if (known && left.length > 0)
    say('code-new', { entry: (state.codes['after the drive'] ?? state.codes.after)?.entry }, { codes: left })
  for (const [what, { ok, says, entry }] of Object.entries(state.health))
    if (!ok) say('not-fit', { entry }, { what, says })
  return findings
}

/** One thing to do while waking. */
export interface WakeTask extends Spoken {
  id: string
  minutes: Minutes
  done?: Done
  asks: 'authority' | 'level'
  makes: ({ kind: 'authority-tested' } & AuthorityTest & { kit?: KitId })[]
}

const levelMinutes: Minutes = { best: 8, likely: 15, worst: 30 }
const proofMinutes: Minutes = { best: 3, likely: 6, worst: 15 }

/** The proof of each kit whose own steps do not ask for it. */
export function wakeWork({ kit }: DossierPair, state: WakeState, station: Station): WakeTask[] {
  if (station === 'trim') return ownMembers(kit).flatMap((member) => levelTask(member, state))
  if (station !== 'wake') return []
  return ownMembers(kit).flatMap((member) =>
    hasAuthority(member.kit) && !member.kit.steps.some(({ proof }) => proof === 'connection' || proof === 'mute')
      ? [proofTask(member, state)]
      : [],
  )
}

/** What a level does shows only under load: on the first loaded run, when the module's gate is open. */
function levelTask({ key, kit }: KitMember, state: WakeState): WakeTask[] {
  if (!kit.levels?.some((level) => stepOf(level, kit) !== null)) return []
  const test = standingTest(state.authority[key]?.filter(({ how }) => how === 'level'))
  return [
    {
      id: key === '' ? 'level' : `level.${key}`,
      ...sayWakeWork('prove-level', { kit: kit.model }),
      minutes: levelMinutes,
      ...(test?.verdict === 'pass' ? { done: test } : {}),
      asks: 'level',
      makes: [
        {
          ...{ kind: 'authority-tested', how: 'level', verdict: 'pass' },
          reason: 'At the level the two differ by what it adds.',
          ...kitNamed({ key }),
        },
      ],
    },
  ]
}

function proofTask({ key, kit }: KitMember, state: WakeState): WakeTask {
  const test = standingTest(state.authority[key])
  return {
    id: key === '' ? 'prove' : `prove.${key}`,
    ...sayWakeWork('prove-connection', { kit: kit.model }),
    minutes: proofMinutes,
    ...(test?.verdict === 'pass' ? { done: test } : {}),
    asks: 'authority',
    makes: [
      {
        ...{ kind: 'authority-tested', how: 'connection', verdict: 'pass' },
        reason: 'Its value and the independent one agree and move together.',
        ...kitNamed({ key }),
      },
    ],
  }
}
