import { describe, expect, test } from 'vitest'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { machineScene } from './machineScene.ts'
import { tones, type Scene } from './scene.ts'

const views = ['side', 'top'] as const

/** Every point a path goes through, by its absolute commands. */
function pointsOf(d: string): [number, number][] {
  return [...d.matchAll(/([MLC])([^MLCAZ]*)|A[^A-Z]*?(-?[\d.]+) (-?[\d.]+)(?=[A-Z]|$)/g)].flatMap(
    ([, command, list, x, y]): [number, number][] => {
      if (command === undefined) return [[Number(x), Number(y)]]
      const figures = list.trim().split(/\s+/).map(Number)
      const pairs = figures.flatMap((value, i): [number, number][] => (i % 2 === 0 ? [[value, figures[i + 1]]] : []))
      return command === 'C' ? pairs.slice(-1) : pairs
    },
  )
}

describe.each(shippedMachines)('$id, drawn', (machine) => {
  test.each(views)(
    'from the %s: within its own size, of many parts, with what is hot and what holds liquid or glass',
    (view) => {
      const scene = machineScene(machine, view)
      const { body } = machine
      if (!body) throw new Error('it has a body')
      const [low, high] = view === 'top' ? [-body.widthM / 2, body.widthM / 2] : [0, body.heightM]
      for (const { d, part } of scene)
        for (const [x, y] of pointsOf(d)) {
          expect(Number.isFinite(x) && Number.isFinite(y), part).toBe(true)
          expect(x, part).toBeGreaterThan(-0.06 * body.lengthM)
          expect(x, part).toBeLessThan(1.06 * body.lengthM)
          expect(y, part).toBeGreaterThan(low - 0.12)
          expect(y, part).toBeLessThan(high + 0.12)
        }
      expect(new Set(scene.map(({ part }) => part)).size).toBeGreaterThan(8)
      expect(scene.some(({ tone }) => tone === 'hot')).toBe(true)
      expect(scene.some(({ tone }) => tone === 'glass')).toBe(true)
      expect(scene.every(({ tone }) => tones.includes(tone))).toBe(true)
      expect(machineScene(machine, view)).toBe(scene)
    },
  )
})

test('sixty parts and more are known by name', () => {
  const all = shippedMachines.flatMap((machine) => views.flatMap((view) => machineScene(machine, view)))
  expect(new Set(all.map(({ part }) => part)).size).toBeGreaterThanOrEqual(60)
})

/** Where a scene has ink, on a grid over its own size: two machines of one outline are the same here. */
function footprint(scene: Scene, lengthM: number, heightM: number): Set<string> {
  return new Set(
    scene.flatMap(({ d, part, tone }) =>
      pointsOf(d).map(
        ([x, y]) => `${part} ${tone} ${Math.round((x / lengthM) * 24)} ${Math.round((y / heightM) * 16)}`,
      ),
    ),
  )
}

test('every machine is told from every other without its name', () => {
  const drawn = shippedMachines.map((machine) => ({
    id: machine.id,
    cells: footprint(machineScene(machine, 'side'), machine.body?.lengthM ?? 1, machine.body?.heightM ?? 1),
  }))
  for (const one of drawn)
    for (const other of drawn) {
      if (one.id >= other.id) continue
      const shared = [...one.cells].filter((cell) => other.cells.has(cell)).length
      expect(shared / Math.max(one.cells.size, other.cells.size), `${one.id} and ${other.id}`).toBeLessThan(0.85)
    }
})

test('a machine whose size is not written down has no drawing', () => {
  expect(machineScene({ ...shippedMachines[0], body: undefined }, 'side')).toEqual([])
})
