import { kitNamed, memberOf, type Station, type Step } from '../dossiers/index.ts'
import { leastKnobRoomMm, pedalLevels, pedalPositions, selectorClicks } from '../setup/index.ts'
import { connectionPlan } from '../wiring/index.ts'
import { replay } from './jobJournal.ts'
import type { EntryBody, NewEntry } from './model.ts'
import { planTicks } from './planTicks.ts'
import type { JobDossiers } from './state.ts'
import { entriesOfWork, isStart, stationWork } from './workItems.ts'

/**
 * What a fitter writes down at a station when all goes well: every tick in its order, figures in the middle of their range.
 * @param so what stands in the journal before
 * @param words what is written where a step asks for words
 */
export function smoothWork(
  dossiers: JobDossiers,
  station: Station,
  so: readonly NewEntry[],
  words: (step: Step) => string,
): EntryBody[] {
  const { kit } = dossiers
  const state = replay(dossiers, so)
  if (station === 'check-kit')
    return kit.parts.map((part) => ({ kind: 'part-checked', part: part.id, state: 'present' }))
  if (station === 'hook-up') {
    const plan = connectionPlan(dossiers, state)
    return kit.ends.flatMap((end) =>
      planTicks(
        dossiers,
        state,
        end,
        plan.find((match) => match.kitEnd === end.id),
      ).map((tick) => tick.makes),
    )
  }
  return stationWork(dossiers, state, station).flatMap((item): EntryBody[] => {
    if (item.kind !== 'step') return entriesOfWork(item, dossiers, state)
    const start: EntryBody[] = isStart(item.step) ? [{ kind: 'started', verdict: 'pass', text: '' }] : []
    const wrote = item.step.asks ? { wrote: words(item.step) } : {}
    return [
      ...start,
      ...readingOf(item.step),
      ...proofOf(dossiers, item.step),
      ...entriesOfWork(item, dossiers, state, wrote),
    ]
  })
}

function readingOf({ id, reading }: Step): EntryBody[] {
  if (!reading) return []
  const { quantity, unit, low = reading.high ?? 0, high = low } = reading
  return [{ kind: 'reading', quantity, value: Math.round(((low + high) / 2) * 100) / 100, unit, step: id }]
}

/** What is written down of a proof that a step asks for. */
function proofOf({ kit }: JobDossiers, { id, proof }: Step): EntryBody[] {
  const member = memberOf(kit, id)?.member
  if (proof === undefined || !member) return []
  const named = kitNamed(member)
  if (proof === 'selector')
    return [
      {
        ...{ kind: 'selector-proved', clearanceMm: 2 * leastKnobRoomMm, ...named },
        clicks: selectorClicks(kit, member).map((position) => ({ position, shown: position })),
      },
    ]
  if (proof !== 'pedal')
    return [
      {
        ...{ kind: 'authority-tested', how: proof, verdict: 'pass', ...named },
        reason: 'It answers where it should, and moves along.',
      },
    ]
  const points = pedalLevels(member.kit).flatMap((level) =>
    pedalPositions.map((pct) => {
      const plain1 = 0.7 + (3.5 * pct) / 100
      return { level, pct, v1: plain1, v2: plain1 / 2, plain1, plain2: plain1 / 2 }
    }),
  )
  return [{ kind: 'pedal-proved', verdict: 'pass', points, ...named }]
}
