import { describe, expect, test } from 'vitest'
import { parseDossier } from '../dossiers/index.ts'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { movedPart, partBoxes, partUnder } from './index.ts'

describe('a part of the drawing', () => {
  test('is moved as far as was said in the view it is seen in, stays in order, and goes back without a trace', () => {
    let seen = 0
    for (const machine of shippedMachines.filter((_, i) => i % 3 === 0))
      for (const view of ['side', 'top'] as const) {
        const [, part] = partBoxes(machine, view)
        const by = view === 'side' ? { dx: 0.12, dz: 0.05 } : { dx: 0.12, dy: 0.05 }
        const moved = movedPart(machine, part.id, by)
        expect(parseDossier(moved).ok).toBe(true)
        const now = partBoxes(moved, view).find(({ id }) => id === part.id)
        expect(now?.low[0]).toBeCloseTo(part.low[0] + 0.12, 6)
        expect(now?.high[1]).toBeCloseTo(part.high[1] + 0.05, 6)
        const back = movedPart(moved, part.id, view === 'side' ? { dx: -0.12, dz: -0.05 } : { dx: -0.12, dy: -0.05 })
        expect(back).toEqual(machine)
        seen++
      }
    expect(seen).toBeGreaterThan(6)
  })

  test('is made larger within bounds, and never moved off the yard', () => {
    const [machine] = shippedMachines
    const [part] = partBoxes(machine, 'side')
    let now = machine
    for (let i = 0; i < 60; i++) now = movedPart(now, part.id, { times: 1.5, dx: 1 })
    const change = now.body?.parts?.find(({ id }) => id === part.id)
    expect([change?.size, change?.dx]).toEqual([5, 5])
    for (let i = 0; i < 60; i++) now = movedPart(now, part.id, { times: 0.5 })
    expect(now.body?.parts?.find(({ id }) => id === part.id)?.size).toBe(0.2)
    const { body: _body, ...bare } = machine
    expect(movedPart(bare, part.id, { dx: 1 })).toEqual(bare)
  })

  test('under the finger is the smallest one there, and none beside them all', () => {
    for (const machine of shippedMachines) {
      const boxes = partBoxes(machine, 'side')
      for (const { low, high } of boxes) {
        const at = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2] as const
        const found = partUnder(boxes, at)
        if (!found) throw new Error('nothing under the middle of a part')
        const size = (box: typeof found) => (box.high[0] - box.low[0]) * (box.high[1] - box.low[1])
        for (const other of boxes)
          if (at[0] >= other.low[0] && at[0] <= other.high[0] && at[1] >= other.low[1] && at[1] <= other.high[1])
            expect(size(found)).toBeLessThanOrEqual(size(other) + 1e-12)
      }
      expect(partUnder(boxes, [-50, 0])).toBeNull()
    }
  })
})
