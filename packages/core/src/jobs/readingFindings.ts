import type { JobDossiers, JobState } from './state.ts'
import { judgeReading, meterCards, type Finding, type FindingPlace, type Match } from '../wiring/index.ts'
import type { ReadingFault } from '../dossiers/index.ts'
import { collectFindings } from '../findings/index.ts'
import { workRules, type WorkRule } from './rules.ts'
import { workWords, type WorkFacts } from './words.ts'

const readingRules = {
  note: 'reading-note',
  stop: 'reading-stop',
  never: 'proof-failed',
} as const satisfies Record<Exclude<ReadingFault, 'fix'>, WorkRule>

/** The latest figure of each step that asks for one, where it is out of its range. */
export function stepReadingFindings({ machine, kit }: JobDossiers, state: JobState): Finding<WorkRule>[] {
  const { findings, say } = collectFindings<WorkFacts, FindingPlace>(workRules, workWords)
  for (const { id, reading } of [...machine.steps, ...kit.steps]) {
    const latest = state.readings.filter((item) => item.step === id).at(-1)
    if (!reading || !latest) continue
    const { quantity, low = null, high = null, unit, off = 'fix' } = reading
    if (latest.value >= (low ?? -Infinity) && latest.value <= (high ?? Infinity)) continue
    const facts = { quantity, value: latest.value, unit, low, high }
    const at = { entry: latest.entry }
    if (off === 'fix') say('reading-off', at, { kind: 'step', ...facts })
    else say(readingRules[off], at, facts)
  }
  return findings
}

/** The latest reading of each meter card, where it is off. */
export function cardReadingFindings(
  { machine, kit }: JobDossiers,
  state: JobState,
  plan: readonly Match[],
): Finding<WorkRule>[] {
  const latest = new Map(state.readings.flatMap((reading) => (reading.card ? [[reading.card, reading]] : [])))
  const { findings, say } = collectFindings<WorkFacts, FindingPlace>(workRules, workWords)
  if (latest.size === 0) return findings
  const cards = kit.ends.flatMap((end) => {
    const match = plan.find((item) => item.kitEnd === end.id)
    return meterCards(machine, kit, end, match)
  })
  for (const card of cards) {
    const reading = latest.get(card.id)
    if (!reading || card.barred) continue
    const verdict = judgeReading(machine, card, reading.value)
    if (verdict.good) continue
    const [cause] = verdict.causes
    say('reading-off', card.about, {
      kind: 'card',
      circuit: card.net,
      state: card.state,
      says: verdict.says,
      cause,
      next: verdict.next,
    })
  }
  return findings
}
