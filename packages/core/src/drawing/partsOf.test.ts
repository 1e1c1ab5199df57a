import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { asId, asWritten } from '../shared/index.ts'
import type { Body, Cover, Machine } from '../dossiers/index.ts'
import { passagePoints } from '../routing/index.ts'
import { shippedMachines as machines } from '../wiring/shippedCase.ts'
import { coverParts, partsOff } from './covers.ts'
import { machineScene } from './machineScene.ts'
import { drawingNotes } from './notes.ts'
import { heatNear, partsOf } from './partsOf.ts'
import { boxOf, distanceToLine, isWithin, movedPath, pathLines } from './path.ts'
import { block, disc, smooth, straight, type Point } from './scene.ts'

const named = (part: string) => {
  const found = machines.find((machine) => machine.id.includes(part))
  if (!found) throw new Error(`no machine ${part}`)
  return found
}
const withBody = (machine: Machine, change: Partial<Body>): Machine => {
  if (!machine.body) throw new Error('no body')
  return { ...machine, body: { ...machine.body, ...change } }
}
const onPaper = fc.tuple(fc.double({ min: -5, max: 5, noNaN: true }), fc.double({ min: -5, max: 5, noNaN: true }))

describe('paths that are read again', () => {
  test('a circle keeps its radius wherever it is', () => {
    fc.assert(
      fc.property(onPaper, fc.double({ min: 0.01, max: 3, noNaN: true }), (at, radius) => {
        const [line] = pathLines(disc(at, radius))
        for (const [x, y] of line) expect(Math.abs(Math.hypot(x - at[0], y - at[1]) - radius)).toBeLessThan(0.004)
      }),
    )
  })

  test('a path sized about a point and moved is made of the moved points', () => {
    const makers = [
      (points: Point[]) => straight(points),
      (points: Point[]) => smooth(points),
      (p: Point[]) => disc(p[0], 0.3),
    ]
    fc.assert(
      fc.property(
        fc.constantFrom(...makers),
        fc.array(onPaper, { minLength: 3, maxLength: 7 }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        onPaper,
        onPaper,
        (make, points, size, about, by) => {
          const d = make(points)
          const wanted = pathLines(d)
            .flat()
            .map(([x, y]) => [about[0] + (x - about[0]) * size + by[0], about[1] + (y - about[1]) * size + by[1]])
          const made = pathLines(movedPath(d, about, size, by)).flat()
          expect(made).toHaveLength(wanted.length)
          made.forEach(([x, y], i) => {
            expect(Math.abs(x - (wanted[i]?.[0] ?? NaN))).toBeLessThan(0.004)
            expect(Math.abs(y - (wanted[i]?.[1] ?? NaN))).toBeLessThan(0.004)
          })
        },
      ),
    )
  })

  test('near a line and within it are told as a plain search tells them', () => {
    const [box] = pathLines(block([1, 1], 2, 1))
    fc.assert(
      fc.property(onPaper, (at) => {
        const plain = Math.min(
          ...Array.from({ length: 601 }, (_, i) => {
            const along = (i / 600) * 6
            const edge: Point =
              along < 2 ? [along, 0.5] : along < 3 ? [2, along - 1.5] : along < 5 ? [5 - along, 1.5] : [0, 6.5 - along]
            return Math.hypot(at[0] - edge[0], at[1] - edge[1])
          }),
        )
        expect(Math.abs(distanceToLine(at, box) - plain)).toBeLessThan(0.011)
        expect(isWithin(at, box)).toBe(at[0] > 0 && at[0] < 2 && at[1] > 0.5 && at[1] < 1.5)
      }),
    )
  })
})

describe('the parts of a machine', () => {
  test('every part has an id of its own, a place, and lies within the machine or just beside it', () => {
    for (const machine of machines) {
      const parts = partsOf(machine)
      expect(parts.length).toBeGreaterThan(20)
      expect(new Set(parts.map(({ id }) => id)).size).toBe(parts.length)
      for (const { low, high } of parts) {
        expect(high.x).toBeGreaterThanOrEqual(low.x)
        expect(low.z === undefined && low.y === undefined).toBe(false)
      }
    }
  })

  test('a part that a dossier moves, sizes or takes away is drawn so, and nothing else is', () => {
    const machine = named('pika')
    const silencer = partsOf(machine).find(({ name }) => name === 'silencer')
    if (!silencer) throw new Error('no silencer')
    const moved = withBody(machine, { parts: [{ id: silencer.id, dx: -0.2, dz: 0.1, size: 0.5 }] })
    for (const part of partsOf(moved)) {
      const before = partsOf(machine).find(({ id }) => id === part.id)
      if (part.id !== silencer.id) expect(part).toEqual(before)
      else {
        expect(part.high.x - part.low.x).toBeCloseTo((silencer.high.x - silencer.low.x) / 2, 1)
        expect((part.low.x + part.high.x) / 2).toBeCloseTo((silencer.low.x + silencer.high.x) / 2 - 0.2, 2)
      }
    }
    const gone = withBody(machine, { parts: [{ id: silencer.id, gone: true }] })
    expect(machineScene(gone, 'side').map(({ part }) => part)).not.toContain('silencer')
    expect(machineScene(machine, 'side').map(({ part }) => part)).toContain('silencer')
  })

  test('a tube is as wide as it is thick', () => {
    expect(
      boxOf([
        {
          d: straight(
            [
              [0, 0],
              [1, 0],
            ],
            false,
          ),
          tubeM: 0.2,
        },
      ]),
    ).toEqual({ low: [-0.1, -0.1], high: [1.1, 0.1] })
  })
})

describe('heat', () => {
  test('every hot passage that ships has a drawn part near it that gets so hot', () => {
    for (const machine of machines)
      expect(drawingNotes(machine, (passage) => passagePoints(machine, passage)).map(({ says }) => says)).toEqual([])
  })

  test('the tool says it where the part is drawn elsewhere, or not at all', () => {
    const machine = named('packhorse')
    const notes = (changed: Machine) => drawingNotes(changed, (passage) => passagePoints(changed, passage))
    const away = ['turbine', 'exhaust-manifold', 'exhaust-pipe', 'particle-filter', 'silencer']
    const cold = withBody(machine, { parts: away.map((id) => ({ id: asId(id), gone: true })) })
    expect(notes(cold).some(({ says }) => says.includes('nothing that is drawn gets so hot'))).toBe(true)
    const far = withBody(machine, { parts: away.map((id) => ({ id: asId(id), dx: 2, dz: -0.5 })) })
    expect(notes(far).some(({ says }) => /is \d+ cm away/.test(says))).toBe(true)
    const strange = withBody(machine, { parts: [{ id: asId('flux-keg'), gone: true }] })
    expect(notes(strange).map(({ says }) => says)).toEqual(['The drawing of this class has no part flux-keg.'])
  })

  test('the nearest is found as by trying every sample of every hot shape', () => {
    const machine = named('longhaul')
    fc.assert(
      fc.property(
        fc.record({
          x: fc.double({ min: 0, max: 6, noNaN: true }),
          y: fc.double({ min: -1, max: 1, noNaN: true }),
          z: fc.double({ min: 0, max: 2, noNaN: true }),
        }),
        (at) => {
          const found = heatNear(machine, [at], 600)
          const parts = new Set(
            [...machineScene(machine, 'side'), ...machineScene(machine, 'top')]
              .filter(({ tone }) => tone === 'hot')
              .map(({ part }) => part),
          )
          const from = (view: 'side' | 'top', part: string) => {
            const shapes = machineScene(machine, view).filter((shape) => shape.part === part && shape.tone === 'hot')
            const point: Point = [at.x, view === 'side' ? at.z : at.y]
            if (shapes.length === 0) return 0
            return Math.min(
              ...shapes.map(({ d, tubeM }) => {
                const lines = pathLines(d)
                if (tubeM === undefined && lines.some((line) => isWithin(point, line))) return 0
                return Math.max(0, Math.min(...lines.map((line) => distanceToLine(point, line))) - (tubeM ?? 0) / 2)
              }),
            )
          }
          const least = Math.min(...[...parts].map((part) => Math.max(from('side', part), from('top', part))))
          expect(found?.distanceM).toBeCloseTo(least, 6)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('covers', () => {
  const cover = (name: string, parts?: string[]): Cover =>
    asWritten<Cover>({
      ...{ id: name.toLowerCase().replaceAll(' ', '-'), name, after: [], fasteners: [], saves: [] },
      ...{ off: { best: 1, likely: 1, worst: 1 }, on: { best: 1, likely: 1, worst: 1 } },
      ...(parts ? { parts } : {}),
    })

  test('are the parts that carry their names with what sits on them, or those the dossier names', () => {
    const machine = named('kittiwake')
    expect(coverParts(machine, cover('Tank'))).toEqual(['tank', 'filler-cap'])
    expect(coverParts(machine, cover('Pillion seat'))).toEqual(['seat'])
    expect(coverParts(machine, cover('Inner nose panels'))).toEqual([])
    expect(coverParts(machine, cover('Inner nose panels', ['windscreen', 'nothing-like-it']))).toEqual(['windscreen'])
  })

  test('a part is gone once every cover that is drawn by it is off', () => {
    const machine: Machine = {
      ...named('kittiwake'),
      covers: [cover("Rider's seat"), cover('Pillion seat'), cover('Tank')],
    }
    const off = (...names: string[]) => [...partsOff(machine, ({ name }) => names.includes(name))]
    expect(off('Tank', 'Pillion seat')).toEqual(['tank', 'filler-cap'])
    expect(off("Rider's seat", 'Pillion seat')).toEqual(['seat'])
    expect(off()).toEqual([])
  })
})
