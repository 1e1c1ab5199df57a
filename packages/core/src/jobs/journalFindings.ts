import {
  judgeReading,
  meterCards,
  ruleCatalogue,
  type Finding,
  type FindingPlace,
  type Match,
  type RuleId,
} from '../wiring/index.ts'
import type { ReadingFault } from '../dossiers/index.ts'
import { airAtEnd, ampacityA } from '../electrical/index.ts'
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
    if (!found.dealt && found.own)
      say(
        'puncture-open',
        { ...found.about, entry: found.entry },
        `${found.text}. The factory wire is open there.`,
        'Seal it against water and write down how; until then it stays on the list.',
      )
    else if (!found.dealt)
      say(
        'earlier-work',
        { ...found.about, entry: found.entry },
        `Left by an earlier fitter, ${found.what}: ${found.text}`,
        'Restore it or seal it, and write down how; until then it stays on the list.',
      )
  for (const made of state.connections) {
    const end = kit.ends.find((item) => item.id === made.kitEnd)
    if (made.live)
      say(
        'joined-live',
        { kitEnd: made.kitEnd },
        `${nameOf(made.kitEnd)} was joined with the battery on.`,
        'Battery off, take the joint apart and look at it: a scorched strand or eye is made anew. Then join it again.',
      )
    const fuseA = made.fuseA ?? (end?.type === 'ring' ? end.fuseA : undefined)
    if (end?.type !== 'ring' || fuseA === undefined) continue
    const airC = airAtEnd(dossiers.machine, [{ kitEnd: end.id, target: made.to }], end.id)
    const carries = ampacityA(end.areaMm2, airC, true)
    if (fuseA > carries)
      say(
        'fuse-over-wire',
        { kitEnd: end.id },
        `A fuse of ${fuseA} A in ${nameOf(end.id)}: its ${end.areaMm2} mm² at ${airC} °C carry ${carries.toFixed(1)} A, the wire would burn first.`,
        `Put in ${end.fuseA === undefined || end.fuseA > carries ? 'one that the wire bears' : `the kit's own ${end.fuseA} A`}.`,
      )
  }
  findings.push(...stepReadingFindings(dossiers, state), ...readingFindings(dossiers, state, plan))
  return findings
}

const readingRules = {
  note: 'reading-note',
  fix: 'reading-off',
  stop: 'reading-stop',
  never: 'proof-failed',
} as const satisfies Record<ReadingFault, RuleId>

/** The latest figure of each step that asks for one, where it is out of its range. */
function stepReadingFindings({ machine, kit }: JobDossiers, state: JobState): Finding[] {
  return [...machine.steps, ...kit.steps].flatMap(({ id, reading }): Finding[] => {
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
        severity: ruleCatalogue[rule].severity,
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
