import { expect, test } from 'vitest'
import { shippedKit, togetherFittings } from '../wiring/shippedCase.ts'
import { commonKey, learntTimes } from './measuredMinutes.ts'

test('what a kit took alone teaches it among others, and the other way round; another kit’s step of the same name not', () => {
  const pair = togetherFittings.find(({ name }) => name.includes('thistle-d5 + wren-selector on hallam-voss-longhaul'))
  if (!pair) throw new Error('the V8 has module and selector together')
  const alone = { machine: pair.machine, kit: shippedKit('wren-selector') }
  expect(commonKey(alone, 'step.lay')).toBe('step.wren-selector:lay')
  expect(commonKey(pair, 'step.wren-selector:lay')).toBe('step.wren-selector:lay')
  expect(commonKey(pair, 'off.seat')).toBe('off.seat')
  const samples = [20, 22, 24].map((minutes, i) => ({ job: `j${i}`, key: 'step.wren-selector:lay', minutes }))
  expect([...learntTimes(alone, samples).keys()]).toEqual(['step.lay'])
  expect([...learntTimes(pair, samples).keys()]).toEqual(['step.wren-selector:lay'])
  expect([...learntTimes({ ...alone, kit: shippedKit('thistle-d5') }, samples).keys()]).toEqual([])
})
