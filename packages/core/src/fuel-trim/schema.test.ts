import { describe, expect, test } from 'vitest'
import { readSuggestRequest } from './schema.ts'

const good = {
  grid: {
    rpm: [1000, 2000],
    load: [0, 50, 100],
    trimPct: [
      [0, 0, 0],
      [0, 0, 0],
    ],
  },
  target: { afr: 13.2 },
  log: { csv: 'time,rpm,throttle,afr\n' },
}
const problemOf = (change: object) => {
  const result = readSuggestRequest({ ...good, ...change })
  return result.ok ? undefined : `${result.problems[0].path}: ${result.problems[0].message}`
}

describe('a request for trims', () => {
  test('has defaults: gain 0.7, step 5 %, the current table is the one ridden', () => {
    const result = readSuggestRequest(good)
    expect(result.ok && result.value.problem.options).toMatchObject({ gain: 0.7, maxStepPct: 5 })
    expect(result.ok && result.value.problem.currentPct).toEqual(good.grid.trimPct)
  })

  test('takes bounds as a pair or as one figure both ways', () => {
    const bounds = (boundsPct: unknown) => {
      const result = readSuggestRequest({ ...good, options: { boundsPct } })
      return result.ok && result.value.problem.options.boundsPct
    }
    expect(bounds([-5, 9])).toEqual([-5, 9])
    expect(bounds(12)).toEqual([-12, 12])
  })

  test.each([
    ['grid.rpm.1: Axis points must rise', { grid: { ...good.grid, rpm: [2000, 2000] } }],
    ['grid.load.2: Load is throttle in percent', { grid: { ...good.grid, load: [0, 50, 120] } }],
    [
      'grid.trimPct: The table must have 2 rows (rpm) of 3 figures (load).',
      { grid: { ...good.grid, trimPct: [[0, 0, 0]] } },
    ],
    ['grid.currentPct.1: The table must have 2 rows', { grid: { ...good.grid, currentPct: [[0, 0, 0], [0]] } }],
    ['grid.rpm: "grid.rpm" is too small: at least 2', { grid: { ...good.grid, rpm: [1000], trimPct: [[0, 0, 0]] } }],
    [
      'grid.trimPct.0.1: A trim must leave some fuel',
      {
        grid: {
          ...good.grid,
          trimPct: [
            [0, -100, 0],
            [0, 0, 0],
          ],
        },
      },
    ],
    ['target.afr: An air-fuel ratio lies between 5 and 25.', { target: { afr: 0 } }],
    ['options.boundsPct: The lower bound', { options: { boundsPct: [5, -5] } }],
    ['log: "log" is missing: it must be an object.', { log: undefined }],
    [
      'grid.trimPct.0.0: "grid.trimPct.0.0" must be a number.',
      {
        grid: {
          ...good.grid,
          trimPct: [
            ['a', 0, 0],
            [0, 0, 0],
          ],
        },
      },
    ],
  ])('%s', (sentence, change) => {
    expect(problemOf(change)).toContain(sentence)
  })
})
