import {
  judgeReading,
  meterCards,
  ruleCatalogue,
  type Finding,
  type FindingPlace,
  type Match,
  type RuleId,
} from '../wiring/index.ts'
import type { JobDossiers, JobState } from './model.ts'

/** Findings that only the journal knows: two places, cuts without a word, earlier work, readings that are off. */
export function journalFindings(dossiers: JobDossiers, state: JobState, plan: readonly Match[]): Finding[] {
  const { kit } = dossiers
  const findings: Finding[] = []
  const say = (rule: RuleId, at: FindingPlace, reason: string, remedy: string) =>
    findings.push({ rule, severity: ruleCatalogue[rule].severity, at, reason, remedy })
  const nameOf = (kitEnd: string) => kit.ends.find((end) => end.id === kitEnd)?.name ?? kitEnd
  for (const dispute of state.disputes)
    say(
      'two-places',
      { kitEnd: dispute.kitEnd },
      `Two different places were written down for ${nameOf(dispute.kitEnd)}; the later one is shown.`,
      'Look at it. If the later is wrong, undo it; else take the end off in the list and connect it again.',
    )
  for (const end of kit.ends) {
    if (end.type !== 'flying-lead' || end.cut?.half !== 'device') continue
    const { partner } = end.cut
    const cut = state.connections.some((made) => [end.id, partner].includes(made.kitEnd) && 'cavity' in made.to)
    const agreed = state.irreversible.some(
      (act) => act.act === 'cut' && [end.id, partner].includes(act.about?.kitEnd ?? ''),
    )
    if (cut && !agreed)
      say(
        'cut-no-consent',
        { kitEnd: end.id },
        `A factory wire was cut for ${end.name}, and nobody wrote down that the owner agreed.`,
        'Ask the owner and write it down with the name, or join the wire again.',
      )
  }
  for (const found of state.found)
    if (!found.dealt)
      say(
        'earlier-work',
        { ...found.about, entry: found.entry },
        `Left by an earlier fitter, ${found.what}: ${found.text}`,
        'Restore it or seal it, and write down how; until then it stays on the list.',
      )
  findings.push(...readingFindings(dossiers, state, plan))
  return findings
}

/** The latest reading of each meter card, where it is off. */
function readingFindings({ machine, kit }: JobDossiers, state: JobState, plan: readonly Match[]): Finding[] {
  const latest = new Map(state.readings.flatMap((reading) => (reading.card ? [[reading.card, reading]] : [])))
  if (latest.size === 0) return []
  const cards = kit.ends.flatMap((end) => {
    const match = plan.find((item) => item.kitEnd === end.id)
    return meterCards(machine, kit, end, match)
  })
  return cards.flatMap((card): Finding[] => {
    const reading = latest.get(card.id)
    if (!reading || card.barred) return []
    const verdict = judgeReading(machine, card, reading.value)
    if (verdict.good) return []
    return [
      {
        rule: 'reading-off',
        severity: ruleCatalogue['reading-off'].severity,
        at: card.about,
        reason: `${card.net}, ${card.state}: ${verdict.says} Likely ${verdict.causes[0]}.`,
        remedy: `Next: ${verdict.next}`,
      },
    ]
  })
}
