import { expect, test } from 'vitest'
import { rideCase } from './rideCase.ts'
import { suggestTrims } from './suggestTrims.ts'
import { thinLog } from './thinLog.ts'

test('stretches cover the whole ride, and their used shares add up to the rows used', () => {
  const { log, problem } = rideCase(2, {}, { minutes: 6 })
  const suggestion = suggestTrims(log, problem)
  const stretches = thinLog(log, suggestion.reasonOfRow, 100)
  expect(stretches).toHaveLength(100)
  const used = stretches.reduce((sum, stretch) => sum + stretch.used * 72, 0)
  expect(used).toBeCloseTo(suggestion.usedRows, 6)
  expect(stretches[0].reason).toBeGreaterThan(0)
  for (const stretch of stretches) expect(stretch.afrLow).toBeLessThanOrEqual(stretch.afr)
})
