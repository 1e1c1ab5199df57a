import { describe, expect, test } from 'vitest'
import { filterRows } from './filterRows.ts'
import { defaultLimits, rejectReasons, type RideLog } from './model.ts'

const rate = 20
function logOf(
  seconds: number,
  at: (timeS: number) => Partial<Record<'rpm' | 'throttle' | 'afr' | 'coolant' | 'gear', number>>,
): RideLog {
  const rows = Array.from({ length: seconds * rate }, (_, k) => ({
    rpm: 3000,
    throttle: 20,
    afr: 13.5,
    coolant: 85,
    gear: 3,
    ...at(k / rate),
  }))
  const column = (name: 'rpm' | 'throttle' | 'afr' | 'coolant' | 'gear') => Float64Array.from(rows, (row) => row[name])
  return {
    rows: rows.length,
    timeS: Float64Array.from(rows, (_, k) => k / rate),
    rpm: column('rpm'),
    throttlePct: column('throttle'),
    afr: column('afr'),
    coolantC: column('coolant'),
    gear: column('gear'),
    unreadableRows: 0,
  }
}
const reasonAt = (log: RideLog, timeS: number) => {
  const code = filterRows(log, defaultLimits).reasonOfRow[Math.round(timeS * rate)]
  return code === 0 ? null : rejectReasons[code - 1]
}

describe('the first reason that holds', () => {
  test('cold and out of range: out of range', () => {
    expect(
      reasonAt(
        logOf(2, () => ({ coolant: 30, afr: 21 })),
        1,
      ),
    ).toBe('out-of-range')
  })

  test('limits are met exactly at their edge', () => {
    expect(
      reasonAt(
        logOf(2, () => ({ coolant: 70 })),
        1,
      ),
    ).toBeNull()
    expect(
      reasonAt(
        logOf(2, () => ({ coolant: 69.9 })),
        1,
      ),
    ).toBe('cold')
    expect(
      reasonAt(
        logOf(2, () => ({ rpm: 500 })),
        1,
      ),
    ).toBeNull()
    expect(
      reasonAt(
        logOf(2, () => ({ afr: 20 })),
        1,
      ),
    ).toBeNull()
    expect(
      reasonAt(
        logOf(2, () => ({ afr: 20.01 })),
        1,
      ),
    ).toBe('out-of-range')
  })

  test('a gear change counts for its while and no longer', () => {
    const log = logOf(4, (t) => ({ gear: t < 2 ? 3 : 4 }))
    expect(reasonAt(log, 1.9)).toBeNull()
    expect(reasonAt(log, 2.1)).toBe('gear-change')
    expect(reasonAt(log, 2.7)).toBeNull()
  })
})

describe('what the sensor remembers', () => {
  test('when the overrun last held', () => {
    const log = logOf(4, (t) => (t >= 1 && t < 2 ? { throttle: 0, rpm: 4000 } : {}))
    const { lastOverrunS } = filterRows(log, defaultLimits)
    expect(lastOverrunS[10]).toBe(-Infinity)
    expect(lastOverrunS[30]).toBeCloseTo(1.5, 9)
    expect(lastOverrunS[70]).toBeCloseTo(1.95, 9)
  })

  test('a closed throttle at idle is no overrun', () => {
    const { lastOverrunS } = filterRows(
      logOf(2, () => ({ throttle: 0, rpm: 1500 })),
      defaultLimits,
    )
    expect(lastOverrunS[39]).toBe(-Infinity)
  })

  test('a fast opening is seen, the noise of one sample is not', () => {
    const jump = filterRows(
      logOf(4, (t) => ({ throttle: t < 2 ? 20 : 60 })),
      defaultLimits,
    )
    expect(jump.lastTransientS[79]).toBeGreaterThan(1.9)
    const noisy = filterRows(
      logOf(4, (t) => ({ throttle: 20 + (Math.round(t * rate) % 2) * 0.5 })),
      defaultLimits,
    )
    expect(noisy.lastTransientS[79]).toBe(-Infinity)
  })
})

test('filters without their column are off and said to be', () => {
  const { coolantC: _coolant, gear: _gear, ...log } = logOf(1, () => ({}))
  expect(filterRows(log, defaultLimits).filtersOff).toEqual([
    'sensor-not-ready',
    'cold',
    'gear-change',
    'low-battery',
    'closed-loop',
  ])
  expect(
    filterRows(
      logOf(1, () => ({})),
      defaultLimits,
    ).filtersOff,
  ).not.toContain('cold')
})
