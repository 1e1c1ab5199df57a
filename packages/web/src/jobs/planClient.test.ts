import { learntTimes, plansKnown, replay, wholeDay } from '@tidy-badger/core/jobs'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'

/** A thread that cannot be started, as where its script is not to be had. */
class BrokenWorker {
  addEventListener(kind: string, tell: () => void): void {
    if (kind === 'error') setTimeout(tell)
  }
  postMessage(): void {}
  removeEventListener(): void {}
}

beforeEach(() => {
  vi.resetModules()
  vi.stubGlobal('Worker', BrokenWorker)
})
afterEach(() => {
  vi.unstubAllGlobals()
})

const quad = () => ({
  machine: structuredClone(shippedMachine('pellick-gorse-430')),
  kit: structuredClone(shippedKit('quernby-p1')),
})

test('where no thread can be started, plans are refused to be made beside, and the rest is worked out here', async () => {
  const { dayBeside, learnBeside, planBeside } = await import('./planClient.ts')
  const dossiers = quad()
  const samples = [{ job: 'a', key: 'cover-off:seat', minutes: 3 }]
  await expect(planBeside(dossiers, [])).rejects.toThrow('The planner could not be started.')
  expect(plansKnown(dossiers, replay(dossiers, []))).toBe(false)
  expect(await learnBeside(dossiers, samples)).toEqual(learntTimes(dossiers, samples))
  expect(await dayBeside(dossiers, dossiers, [], samples)).toEqual(
    wholeDay(dossiers, dossiers, replay(dossiers, []), samples),
  )
})
