import type { JobDossiers, JobState } from './state.ts'
import { judgeReading, meterCards, type Finding, type Match } from '../wiring/index.ts'
import type { ReadingFault } from '../dossiers/index.ts'
import { workRules, type WorkRule } from './rules.ts'

const readingRules = {
  note: 'reading-note',
  fix: 'reading-off',
  stop: 'reading-stop',
  never: 'proof-failed',
} as const satisfies Record<ReadingFault, WorkRule>

/** The latest figure of each step that asks for one, where it is out of its range. */
export function stepReadingFindings({ machine, kit }: JobDossiers, state: JobState): Finding<WorkRule>[] {
  return [...machine.steps, ...kit.steps].flatMap(({ id, reading }): Finding<WorkRule>[] => {
    const latest = state.readings.filter((item) => item.step === id).at(-1)
    if (!reading || !latest) return []
    const { low = -Infinity, high = Infinity, unit, off = 'fix' } = reading
    if (latest.value >= low && latest.value <= high) return []
    const rule = readingRules[off]
    const range = Number.isFinite(low)
      ? Number.isFinite(high)
        ? `${low} to ${high}`
        : `at least ${low}`
      : `at most ${high}`
    return [
      {
        rule,
        severity: workRules[rule].severity,
        at: { entry: latest.entry },
        reason: `${reading.quantity[0].toUpperCase()}${reading.quantity.slice(1)}: ${latest.value} ${unit} instead of ${range} ${unit}.`,
        remedy:
          off === 'never'
            ? 'Take the pair out and find out why; this is never lifted.'
            : 'Find out why and read it again; the last figure counts.',
      },
    ]
  })
}

/** The latest reading of each meter card, where it is off. */
export function cardReadingFindings(
  { machine, kit }: JobDossiers,
  state: JobState,
  plan: readonly Match[],
): Finding<WorkRule>[] {
  const latest = new Map(state.readings.flatMap((reading) => (reading.card ? [[reading.card, reading]] : [])))
  if (latest.size === 0) return []
  const cards = kit.ends.flatMap((end) => {
    const match = plan.find((item) => item.kitEnd === end.id)
    return meterCards(machine, kit, end, match)
  })
  return cards.flatMap((card): Finding<WorkRule>[] => {
    const reading = latest.get(card.id)
    if (!reading || card.barred) return []
    const verdict = judgeReading(machine, card, reading.value)
    if (verdict.good) return []
    return [
      {
        rule: 'reading-off',
        severity: workRules['reading-off'].severity,
        at: card.about,
        reason: `${card.net}, ${card.state}: ${verdict.says} Likely ${verdict.causes[0]}.`,
        remedy: `Next: ${verdict.next}`,
      },
    ]
  })
}
