import { asWritten } from '../shared/index.ts'
import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { parseMachine, type Machine, type Passage, type KitEnd } from '../dossiers/index.ts'
import { fittings, shippedKit, shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { bundleDiameterMm, sleeveSizeMm, wireDiameterMm } from './bundles.ts'
import { passageScore, loomTemperatureC, passageTemperatureC, sleeveFor } from './hazards.ts'
import { neededM } from './loomLengths.ts'
import { partOfPath, passageLength, pathLengthM } from './passagePath.ts'
import { planRoutes } from './planRoutes.ts'
import { randomRoute } from './randomRouteCase.ts'
import { mountPractices } from './mountPractices.ts'
import { dominates } from './rankPlaces.ts'
import { routeGaps, routeGraph, steeringSlackM } from './routeGraph.ts'

const planOf = (machine: Machine, kit: Parameters<typeof planRoutes>[1], more = {}) => {
  const plan = planRoutes(machine, kit, more)
  if (!plan.ok) throw new Error(plan.problems[0].message)
  return plan.value
}
const gorse = shippedMachine('pellick-gorse-430')
const p1 = shippedKit('quernby-p1')

describe.each(fittings.map((fitting) => ({ ...fitting })))('$name', ({ machine, kit }) => {
  const plan = planOf(machine, kit)

  test('every place is planned to the end, the sheet has a possible one', () => {
    expect(plan.exact).toBe(true)
    expect(plan.gaps).toEqual([])
    const sheet = kit.places?.find((item) => item.machine === machine.id)?.place
    const place = plan.places.find((item) => item.place.id === sheet) ?? plan.places[0]
    expect(place.feasible).toBe(true)
    expect(place.extensions).toBe(0)
  })

  test('what a branch needs is its way, 3 % lay, slack and loop; shares of a passage add up', () => {
    for (const { branches, trunk } of plan.places)
      for (const branch of branches) {
        if (branch.reach === 'unreachable') continue
        expect(neededM(machine, branch.stretches, branch.end, branch.lastM)).toBeCloseTo(branch.needM, 2)
        expect(branch.needM).toBeGreaterThanOrEqual(branch.lengthM - 1e-6)
        expect(branch.spareM).toBeCloseTo(branch.end.branchM - branch.needM, 4)
        if (branch.end.never !== null) expect(branch.extensionM).toBe(0)
        if (branch.reach === 'extend') expect(branch.extensionM).toBeGreaterThanOrEqual(-branch.spareM + 0.05 - 1e-9)
        expect(trunk.lengthM).toBeLessThanOrEqual(kit.trunkM)
      }
  })

  test('ways hang together from the trunk to the thing', () => {
    const graph = routeGraph(machine)
    const ends = new Map(graph.edges.map((edge) => [edge.passage.id, [edge.a, edge.b]]))
    for (const { branches, trunk } of plan.places)
      for (const way of [trunk, ...branches])
        way.stretches.forEach((stretch, i) => {
          const before = way.stretches[i - 1]
          if (!before || stretch.from % 1 !== 0 || before.to % 1 !== 0) return
          expect(ends.get(before.passage)?.[before.to]).toBe(ends.get(stretch.passage)?.[stretch.from])
        })
  })

  test.each(mountPractices)('%s: possible places first, no compromise beaten by another', (school) => {
    const { places } = planOf(machine, kit, { school })
    const possible = places.filter((place) => place.feasible)
    expect(places.slice(0, possible.length)).toEqual(possible)
    for (const place of possible) expect(place.compromise).toBe(!possible.some((other) => dominates(other, place)))
    for (const place of places.slice(1)) expect(place.lost.length).toBeGreaterThan(10)
  })
})

test('a school may change which place is first', () => {
  const first = (school: (typeof mountPractices)[number]) =>
    shippedMachines.flatMap((machine) =>
      fittings.flatMap((fitting) =>
        fitting.machine.id === machine.id && !fitting.name.includes(',')
          ? [planOf(fitting.machine, fitting.kit, { school }).places[0].place.id]
          : [],
      ),
    )
  expect(first('reachable without tools')).not.toEqual(first('hidden from view'))
})

describe('slack and heat', () => {
  test('radius × lock angle: 80 mm and 38° take 53 mm to the far lock and leave it loose at the near one', () => {
    const calder = shippedMachine('tarnbrook-calder-1130')
    expect(steeringSlackM(calder)).toBeCloseTo(0.08 * ((38 * Math.PI) / 180), 9)
    const dial = planOf(calder, shippedKit('quernby-learner')).places[0].branches.find(
      (branch) => branch.end.far === 'dial',
    )
    const slack = dial?.steering
    expect(slack?.pulledM).toBe(dial?.spareM)
    expect((slack?.looseM ?? 0) - (slack?.straightM ?? 0)).toBeCloseTo(steeringSlackM(calder), 3)
    expect((slack?.straightM ?? 0) - (slack?.pulledM ?? 0)).toBeCloseTo(steeringSlackM(calder), 3)
  })

  test('heat falls off with distance; the sleeve follows, and above the last nothing is laid', () => {
    expect(loomTemperatureC(450, 0, 50)).toBe(450)
    expect(loomTemperatureC(450, 25, 50)).toBe(150)
    expect(loomTemperatureC(450, 25, 90)).toBe(180)
    expect([90, 150, 240, 300].map(sleeveFor)).toEqual(['plain', 'glass', 'reflecting', null])
    const hot = (clearMm: number) =>
      asWritten<Passage>({
        id: 'x',
        name: 'x',
        from: 'a',
        to: 'b',
        hazards: [{ kind: 'hot' as const, surfaceC: 600, clearMm, what: 'pipe' }],
      })
    expect(passageTemperatureC(hot(5), 50)).toBeGreaterThan(250)
    expect(passageScore(hot(30), 1, 50)).toBeGreaterThan(passageScore(hot(90), 1, 50))
  })

  test('bundles: seven equal wires of 2 mm are 6.6 mm across; sleeves go up in steps', () => {
    expect(bundleDiameterMm(Array(7).fill(2))).toBeCloseTo(Math.sqrt(28 / 0.65), 9)
    expect(wireDiameterMm(0.5)).toBeCloseTo(1.683, 3)
    expect([3.9, 4, 4.1, 41].map(sleeveSizeMm)).toEqual([4, 4, 6, null])
  })

  test('parts of a path keep its corners and its length', () => {
    const path = [
      { x: 0, y: 0, z: 0 },
      { x: 1, y: 0, z: 0 },
      { x: 1, y: 1, z: 0 },
    ]
    expect(partOfPath(path, 0.25, 0.75)).toEqual([
      { x: 0.5, y: 0, z: 0 },
      { x: 1, y: 0, z: 0 },
      { x: 1, y: 0.5, z: 0 },
    ])
    for (const [from, to] of [
      [0, 1],
      [0.1, 0.9],
      [1, 0],
      [0.5, 0.5],
    ])
      expect(pathLengthM(partOfPath(path, from, to))).toBeCloseTo(2 * Math.abs(to - from), 9)
    expect(
      passageLength({ id: ref('x'), name: 'x', from: ref('a'), to: ref('b'), hazards: [] }, path[0], undefined),
    ).toBeNull()
    expect(
      passageLength({ id: ref('x'), name: 'x', from: ref('a'), to: ref('b'), hazards: [] }, path[0], path[1])?.lengthM,
    ).toBeCloseTo(7 / 6)
  })
})

describe('wideband leads on 60 random machines', () => {
  test('are never given an extension, short or not', () => {
    let short = 0
    for (let seed = 1; seed <= 60; seed++) {
      const { machine, kit, matches } = randomRoute(seed, { points: 14, passages: 24, places: 2, branches: 4 })
      const place = machine.places?.[1]
      if (!place) continue
      const machineWith = { ...machine, places: [machine.places?.[0] ?? place, { ...place, use: 'sensor' as const }] }
      const [pair] = kit.ends
      const lead = asWritten<KitEnd>({
        type: 'plug' as const,
        id: 'w',
        tag: 'W',
        name: 'Sensor',
        breakOutM: pair.breakOutM,
        branchM: 0.25,
        needed: true,
        into: 's',
        far: 'sensor' as const,
        enters: ['s'],
        telling: 'x',
      })
      const plan = planRoutes(machineWith, { ...kit, ends: [...kit.ends, lead] }, { matches })
      if (!plan.ok) continue
      for (const { branches, against } of plan.value.places) {
        const laid = branches.find((branch) => branch.end.far === 'sensor')
        expect(laid?.extensionM).toBe(0)
        if (laid && laid.spareM < 0) {
          short++
          expect(laid.reach).toBe('never')
          expect(against.join()).toContain('never lengthened')
        }
      }
    }
    expect(short).toBeGreaterThan(5)
  })
})

describe('bad input is named, with a remedy', () => {
  const problemsOf = (machine: Machine, kit = p1, more = {}) => {
    const plan = planRoutes(machine, kit, more)
    return plan.ok ? [] : plan.problems
  }
  test('no passages, an unknown place', () => {
    const { passages: _passages, ...bare } = gorse
    expect(problemsOf(bare)[0]).toMatchObject({ code: 'no-passages', path: 'machine.passages' })
    expect(problemsOf(gorse, p1, { placeId: 'roof' })[0].message).toBe(
      '"roof" is no place for a module on the Gorse 430. It has: rack-plate, seat-box, bar-mount.',
    )
  })

  test('zones that nothing joins', () => {
    const cut = {
      ...gorse,
      passages: gorse.passages?.filter((passage) => !['spine-coil-rail', 'coil-rail-frame-left'].includes(passage.id)),
    }
    expect(problemsOf(cut)[0]).toMatchObject({ code: 'no-way', path: 'machine.passages' })
    expect(problemsOf(cut)[0].message).toContain('Ignition coil plug')
    expect(routeGaps(cut)[0].message).toContain('Add the passage a loom would take')
  })

  test('a branch of no length, a break-out beyond the trunk', () => {
    const [first, ...rest] = p1.ends
    expect(problemsOf(gorse, { ...p1, ends: [{ ...first, branchM: 0 }, ...rest] })[0]).toMatchObject({
      code: 'no-branch',
      path: 'kit.ends.0.branchM',
    })
    expect(problemsOf(gorse, { ...p1, ends: [{ ...first, breakOutM: 4 }, ...rest] })[0]).toMatchObject({
      code: 'beyond-trunk',
      path: 'kit.ends.0.breakOutM',
    })
  })

  test.each([
    [
      (machine: Machine) => Object.assign(machine.passages?.[0] ?? {}, { lengthM: 0 }),
      'passages.0.lengthM',
      'longer than nothing',
    ],
    [
      (machine: Machine) => Object.assign(machine.passages?.[0] ?? {}, { lengthM: -0.2 }),
      'passages.0.lengthM',
      'longer than nothing',
    ],
    [
      (machine: Machine) => Object.assign(machine.passages?.[0] ?? {}, { to: 'moon' }),
      'passages.0.to',
      'is no zone or spot',
    ],
    [
      (machine: Machine) => Object.assign(machine.passages?.[0] ?? {}, { to: machine.passages?.[0].from }),
      'passages.0.to',
      'back to itself',
    ],
    [
      (machine: Machine) => Object.assign(machine.spots?.[0] ?? {}, { id: 'airbox' }),
      'spots.0.id',
      'is a zone already',
    ],
    [
      (machine: Machine) => machine.spots?.[0].serves.push({ stud: ref('moon') }),
      'spots.0.serves.1',
      'is called "moon"',
    ],
    [(machine: Machine) => delete machine.steering, 'passages.19.steering', 'how far it turns'],
  ])('a document with %s is refused by path', (spoil, path, says) => {
    const machine = structuredClone(gorse)
    spoil(machine)
    const parsed = parseMachine(machine)
    const problem = parsed.ok ? undefined : parsed.problems.find((item) => item.path === path)
    expect(problem?.message).toContain(says)
  })
})
