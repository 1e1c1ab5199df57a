import { describe, expect, test } from 'vitest'
import { keptBy, perPair, perState, whileItStands } from './perPair.ts'

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

describe('what follows from a state', () => {
  let made = 0
  const sum = perState((of: { plus: number }, state: { value: number }) => {
    made++
    return of.plus + state.value
  })

  test('is worked out once while the state stands, and each time it may have changed', () => {
    const [of, state] = [{ plus: 1 }, { value: 1 }]
    made = 0
    expect([sum(of, state), sum(of, state)]).toEqual([2, 2])
    expect(made).toBe(2)
    whileItStands(state, () => {
      expect([sum(of, state), whileItStands(state, () => sum(of, state)), sum(of, state)]).toEqual([2, 2, 2])
      expect(made).toBe(3)
      // Other documents, and another state: a journal that is replayed meanwhile.
      expect([sum({ plus: 5 }, state), sum(of, { value: 7 }), sum(of, state)]).toEqual([6, 8, 2])
    })
    state.value = 3
    expect(sum(of, state)).toBe(4)
    expect(whileItStands(state, () => sum(of, state))).toBe(4)
  })

  test('is not remembered of work that failed', () => {
    const [of, state] = [{ plus: 1 }, { value: 1 }]
    const fails = () =>
      whileItStands(state, () => {
        sum(of, state)
        throw new Error('missing')
      })
    expect(fails).toThrow('missing')
    state.value = 9
    expect(whileItStands(state, () => sum(of, state))).toBe(10)
  })

  test('writes down what it stands on each time that is asked for, however often it was worked out before', () => {
    const plan = perPair<string>('test of states')
    const pair = { machine: {}, kit: {} }
    const planned = perState((of: typeof pair, _state: object) => plan(of, 'a', () => 'planned'))
    const state = {}
    whileItStands(state, () => {
      planned(pair, state)
      expect(keptBy([pair], () => planned(pair, state))).toEqual([{ 'test of states': [['a', 'planned']] }])
    })
  })
})
