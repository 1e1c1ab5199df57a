import { describe, expect, test } from 'vitest'
import type { Box } from '../dossiers/index.ts'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { bodyView, viewFrom, viewOfCover, views } from './bodyView.ts'
import { machineScene } from './machineScene.ts'
import { partsOf } from './partsOf.ts'

const bodyOf = (id: string) => {
  const body = shippedMachines.find((machine) => machine.id.includes(id))?.body
  if (!body) throw new Error(`no body of ${id}`)
  return body
}

describe.each(shippedMachines)('$id from every side', (machine) => {
  test.each(views)('%s: the axes and the transform say the same, and a box is where its corners are', (view) => {
    if (!machine.body) throw new Error('no body')
    const { at, along, across, rect, transform } = bodyView(machine.body, view)
    const [, tx, ty, sx, sy] = /translate\((\S+) (\S+)\) scale\((\S+) (\S+)\)/.exec(transform)?.map(Number) ?? []
    const point = { x: 0.4, y: -0.2, z: 0.7 }
    const other = view === 'top' || view === 'below' ? point.y : point.z
    const first = view === 'inside' ? point.y : point.x
    expect(at(point)).toEqual([along(first), across(other)])
    expect(at(point)[0]).toBeCloseTo(tx + sx * first, 9)
    expect(at(point)[1]).toBeCloseTo(ty + sy * other, 9)
    const box: Box = { ...point, length: 0.3, width: 0.1, height: 0.2 }
    const seen = rect(box)
    expect(seen.x + seen.width / 2).toBeCloseTo(at(point)[0], 9)
    expect(seen.y + seen.height / 2).toBeCloseTo(at(point)[1], 9)
  })

  test('from the right it is made of the same shapes, what lies on the left behind all others', () => {
    const [left, right] = [machineScene(machine, 'side'), machineScene(machine, 'right')]
    expect(right).toHaveLength(left.length)
    expect(new Set(right)).toEqual(new Set(left))
    const aside = partsOf(machine).filter(({ high }) => high.y !== undefined && high.y < -0.15)
    const ranks = aside.map(({ name }) => right.map(({ part }) => part).lastIndexOf(name)).filter((at) => at >= 0)
    for (const at of ranks) expect(at).toBeLessThan(right.length / 2)
  })

  test('from below one sees wheels or track and what hangs there, no seat and no glass of the cabin', () => {
    const parts = new Set(machineScene(machine, 'below').map(({ part }) => part))
    expect(parts.size).toBeGreaterThan(3)
    for (const above of ['seat', 'roof', 'windscreen', 'cab roof', 'handlebar', 'bonnet'])
      expect(parts.has(above), above).toBe(false)
    expect(['tyre', 'track'].some((name) => parts.has(name))).toBe(true)
  })
})

test('a machine that is drawn once is not drawn again', () => {
  for (const machine of shippedMachines)
    for (const view of views) expect(machineScene(machine, view)).toBe(machineScene(machine, view))
})

test('one looks from where the hand works', () => {
  const [cycle, car] = [bodyOf('pika'), bodyOf('marlow')]
  const box = (y: number): Box => ({ x: 1, y, z: 0.5, length: 0.3, width: 0.1, height: 0.2 })
  expect(viewOfCover(car, { box: box(0) }, 'below')).toBe('below')
  expect(viewOfCover(car, { box: box(-0.6) }, 'above')).toBe('side')
  expect(viewOfCover(car, { box: box(0.6) }, null)).toBe('right')
  expect(viewOfCover(car, { box: box(0.1) }, 'inside')).toBe('inside')
  expect(viewOfCover(cycle, { box: box(0.1) }, 'inside')).toBe('side')
  expect(viewOfCover(cycle, {}, null)).toBe('top')
  expect(viewFrom(cycle, 'front')).toBe('side')
  expect(viewFrom(cycle, 'right')).toBe('right')
})
