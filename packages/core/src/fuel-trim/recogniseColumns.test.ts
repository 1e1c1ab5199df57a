import { describe, expect, test } from 'vitest'
import { recogniseColumns, unitOf } from './recogniseColumns.ts'

const roles = (...header: string[]) =>
  recogniseColumns(header).map((column) => [column.role, column.field, column.unit])

describe('columns by name', () => {
  test.each([
    ['Time (s)', 'time', 's'],
    ['time_ms', 'time', 'ms'],
    ['Zeit [s]', 'time', 's'],
    ['Engine Speed (rpm)', 'rpm', 'rpm'],
    ['RPM', 'rpm', undefined],
    ['Motordrehzahl (1/min)', 'rpm', 'rpm'],
    ['TPS %', 'throttle', '%'],
    ['Throttle (V)', 'throttle', 'V'],
    ['Drosselklappe', 'throttle', undefined],
    ['papillon (%)', 'throttle', '%'],
    ['AFR', 'afr', undefined],
    ['lambda', 'afr', 'lambda'],
    ['Air/Fuel Ratio', 'afr', undefined],
    ['Wideband AFR (AFR)', 'afr', 'AFR'],
    ['CLT (°C)', 'coolant', '°C'],
    ['coolant_F', 'coolant', '°F'],
    ['Kühlmittel (°C)', 'coolant', '°C'],
    ['Gear', 'gear', undefined],
    ['Battery (V)', 'battery', 'V'],
    ['sensor ready', 'sensorReady', undefined],
    ['closed loop', 'closedLoop', undefined],
  ])('%s is %s', (name, role, unit) => {
    expect(roles(name)).toEqual([[role, 0, unit]])
  })

  test('what nobody needs is passed over, and each role is taken once', () => {
    expect(roles('GPS lat', 'time', 'rpm', 'rpm 2', 'oil pressure')).toEqual([
      ['time', 1, undefined],
      ['rpm', 2, undefined],
    ])
  })

  test('a word within another is no match', () => {
    expect(roles('trpmx', 'timeless', 'gearbox oil')).toEqual([])
  })
})

test.each([
  ['MS', 'ms'],
  ['u/min', 'rpm'],
  ['Percent', '%'],
  ['°f', '°F'],
  ['bananas', undefined],
])('unit %s is %s', (text, unit) => {
  expect(unitOf(text)).toBe(unit)
})
