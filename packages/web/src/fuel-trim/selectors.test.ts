import type { TrimCell, TrimSuggestion } from '@tidy-badger/core/fuel-trim'
import { describe, expect, test } from 'vitest'
import { acceptable, cellViews } from './selectors.ts'
import { signed } from './words.ts'

const trim = {
  rpm: [2000, 4000],
  load: [20, 100],
  boundsPct: [-20, 25] as [number, number],
  actsOn: 'fuel' as const,
  gain: 0.7,
  maxStepPct: 5,
  fullLoadPct: 80,
}
const zero = [
  [0, 0],
  [0, 0],
]
const cell = (trimPct: number, earned = true): TrimCell => ({
  trimPct,
  changePct: trimPct,
  estimatePct: trimPct,
  stdErrPct: 0.2,
  evidence: 5,
  earned,
})
const suggestion = {
  cells: [
    [cell(2.34), cell(1.2)],
    [cell(0.02), cell(3, false)],
  ],
  measured: [
    [null, null],
    [null, null],
  ],
} as unknown as TrimSuggestion

describe('what the review offers', () => {
  const views = cellViews(trim, zero, suggestion, new Set(), false)

  test('earned cells below full load are accepted, to the tenth of a percent', () => {
    expect(views.map((view) => [view.key, view.next, view.accepted])).toEqual([
      ['2000/20', 2.3, true],
      ['2000/100', 1.2, false],
      ['4000/20', 0, false],
      ['4000/100', 0, false],
    ])
  })

  test('full load is offered, not taken, until it is turned', () => {
    expect(views[1] && acceptable(views[1])).toBe(true)
    expect(cellViews(trim, zero, suggestion, new Set(['2000/100']), false)[1]?.accepted).toBe(true)
  })

  test('a cell turned down keeps its value', () => {
    expect(cellViews(trim, zero, suggestion, new Set(['2000/20']), false)[0]?.accepted).toBe(false)
  })

  test('a change too small to write is none, an unearned cell is none', () => {
    expect(views.slice(2).map(acceptable)).toEqual([false, false])
  })

  test('from a ride used before nothing is taken by itself', () => {
    expect(cellViews(trim, zero, suggestion, new Set(), true).some((view) => view.accepted)).toBe(false)
  })

  test('without a suggestion the table stands as it is', () => {
    expect(
      cellViews(
        trim,
        [
          [1, 2],
          [3, 4],
        ],
        null,
        new Set(),
        false,
      ).map((view) => view.next),
    ).toEqual([1, 2, 3, 4])
  })
})

test.each([
  [1.25, '+1.3'],
  [-0.04, '0.0'],
  [-2.51, '−2.5'],
  [0, '0.0'],
])('%d is written %s', (value, text) => {
  expect(signed(value)).toBe(text)
})
