import { ref } from '../shared/refCase.ts'
import { planAppend, replay } from './jobJournal.ts'
import { describe, expect, test } from 'vitest'
import { handbackSheet } from '../handover/index.ts'
import { fittings } from '../wiring/shippedCase.ts'
import { asJournal, entryOf, gorseJob } from './journalCase.ts'
import type { EntryBody } from './model.ts'
import { isStationDone, stationNow, stationProgress } from './stationProgress.ts'

const off = entryOf({ kind: 'cover-off', cover: ref('tank-cover') }, { id: 'off' })
const on = entryOf({ kind: 'cover-on', cover: ref('tank-cover') }, { id: 'on' })
const done = (['wake', 'close-up', 'hand-back'] as const).map((station) =>
  entryOf({ kind: 'station-done', station }, { id: `done-${station}` }),
)
const stateOf = (...more: EntryBody[]) => replay(gorseJob, [off, on, ...done, ...more.map((body) => entryOf(body))])
const reopened = (...more: EntryBody[]) =>
  stationProgress(gorseJob, stateOf(...more)).flatMap((item) => (item.reopened ? [item.station] : []))

describe('a station that was done', () => {
  test('counts as long as nothing bars it', () => {
    expect(reopened()).toEqual([])
    expect(isStationDone(gorseJob, stateOf(), 'hand-back')).toBe(true)
  })

  test('is open again when the cover that went back is undone, though the undo is taken', () => {
    const undo = entryOf({ kind: 'undo', undoes: 'on' })
    expect(planAppend(gorseJob, asJournal([off, on, ...done]), [undo]).kind).toBe('append')
    const state = replay(gorseJob, [off, on, ...done, undo])
    const open = stationProgress(gorseJob, state).filter((item) => item.reopened)
    expect(open.map((item) => item.station)).toEqual(['close-up', 'hand-back'])
    expect(open[0].reopened).toBe('Still in the tray: tank cover. Put it back, or write down why it stays off.')
    expect(open.every((item) => !item.done)).toBe(true)
    expect(isStationDone(gorseJob, state, 'wake')).toBe(true)
    const sheet = handbackSheet(gorseJob, { title: 'x', createdAt: '2026-06-01T08:00:00.000Z' }, state)
    expect(sheet.unfinished).toContainEqual(expect.stringMatching(/^Reopened: close up\. Still in the tray/))
    expect(sheet.finished).toBe(false)
    // Put back, it counts again without being done anew.
    expect(
      isStationDone(
        gorseJob,
        replay(gorseJob, [off, on, ...done, undo, entryOf({ kind: 'cover-on', cover: ref('tank-cover') })]),
        'hand-back',
      ),
    ).toBe(true)
  })

  test('is open again when a pair is mated to itself afterwards', () => {
    const self: EntryBody = { kind: 'connected', kitEnd: ref('crank'), to: { kitEnd: ref('crank') } }
    expect(reopened(self)).toEqual(['wake', 'close-up', 'hand-back'])
    expect(reopened(self, { kind: 'disconnected', kitEnd: ref('crank') })).toEqual([])
  })

  test('and where an import brings it over what bars it, it never counts', () => {
    const state = replay(gorseJob, [off, ...done])
    expect(stationNow(gorseJob, state)).toBe('take-in')
    expect(isStationDone(gorseJob, state, 'close-up')).toBe(false)
  })
})

test('a tick made twice changes nothing: the battery stays on that was put on', () => {
  for (const { machine, kit } of fittings) {
    const job = { machine, kit }
    const steps = [...machine.steps, ...kit.steps]
    const [disconnect] = steps.filter((step) => step.power === 'off')
    const [connect] = steps.filter((step) => step.power === 'on')
    if (!disconnect || !connect) continue
    const tick = (step: string) => entryOf({ kind: 'step-done', step: ref(step) })
    const made = [tick(disconnect.id), tick(connect.id)]
    expect(replay(job, made).power).toBe('on')
    const twice = replay(job, [...made, tick(disconnect.id)])
    expect(twice).toEqual(replay(job, made))
  }
})
