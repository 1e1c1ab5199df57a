import { expect, test } from 'vitest'
import { membersOf } from '../dossiers/index.ts'
import { openStops } from '../findings/index.ts'
import { connectionPlan, type Erratum } from '../wiring/index.ts'
import { fittings, togetherFittings } from '../wiring/shippedCase.ts'
import { jobFindings } from './jobFindings.ts'
import { replay } from './jobJournal.ts'
import { stationProgress } from './stationProgress.ts'
import { workedOut, workOutJob } from './workOutJob.ts'
import { wholeJob } from './wholeJobCase.ts'

const each = [...fittings.filter(({ name }) => !name.includes(',')), ...togetherFittings]

/** What somebody found wrong on the sheet of the job's own kit. */
function erratumOf({ machine, kit }: (typeof each)[number]): Erratum | null {
  const [member] = membersOf(kit)
  const end = member?.kit.ends[0]
  if (!member || !end) return null
  const said = { says: 'pink', is: 'orange', by: 'Runa', at: '2026-06-01T08:00:00.000Z' }
  return { id: 'erratum', machine: machine.id, kit: member.kit.id, kitEnd: end.id, ...said }
}

test.each(each)('$name, piece by piece, is what it is at once, whatever is known of its sheet', (dossiers) => {
  const entries = wholeJob(dossiers)
  const erratum = erratumOf(dossiers)
  for (const [share, errata] of [
    [0, []],
    [0.7, erratum ? [erratum] : []],
  ] as const) {
    const state = replay(dossiers, entries.slice(0, Math.round(entries.length * share)))
    const plan = connectionPlan(dossiers, state)
    const findings = jobFindings(dossiers, state, { plan, errata })
    const stops = openStops(findings)
    const progress = stationProgress(dossiers, state)
    expect(workedOut(dossiers, state, errata)).toEqual({ plan, findings, stops, progress })
    expect(findings.some(({ rule }) => rule === 'sheet-erratum')).toBe(errata.length > 0)
  }
  // Enough pieces that none is all of it.
  expect([...workOutJob(dossiers, replay(dossiers, []), [])].length).toBeGreaterThan(20)
})
