import { describe, expect, test } from 'vitest'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { hazardMarks, passagePoints } from './drawLoom.ts'
import { distanceM, pathLengthM, spreadAlong } from './passagePath.ts'

describe.each(shippedMachines)('$id', (machine) => {
  test('every danger of every passage has its mark on the passage, within the machine', () => {
    const { body } = machine
    if (!body) throw new Error('no size')
    const marks = hazardMarks(machine)
    for (const passage of machine.passages ?? []) {
      const mark = marks.find((item) => item.passage === passage.id)
      if (passage.hazards.length === 0) expect(mark).toBeUndefined()
      else {
        expect(mark?.hazards).toEqual(passage.hazards)
        const { at } = mark ?? {}
        if (!at) throw new Error(`no mark on ${passage.name}`)
        expect(at.x).toBeGreaterThan(-0.2)
        expect(at.x).toBeLessThan(body.lengthM + 0.2)
        expect(Math.abs(at.y)).toBeLessThan(body.widthM / 2 + 0.2)
        expect(at.z).toBeLessThan(body.heightM + 0.2)
      }
    }
    expect(marks.flatMap(({ hazards }) => hazards)).toHaveLength(
      (machine.passages ?? []).flatMap(({ hazards }) => hazards).length,
    )
  })

  test('ties are spread evenly along their passage, the outer ones half a space from its ends', () => {
    for (const passage of machine.passages ?? []) {
      const points = passagePoints(machine, passage.id)
      const ties = spreadAlong(points, 5)
      const [first, second] = ties
      if (!first || !second || points.length !== 2) continue
      const space = pathLengthM(points) / 5
      expect(distanceM(points[0], first)).toBeCloseTo(space / 2, 6)
      expect(distanceM(first, second)).toBeCloseTo(space, 6)
    }
  })
})

test('nothing is spread along nothing', () => {
  expect(spreadAlong([], 3)).toEqual([])
})
