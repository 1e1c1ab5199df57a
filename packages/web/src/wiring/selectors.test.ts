import { replay, workedOut, type JobDossiers, type NewEntry } from '@tidy-badger/core/jobs'
import { describe, expect, test } from 'vitest'
import { asJournal } from '../../../core/src/jobs/journalCase.ts'
import { wholeJob } from '../../../core/src/jobs/wholeJobCase.ts'
import { fittings } from '../../../core/src/wiring/shippedCase.ts'
import type { JobView } from '../jobs/index.ts'
import { endAt, endViews } from './selectors.ts'

/** As much of an open job as is looked at here. */
function viewOf(dossiers: JobDossiers, entries: readonly NewEntry[]): JobView {
  const state = replay(dossiers, asJournal(entries))
  return { dossiers, state, ...workedOut(dossiers, state, []) } as JobView
}

describe.each(fittings.filter(({ name }) => !name.includes(',')))('ends as hook-up shows them, $name', (dossiers) => {
  test('all are open first and none after a whole job, each with its place and its colours', () => {
    const before = endViews(viewOf(dossiers, []))
    const after = endViews(viewOf(dossiers, wholeJob(dossiers, 'hook-up')))
    expect(before.map(({ end }) => end.id)).toEqual(dossiers.kit.ends.map(({ id }) => id))
    for (const { place, colours, ticked, status } of before) {
      expect(place).not.toBe('')
      expect(colours.length).toBeGreaterThan(0)
      if (status === 'open') expect(ticked).toBe(0)
    }
    expect(after.filter(({ status }) => status !== 'done').map(({ end }) => end.id)).toEqual([])
    for (const { ticked, ticks, status } of after) if (status === 'done') expect(ticked).toBe(ticks)
  })

  test('a cavity finds an end that goes there: of a wire that is cut either of its two', () => {
    const view = viewOf(dossiers, [])
    const goesTo = new Map<string, string[]>()
    for (const { kitEnd, target } of view.plan) {
      if (!target || !('connector' in target)) continue
      const end = dossiers.kit.ends.find(({ id }) => id === kitEnd)
      const lines = end?.type === 'inline-pair' ? end.lines.map((line) => line.cavity) : []
      for (const cavity of 'cavity' in target ? [target.cavity] : lines) {
        const at = `${target.connector} ${cavity}`
        goesTo.set(at, [...(goesTo.get(at) ?? []), kitEnd])
      }
    }
    const found = dossiers.machine.connectors.flatMap(({ id, cavities }) =>
      cavities.flatMap(({ number }) => {
        const end = endAt(view, id, number)
        return end === undefined ? [] : [[`${id} ${number}`, end] as const]
      }),
    )
    expect(found.map(([at]) => at).sort()).toEqual([...goesTo.keys()].sort())
    for (const [at, end] of found) expect(goesTo.get(at)).toContain(end)
  })
})
