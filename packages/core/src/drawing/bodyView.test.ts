import { describe, expect, test } from 'vitest'
import type { Machine } from '../dossiers/index.ts'
import { shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { bodyView } from './bodyView.ts'

/** Everything of a machine with left or right in its id, and where it lies from the middle to the right, m. */
function sided(machine: Machine): { id: string; side: 'left' | 'right'; y: number }[] {
  const zoneY = (id: string) => machine.zones.find((zone) => zone.id === id)?.at?.y
  const all = [
    ...machine.zones.map((zone) => ({ id: zone.id, y: zone.at?.y })),
    ...(machine.covers ?? []).map((cover) => ({ id: cover.id, y: cover.box?.y })),
    ...(machine.spots ?? []).map((spot) => ({ id: spot.id, y: spot.at.y })),
    ...machine.studs.map((stud) => ({ id: stud.id, y: zoneY(stud.zone) })),
    ...(machine.places ?? []).map((place) => ({ id: place.id, y: zoneY(place.zone) })),
  ]
  return all.flatMap(({ id, y }) => {
    const [, side] = /(?:^|-)(left|right)(?:-|$)/.exec(id) ?? []
    return (side === 'left' || side === 'right') && y !== undefined && y !== 0 ? [{ id, side, y }] : []
  })
}

describe.each(shippedMachines)('$id from above, front to the left', (base) => {
  test.each([undefined, ...base.variants.map((variant) => variant.id)])(
    'what is on its left lies at the bottom, %s',
    (variant) => {
      const machine = shippedMachine(base.id, variant)
      if (!machine.body) throw new Error('it has a body')
      const { across, along, height } = bodyView(machine.body, 'top')
      expect(along(0)).toBeLessThan(along(machine.body.lengthM))
      for (const { id, side, y } of sided(machine))
        expect(across(y) > height / 2, `${id} on the ${side} at ${y} m`).toBe(side === 'left')
    },
  )
})

test('every machine with two sides names some of them', () => {
  expect(shippedMachines.flatMap(sided).length).toBeGreaterThan(20)
})
