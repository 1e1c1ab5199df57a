import { describe, expect, test } from 'vitest'
import { fittings, togetherFittings } from '../wiring/shippedCase.ts'
import { compilePlans, plansKnown, takePlans } from './compiledPlans.ts'
import { jobFindings } from './jobFindings.ts'
import { replay } from './jobJournal.ts'
import { jobDay } from './jobTasks.ts'
import { stationProgress } from './stationProgress.ts'
import { wholeJob } from './wholeJobCase.ts'

describe.each([...fittings.filter(({ name }) => !name.includes(',')), ...togetherFittings])(
  'plans made elsewhere, $name',
  ({ machine, kit }) => {
    test('say what plans made here say, at every ninth entry of a whole job', () => {
      const here = { machine: structuredClone(machine), kit: structuredClone(kit) }
      const there = structuredClone(here)
      const entries = wholeJob(here)
      let made = 0
      for (let at = 0; at <= entries.length; at += 9) {
        const [mine, theirs] = [here, there].map((dossiers) => replay(dossiers, entries.slice(0, at)))
        if (!plansKnown(there, theirs)) {
          made++
          takePlans(there, structuredClone(compilePlans(structuredClone(there), theirs)))
        }
        expect(plansKnown(there, theirs)).toBe(true)
        const seen = [here, there].map((dossiers, i) => {
          const state = i === 0 ? mine : theirs
          const findings = jobFindings(dossiers, state)
          return [findings, stationProgress(dossiers, state), jobDay(dossiers, state)]
        })
        expect(seen[1]).toEqual(seen[0])
      }
      // Most ticks move no plan.
      expect(made).toBeLessThan(entries.length / 18)
    })
  },
)
