import { describe, expect, test } from 'vitest'
import type { PointAt } from '../dossiers/index.ts'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { viewsOf } from './bodyView.ts'
import { coverParts } from './covers.ts'
import { machineScene } from './machineScene.ts'
import { partsOf, type DrawnPart } from './partsOf.ts'

/** What a dossier calls a thing, and the part that is drawn of it. */
const drawnAs: readonly (readonly [RegExp, string])[] = [
  [/^(?!.*right).*battery(?! side)/i, 'battery'],
  [/right battery/i, 'right battery'],
  [/fuse (box|carrier)/i, 'fuse box'],
  [/air filter/i, 'air filter box'],
  [/pedal/i, 'pedal box'],
  [/column/i, 'steering shaft'],
  [/brake booster/i, 'brake booster'],
  [/\becu\b|control unit/i, 'control unit'],
  [/glovebox/i, 'glovebox'],
  [/^turbo|by the turbos/i, 'turbine'],
]

/** As far as a thing is from a part that it is named for, m, in the direction that is farthest; what is not drawn has none. */
function apart({ low, high }: DrawnPart, point: PointAt): number {
  const gap = (value: number, from: number | undefined, to: number | undefined) =>
    from === undefined || to === undefined ? 0 : Math.max(0, from - value, value - to)
  return Math.max(gap(point.x, low.x, high.x), gap(point.y, low.y, high.y), gap(point.z, low.z, high.z))
}

describe.each(shippedMachines.filter(({ body }) => body?.form === 'car' || body?.form === 'pickup'))(
  '$id',
  (machine) => {
    test('what is named for a part lies at the part that is drawn', () => {
      const named = [
        ...machine.zones.map((zone) => ({ name: zone.name, at: zone.at })),
        ...(machine.covers ?? []).map((cover) => ({ name: cover.name, at: cover.box })),
        ...(machine.spots ?? []).map((spot) => ({ name: spot.name, at: spot.at })),
      ]
      const parts = partsOf(machine)
      let met = 0
      for (const { name, at } of named)
        for (const [pattern, part] of drawnAs) {
          const drawn = parts.find((one) => one.name === part)
          if (!at || !drawn || !pattern.test(name)) continue
          met++
          expect([name, part, apart(drawn, at) < 0.4]).toEqual([name, part, true])
        }
      expect(met).toBeGreaterThan(5)
    })

    test('from inside one sees the wheel on the left, the pedals under it, and every cover that is reached from there', () => {
      const inside = new Set(machineScene(machine, 'inside').map(({ part }) => part))
      for (const part of ['steering wheel', 'brake pedal', 'accelerator pedal', 'glovebox', 'dashboard'])
        expect(inside.has(part), part).toBe(true)
      const wheel = partsOf(machine).find(({ name }) => name === 'steering wheel')
      expect(wheel?.high.y).toBeLessThan(0)
      for (const cover of machine.covers ?? [])
        if (/glovebox|dash|kick|column/i.test(cover.name))
          expect([cover.name, coverParts(machine, cover).length]).toEqual([cover.name, 1])
    })
  },
)

test('only a machine with a cabin is seen from inside', () => {
  for (const machine of shippedMachines) {
    const cabin = machine.body !== undefined && viewsOf(machine.body).includes('inside')
    expect([machine.id, machineScene(machine, 'inside').length > 20]).toEqual([machine.id, cabin])
  }
})

test('no cap is left in the air when its tank is off', () => {
  let met = 0
  for (const machine of shippedMachines)
    for (const cover of machine.covers ?? []) {
      const parts = coverParts(machine, cover)
      const tank = partsOf(machine).find(({ name }) => name === 'tank')?.id
      const cap = partsOf(machine).find(({ name }) => name === 'filler cap')?.id
      if (tank === undefined || cap === undefined || !parts.includes(tank)) continue
      met++
      expect([machine.id, parts.includes(cap)]).toEqual([machine.id, true])
    }
  expect(met).toBeGreaterThan(2)
})
