import { describe, expect, test } from 'vitest'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { faultNames, faultTable, shownFor } from './faultTableCase.ts'

describe.each(faultTable.map(({ machine, rows }) => ({ name: machine.model, machine, rows })))(
  'with something wrong, $name',
  ({ machine, rows }) => {
    test.each(rows.map((row) => [row.fault, row] as const))(
      '%s: the meter shows what a hand works out',
      (_name, row) => {
        const shown = shownFor(machine, row)
        const value = shown.kind === 'volts' ? shown.volts : shown.kind === 'ohms' ? shown.ohms : null
        if (row.expected === 'floating or nothing') expect(Math.abs(value ?? 0)).toBeLessThan(0.1)
        else {
          expect(value).toBeGreaterThanOrEqual(row.expected.low)
          expect(value).toBeLessThanOrEqual(row.expected.high)
        }
      },
    )
  },
)

test('every fault of the table is shown somewhere, those of any machine on every one', () => {
  const on = (fault: string) => faultTable.filter(({ rows }) => rows.some((row) => row.fault === fault)).length
  expect(faultTable.length).toBe(shippedMachines.length)
  expect(faultNames.filter((fault) => on(fault) === 0)).toEqual([])
  for (const fault of faultNames.slice(0, 4)) expect(on(fault), fault).toBe(shippedMachines.length)
  for (const fault of ['relay stuck, key off', 'fuse blown, key on'])
    expect(on(fault), fault).toBe(shippedMachines.length)
})
