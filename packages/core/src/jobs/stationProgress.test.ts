import { ref } from '../shared/refCase.ts'
import { trimOfRevision } from '../fuel-trim/index.ts'
import { replay } from './jobJournal.ts'
import { openStops } from '../findings/index.ts'
import { describe, expect, test } from 'vitest'
import { stations } from '../dossiers/index.ts'
import { asJournal, entryOf, gorseJob } from './journalCase.ts'
import { jobFindings } from './jobFindings.ts'
import type { NewEntry } from './model.ts'
import { stationProgress } from './stationProgress.ts'
import { stepsOf } from './jobSteps.ts'

const after = (...entries: NewEntry[]) => replay(gorseJob, asJournal(entries))

describe('stations', () => {
  test('stand in working order and count their ticks', () => {
    const progress = stationProgress(gorseJob, after())
    expect(progress.map((item) => item.station)).toEqual(stations)
    expect(progress.find((item) => item.station === 'check-kit')).toMatchObject({ made: 0, wanted: 9, done: false })
    for (const item of progress) expect(item.made).toBe(0)
  })

  test('a step, a part and a connection count where they belong', () => {
    const state = after(
      entryOf({ kind: 'step-done', step: ref('identity') }),
      entryOf({ kind: 'part-checked', part: ref('module'), state: 'present' }),
      entryOf({ kind: 'connected', kitEnd: ref('bus'), to: { closed: 'terminator' } }),
    )
    const made = Object.fromEntries(stationProgress(gorseJob, state).map((item) => [item.station, item.made]))
    expect([made['take-in'], made['check-kit'], made['hook-up'], made.wake]).toEqual([1, 1, 1, 0])
  })

  test('an end counts once all its ticks are made and no stop stands there', () => {
    const made = (...entries: NewEntry[]) =>
      stationProgress(gorseJob, after(...entries)).find(({ station }) => station === 'hook-up')?.made
    const sides = (['factory', 'device'] as const).map((side) =>
      entryOf({ kind: 'connected', kitEnd: ref('injector'), to: { connector: ref('injector'), side } }),
    )
    expect(made(entryOf({ kind: 'connected', kitEnd: ref('injector'), to: { kitEnd: ref('injector') } }))).toBe(0)
    expect(made(sides[0])).toBe(0)
    expect(made(...sides)).toBe(0)
    expect(made(...sides, entryOf({ kind: 'tugged', kitEnd: ref('injector') }))).toBe(1)
  })

  test('steps of machine and kit come together, the machine first', () => {
    expect(stepsOf(gorseJob, 'wake').map((step) => step.id)).toEqual(['prime', 'start', 'restart', 'idle', 'authority'])
  })

  test('every step that can hurt carries its caution', () => {
    const steps = [...gorseJob.machine.steps, ...gorseJob.kit.steps]
    for (const id of ['charging', 'cool', 'battery-off', 'prime', 'start', 'steering', 'road'])
      expect(steps.find((step) => step.id === id)?.caution, id).toBeTruthy()
  })
})

describe('findings of a job', () => {
  test('two accounts of one half are a finding until it is taken off', () => {
    const first = entryOf({ kind: 'connected', kitEnd: ref('ground'), to: { stud: ref('engine-strap') } })
    const second = entryOf({ kind: 'connected', kitEnd: ref('ground'), to: { stud: ref('battery-negative') } })
    const rules = (...entries: NewEntry[]) => jobFindings(gorseJob, after(...entries)).map((finding) => finding.rule)
    expect(rules(first, second)).toContain('two-places')
    expect(rules(first)).not.toContain('two-places')
    expect(rules(first, second, entryOf({ kind: 'disconnected', kitEnd: ref('ground') }))).not.toContain('two-places')
  })

  test('a lifted stop is marked, not gone, and opens the gates', () => {
    const half = entryOf({ kind: 'connected', kitEnd: ref('coil'), to: { connector: ref('coil'), side: 'factory' } })
    const open = jobFindings(gorseJob, after(half))
    expect(openStops(open)).toHaveLength(1)
    const lift = entryOf(
      { kind: 'stop-lifted', finding: openStops(open)[0].key, reason: 'on the bench' },
      { by: 'Runa' },
    )
    const lifted = jobFindings(gorseJob, after(half, lift))
    expect(openStops(lifted)).toEqual([])
    expect(lifted.find((finding) => finding.rule === 'pair-one-side')?.lifted).toEqual({
      by: 'Runa',
      reason: 'on the bench',
    })
  })

  test('a lift written down for a stop of the never kind lifts nothing', () => {
    const bypass = entryOf({ kind: 'connected', kitEnd: ref('coil'), to: { kitEnd: ref('coil') } })
    const lift = entryOf({ kind: 'stop-lifted', finding: 'pair-to-itself|coil|||', reason: 'x' }, { by: 'Runa' })
    expect(openStops(jobFindings(gorseJob, after(bypass, lift)))).toHaveLength(1)
  })
})

test('the table of a ride is that of its revision, the present one when that was undone', () => {
  const load = (old: number, next: number, id: string) =>
    entryOf({ kind: 'trim-loaded', name: 'x.csv', cells: [{ rpm: 1500, load: 0, old, new: next }] }, { id })
  const state = after(load(0, 2, 'first'), load(2, 5, 'second'))
  expect(trimOfRevision(state, null)[0][0]).toBe(0)
  expect(trimOfRevision(state, 'first')[0][0]).toBe(2)
  expect(trimOfRevision(state, 'undone since')[0][0]).toBe(5)
})
