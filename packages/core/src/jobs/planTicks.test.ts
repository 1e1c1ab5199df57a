import { ref } from '../shared/refCase.ts'
import { connectionPlan } from '../wiring/index.ts'
import { replay } from './jobJournal.ts'
import { expect, test } from 'vitest'
import { asJournal, entryOf, gorseJob } from './journalCase.ts'
import { jobFindings } from './jobFindings.ts'
import type { NewEntry } from './model.ts'
import { planTicks } from './planTicks.ts'
import { stationNow, stationProgress } from './stationProgress.ts'

/** Makes every open tick of every end, one after the other, as a fitter does. */
function allTicks(): NewEntry[] {
  const entries: NewEntry[] = []
  for (const end of gorseJob.kit.ends)
    for (let guard = 0; guard < 5; guard++) {
      const match = connectionPlan(gorseJob).find((candidate) => candidate.kitEnd === end.id)
      const open = planTicks(gorseJob, replay(gorseJob, asJournal(entries)), end, match).find((tick) => !tick.done)
      if (!open) break
      entries.push(entryOf(open.makes))
    }
  return entries
}

test('a fitter who follows the ticks ends with no stop and no fix', () => {
  const entries = [entryOf({ kind: 'step-done', step: ref('battery-off') }), ...allTicks()]
  const state = replay(gorseJob, asJournal(entries))
  expect(entries).toHaveLength(1 + 3 * 3 + 2 + 2 + 1 + 1)
  expect(jobFindings(gorseJob, state).filter((finding) => finding.severity !== 'note')).toEqual([])
  expect(stationProgress(gorseJob, state).find((item) => item.station === 'hook-up')).toMatchObject({
    made: 7,
    wanted: 7,
  })
})

test('a pair is two matings and a tug, in order', () => {
  const end = gorseJob.kit.ends.find((candidate) => candidate.id === 'crank')
  if (!end) throw new Error('the kit has a crank pair')
  const match = connectionPlan(gorseJob).find((candidate) => candidate.kitEnd === 'crank')
  const labels = planTicks(gorseJob, replay(gorseJob, []), end, match).map((tick) => tick.words)
  expect(labels).toEqual([
    'Factory plug into loom end C',
    'Loom end C onto the crank sensor',
    'Locks closed, both tugged',
  ])
})

test('the lead is joined in the way that suits wire and place', () => {
  const joined = allTicks().find((entry) => entry.kind === 'connected' && entry.kitEnd === 'throttle')
  expect(joined).toMatchObject({ method: 'crimp and sealed sleeve', to: { connector: 'throttle', cavity: 2 } })
})

test('the station where one is, is the first that is not done', () => {
  expect(stationNow(gorseJob, replay(gorseJob, []))).toBe('take-in')
  const state = replay(gorseJob, asJournal([entryOf({ kind: 'station-done', station: 'take-in' })]))
  expect(stationNow(gorseJob, state)).toBe('check-kit')
})

const ticksFor = (kitEnd: string, ...entries: NewEntry[]) => {
  const end = gorseJob.kit.ends.find((candidate) => candidate.id === kitEnd)
  const match = connectionPlan(gorseJob).find((candidate) => candidate.kitEnd === kitEnd)
  if (!end) throw new Error(`no end ${kitEnd}`)
  return planTicks(gorseJob, replay(gorseJob, asJournal(entries)), end, match)
}

test('what is connected wrongly is taken off first', () => {
  const bypass = entryOf({ kind: 'connected', kitEnd: ref('injector'), to: { kitEnd: ref('injector') } })
  expect(ticksFor('injector', bypass).map((tick) => tick.words)).toEqual(['Part its two halves from each other'])
  const off = entryOf({ kind: 'disconnected', kitEnd: ref('injector') })
  expect(ticksFor('injector', bypass, off).map((tick) => tick.done)).toEqual([false, false, false])
})

test('another ground that does no harm may stay', () => {
  const other = entryOf({ kind: 'connected', kitEnd: ref('ground'), to: { stud: ref('battery-negative') } })
  expect(ticksFor('ground', other)[0]).toMatchObject({ words: 'Ring under the nut: battery negative', done: true })
})
