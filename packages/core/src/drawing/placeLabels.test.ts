import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { cross, mostLabels, placeLabels, type LabelPlaced, type LabelWanted } from './placeLabels.ts'

const area = { width: 430, height: 200 }
const gap = 6

const overlap = (a: LabelPlaced, b: LabelPlaced) =>
  a.x < b.x + b.width - 1e-9 && b.x < a.x + a.width - 1e-9 && a.y < b.y + b.height - 1e-9 && b.y < a.y + a.height - 1e-9

/** Pairs that overlap or whose leaders cross, and labels over the drawing or beyond its width. */
function troubles(placed: readonly LabelPlaced[], within: { width: number; height: number }): string[] {
  return placed.flatMap((one, i) => [
    ...(one.x < -1e-9 || one.x + one.width > within.width + 1e-9 ? [`${one.id} beyond the edge`] : []),
    ...(one.y + one.height > 0 && one.y < within.height ? [`${one.id} over the drawing`] : []),
    ...placed
      .slice(i + 1)
      .flatMap((other) => [
        ...(overlap(one, other) ? [`${one.id} over ${other.id}`] : []),
        ...(cross(one.leader, other.leader) ? [`${one.id} crosses ${other.id}`] : []),
      ]),
  ])
}

const wanted = fc
  .array(
    fc.record({
      x: fc.double({ min: 0, max: area.width, noNaN: true }),
      y: fc.double({ min: 0, max: area.height, noNaN: true }),
      width: fc.double({ min: 20, max: 190, noNaN: true }),
    }),
    { minLength: 1, maxLength: mostLabels },
  )
  .map((list) => list.map(({ x, y, width }, i): LabelWanted => ({ id: `l${i}`, at: { x, y }, width, height: 18 })))

describe('labels of a drawing', () => {
  test('never overlap, never lie over it, and their leaders never cross', () => {
    fc.assert(
      fc.property(wanted, (labels) => {
        const placed = placeLabels(labels, area, gap)
        if (!placed) return
        expect(placed.map(({ id }) => id).sort()).toEqual(labels.map(({ id }) => id))
        expect(troubles(placed, area)).toEqual([])
        for (const { id, leader } of placed) expect(leader.from).toEqual(labels.find((label) => label.id === id)?.at)
      }),
      { numRuns: 400 },
    )
  })

  test('up to four of less than half the width can always be placed', () => {
    fc.assert(
      fc.property(wanted, (labels) => {
        // Two that point at the very same place have leaders that meet there.
        fc.pre(
          labels.every((one, i) =>
            labels.slice(i + 1).every(({ at }) => Math.hypot(at.x - one.at.x, at.y - one.at.y) > 1),
          ),
        )
        expect(placeLabels(labels, area, gap)).not.toBeNull()
      }),
      { numRuns: 400 },
    )
  })

  test('a lone one stands straight over or under what it points at', () => {
    const [label] = placeLabels([{ id: 'a', at: { x: 200, y: 20 }, width: 80, height: 18 }], area, gap) ?? []
    expect(label).toMatchObject({ x: 160, y: -24, leader: { to: { x: 200, y: -6 } } })
  })

  test('what is too wide for both bands is not placed', () => {
    const wide = [1, 2, 3].map((i) => ({ id: `w${i}`, at: { x: 100 * i, y: 50 }, width: 300, height: 18 }))
    expect(placeLabels(wide, area, gap)).toBeNull()
  })

  test.each(shippedMachines)('0 overlaps among the zones of $id, any four at a time, from both sides', (machine) => {
    const { body } = machine
    if (!body) throw new Error('it has a body')
    const zones = machine.zones.filter((zone) => zone.at)
    for (const view of ['side', 'top'] as const)
      for (let first = 0; first < zones.length; first++) {
        const scale = area.width / body.lengthM
        const height = (view === 'top' ? body.widthM : body.heightM) * scale
        const labels = zones.slice(first, first + mostLabels).map((zone): LabelWanted => {
          const at = zone.at ?? { x: 0, y: 0, z: 0 }
          const y = view === 'top' ? body.widthM / 2 - at.y : body.heightM - at.z
          return {
            id: zone.id,
            at: { x: at.x * scale, y: y * scale },
            width: Math.min(200, zone.name.length * 6.6),
            height: 18,
          }
        })
        const apart = labels.filter((one, i) =>
          labels.slice(0, i).every(({ at }) => Math.hypot(at.x - one.at.x, at.y - one.at.y) > 1),
        )
        const placed = placeLabels(apart, { width: area.width, height }, gap)
        expect(placed && troubles(placed, { width: area.width, height })).toEqual([])
      }
  })
})
