import { describe, expect, test } from 'vitest'
import { perPair } from './perPair.ts'

describe('what follows from a machine and a kit', () => {
  test('is made once per key, whatever it is, and the one asked for longest ago is forgotten first', () => {
    const known = perPair<number | null>('test', 2)
    const pair = { machine: {}, kit: {} }
    let made = 0
    const ask = (key: string) => known({ ...pair }, key, () => (made++ === 0 ? null : made))
    expect([ask('a'), ask('a'), ask('b'), ask('a')]).toEqual([null, null, 2, null])
    expect([ask('c'), ask('a'), ask('b')]).toEqual([3, null, 4])
    expect(known({ ...pair, kit: {} }, 'a', () => 9)).toBe(9)
  })
})
