import { afterAll, beforeEach, expect, test, vi } from 'vitest'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'

beforeEach(() => vi.resetModules())
afterAll(() => vi.resetModules())

const quad = { machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }

test('a plan that nothing here makes is refused in words, and made once something does', async () => {
  const { accessOf, nothingDecided } = await import('../jobs/index.ts')
  const state = { decided: nothingDecided, found: [] }
  expect(() => accessOf(quad, state)).toThrow('call startPlanning() first')
  const { startPlanning } = await import('./index.ts')
  startPlanning()
  expect(accessOf(quad, state)?.removals.length).toBeGreaterThan(0)
})

test('where plans come later, whoever asks hears of it as that place says', async () => {
  const { accessOf, nothingDecided, plannersLater } = await import('../jobs/index.ts')
  plannersLater(() => {
    throw new Error('wait')
  })
  expect(() => accessOf(quad, { decided: nothingDecided, found: [] })).toThrow('wait')
})
