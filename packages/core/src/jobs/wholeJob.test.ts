import { describe, expect, test } from 'vitest'
import { stations } from '../dossiers/index.ts'
import { fittings, togetherFittings } from '../wiring/shippedCase.ts'
import { jobFindings } from './jobFindings.ts'
import { planAppend, replay } from './jobJournal.ts'
import { stationProgress } from './stationProgress.ts'
import { trayOf } from './tray.ts'
import { wholeJob } from './wholeJobCase.ts'

describe.each([...fittings, ...togetherFittings])('a whole job, $name', (dossiers) => {
  test('is taken from take-in to hand-back, entry by entry, and nothing is wrong at its end', () => {
    const entries = wholeJob(dossiers)
    expect(planAppend(dossiers, [], entries)).toMatchObject({ kind: 'append', fresh: entries })
    const state = replay(dossiers, entries)
    expect(state.held).toEqual([])
    expect(jobFindings(dossiers, state).filter(({ severity }) => severity !== 'note')).toEqual([])
    expect(stationProgress(dossiers, state).filter(({ done }) => !done)).toEqual([])
    expect(trayOf(dossiers, state)).toEqual([])
    expect(state.power).toBe('on')
  })
})

describe.each(fittings.filter(({ name }) => !name.includes(',')))('out of turn, $name', (dossiers) => {
  test('no station is done before the one it stands on is: each is barred or lacks what it asks for', () => {
    for (const station of ['make-safe', 'wake', 'prove', 'hand-back'] as const) {
      const before = wholeJob(dossiers, stations[stations.indexOf(station) - 1])
      const early = planAppend(dossiers, [], [...before, { id: 'x', kind: 'station-done', station }])
      expect(early.kind, station).toBe('conflict')
    }
  })
})
