import { ref } from '../shared/refCase.ts'
import { expect, test } from 'vitest'
import { candidateCost, candidatesOf } from './matchCost.ts'
import { proposeMatches } from './proposeMatches.ts'
import { randomLoom } from './randomLoomCase.ts'
import { shippedKit, shippedMachine } from './shippedCase.ts'

const nowhere = 24

test('on small random machines with pairs, leads and a ring the match costs as little as the best of all ways', () => {
  for (let seed = 1; seed <= 80; seed++) {
    const { machine, kit } = randomLoom(seed, 3 + (seed % 2))
    const ends = kit.ends.filter((end) => end.type !== 'port')
    if (ends.length > 4) continue
    const candidates = candidatesOf(machine, kit)
    const cost = ends.map((end) => candidates.map((candidate) => candidateCost(machine, kit, end, candidate)))
    let best = Infinity
    const tryAll = (row: number, taken: Set<number>, sum: number) => {
      if (sum >= best) return
      if (row === ends.length) {
        best = sum
        return
      }
      cost[row].forEach((price, column) => {
        if (price >= 1e6 || taken.has(column)) return
        taken.add(column)
        tryAll(row + 1, taken, sum + price)
        taken.delete(column)
      })
      tryAll(row + 1, taken, sum + nowhere)
    }
    tryAll(0, new Set(), 0)
    const total = proposeMatches(machine, kit).reduce((sum, match) => sum + match.cost, 0)
    expect(total, `seed ${seed}`).toBeCloseTo(best, 9)
  }
})

const kittiwake = shippedMachine('ostrel-kittiwake-640')
const p4 = shippedKit('quernby-p4-eight')

test('a locked choice is kept and everything else is worked out around it', () => {
  const plan = proposeMatches(kittiwake, p4, [{ kitEnd: ref('coil-1'), to: { connector: ref('coil-4') } }])
  const of = (id: string) => plan.find((match) => match.kitEnd === id)
  expect(of('coil-1')).toMatchObject({ target: { connector: 'coil-4' }, locked: true })
  expect(of('coil-4')?.target).toEqual({ connector: 'coil-1' })
  expect(of('coil-2')?.target).toEqual({ connector: 'coil-2' })
  const capped = proposeMatches(kittiwake, p4, [{ kitEnd: ref('throttle'), to: null }])
  expect(capped.find((match) => match.kitEnd === 'throttle')?.target).toBeNull()
})

test('a place fixed by hand that the check would stop is no place, and the reason is the one of the check', () => {
  const plan = proposeMatches(kittiwake, p4, [{ kitEnd: ref('low-1'), to: { connector: ref('injector-2-low') } }])
  const of = (id: string) => plan.find((match) => match.kitEnd === id)
  expect(of('low-1')).toMatchObject({ target: null, locked: true })
  expect(of('low-1')?.reasons[0]).toContain('is for number 1')
  expect(of('low-2')?.target).toEqual({ connector: 'injector-2-low' })
})

test('ends that may change places count as one: the second best is a real other place', () => {
  const plan = proposeMatches(kittiwake, p4)
  const coil = plan.find((match) => match.kitEnd === 'coil-1')
  expect(coil?.swapsWith).toEqual(['coil-4'])
  expect(coil?.second?.target).not.toEqual({ connector: 'coil-4' })
  expect(plan.find((match) => match.kitEnd === 'crank')?.swapsWith).toEqual([])
})

test('the cost is the sum of its parts, and parts are named', () => {
  for (const match of proposeMatches(kittiwake, p4))
    if (match.target && match.breakdown.length > 0)
      expect(match.breakdown.reduce((sum, part) => sum + part.cost, 0)).toBeCloseTo(match.cost, 9)
})
