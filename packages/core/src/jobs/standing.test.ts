import { describe, expect, test } from 'vitest'
import { fittings, togetherFittings } from '../wiring/shippedCase.ts'
import { accessOf } from './jobAccess.ts'
import { replay } from './jobJournal.ts'
import { plannedLooms } from './jobRoute.ts'
import { jobSteps } from './jobSteps.ts'
import { mountPlacesOf } from './mountPlace.ts'
import { stationWork } from './workItems.ts'
import { stations } from '../dossiers/index.ts'
import { whileItStands } from '../shared/index.ts'
import { wholeJob } from './wholeJobCase.ts'

describe.each([...fittings.filter(({ name }) => !name.includes(',')), ...togetherFittings])(
  'a job that stands, $name',
  (dossiers) => {
    test('is the same as one looked at anew each time', () => {
      const entries = wholeJob(dossiers, 'wake')
      for (const part of [0.4, 0.8]) {
        const state = replay(dossiers, entries.slice(0, part * entries.length))
        const seen = () => [
          accessOf(dossiers, state),
          jobSteps(dossiers, state),
          plannedLooms(dossiers, state),
          mountPlacesOf(dossiers, state),
          stations.map((station) => stationWork(dossiers, state, station)),
        ]
        const anew = seen()
        expect(whileItStands(state, () => [seen(), seen()])).toEqual([anew, anew])
      }
    })
  },
)
