import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { parseMachine, type AccessWay, type Cover, type Machine, type CoverId, type WayId } from '../dossiers/index.ts'
import { shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { accessGaps } from './accessGaps.ts'
import { orderByTrying, removalByTrying } from './bruteAccessCase.ts'
import {
  compileAccess,
  findTarget,
  priceSeconds,
  readTargets,
  removalProblem,
  toolsOf,
  waysTo,
} from './compileAccess.ts'
import { planAccess, planReachable } from './planAccess.ts'
import { standingPoint, walkCm } from './walk.ts'

const at = (machine: Machine, ...ids: string[]) =>
  ids.map((id) => {
    const target = findTarget(machine, id)
    if (!target) throw new Error(`no ${id}`)
    return target
  })
const removed = (machine: Machine, ...ids: string[]) =>
  planAccess(machine, at(machine, ...ids)).removals.map((removal) => removal.cover.id)
const everything = shippedMachines.flatMap((machine) =>
  [undefined, ...machine.variants.map((variant) => variant.id)].map((variant) => ({
    name: variant ? `${machine.id}, ${variant}` : machine.id,
    machine: shippedMachine(machine.id, variant),
  })),
)

describe.each(everything)('$name', ({ machine }) => {
  test('every plug, stud and place can be reached, every fastener has its tool', () => {
    expect(accessGaps(machine)).toEqual([])
  })

  test('for any three plugs the least is taken off, as trying every way shows', () => {
    const all = machine.connectors.map((connector) => connector.id)
    for (let i = 0; i + 2 < all.length; i += 3) {
      const targets = at(machine, ...all.slice(i, i + 3).map((id) => `connector:${id}`))
      const plan = planAccess(machine, targets)
      const compiled = compileAccess(machine)
      const tried = removalByTrying(
        removalProblem(
          compiled,
          targets.map((target) => waysTo(machine, target)),
        ),
      )
      expect(Math.round(plan.workMinutes * 60)).toBe(tried.seconds)
      expect([plan.exact, plan.walkProven]).toEqual([true, true])
      expect(tried.covers).toContain(
        plan.removals
          .map((removal) => compiled.place.get(removal.cover.id) ?? -1)
          .sort((a, b) => a - b)
          .join(','),
      )
    }
  })

  test('the order off and on has the fewest tool changes and the shortest way', () => {
    const targets = at(machine, ...machine.connectors.slice(0, 6).map((connector) => `connector:${connector.id}`))
    const plan = planAccess(machine, targets)
    if (plan.removals.length > 7) return
    const covers = plan.removals.map((removal) => removal.cover)
    const stands = covers.map((cover) => standingPoint(cover, machine.body))
    const place = new Map(covers.map((cover, i) => [cover.id, i]))
    const tried = orderByTrying({
      before: covers.map((cover) => cover.after.flatMap((id) => place.get(id) ?? [])),
      tools: covers.map(toolsOf),
      walkCm: (a, b) => walkCm(stands[a], stands[b], machine.body),
    })
    expect({ toolChanges: plan.toolChanges, walkCm: Math.round(plan.walkM * 100) }).toEqual(tried)
  })

  test('everything off goes on again, what lies under it first', () => {
    const plan = planAccess(machine, at(machine, ...machine.connectors.map((connector) => `connector:${connector.id}`)))
    const closing = plan.closing.map((item) => item.cover.id)
    expect([...closing].sort()).toEqual(plan.removals.map((removal) => removal.cover.id).sort())
    plan.closing.forEach(({ cover }, i) =>
      cover.after.forEach((id) => {
        if (closing.includes(id)) expect(closing.indexOf(id)).toBeGreaterThan(i)
      }),
    )
    const early = plan.closing.map((item) => item.beforeStart)
    expect(early.lastIndexOf(true)).toBeLessThan(early.includes(false) ? early.indexOf(false) : early.length)
    for (const { cover, beforeStart } of plan.closing) if (cover.run) expect(beforeStart).toBe(true)
  })

  test('what hides the battery comes off before anything else', () => {
    const plan = planAccess(machine, [
      ...at(machine, ...machine.connectors.map((connector) => `connector:${connector.id}`)),
      ...at(machine, ...(machine.batteries ?? []).map((id) => `stud:${id}`)),
    ])
    const first = plan.removals.map((removal) => removal.beforeBattery)
    expect(first.lastIndexOf(true)).toBeLessThan(first.includes(false) ? first.indexOf(false) : first.length)
  })
})

describe('the easier way differs per machine', () => {
  test('the V8 gives its rail plug up through the wheel arch, the straight six from above', () => {
    expect(removed(shippedMachine('hallam-voss-longhaul-69'), 'rail')).toEqual(['arch'])
    expect(removed(shippedMachine('hallam-voss-packhorse-62'), 'rail')).toEqual(['cover'])
  })

  test('with the airbox off anyway the lower injectors are not felt for from the side', () => {
    const machine = shippedMachine('ostrel-kittiwake-640')
    const plan = planAccess(machine, at(machine, 'injector-1-low', 'throttle'))
    expect(plan.targets.map((item) => item.way.from)).toEqual(['above', 'above'])
    const alone = planAccess(machine, at(machine, 'injector-1-low'))
    expect(alone.targets[0].way.from).toBe('left')
    expect(alone.targets[0].otherwise?.way.from).toBe('above')
    expect(alone.targets[0].otherwise?.moreMinutes).toBeGreaterThan(10)
  })

  test('a way fixed by a person is taken, even where it costs more', () => {
    const machine = shippedMachine('hallam-voss-longhaul-69')
    const ways = new Map([['connector:rail', ref<WayId>('zone-right-head-above')]])
    const plan = planAccess(machine, at(machine, 'rail'), { ways })
    expect(plan.removals.map((removal) => removal.cover.id).sort()).toEqual(['cover', 'degas', 'intake-pipe'])
  })

  test('what other jobs taught can turn the plan', () => {
    const machine = shippedMachine('hallam-voss-longhaul-69')
    const slow = { best: 40, likely: 60, worst: 90 }
    const known = new Map([
      ['off.arch', slow],
      ['on.arch', slow],
    ])
    expect(planAccess(machine, at(machine, 'rail'), { known }).removals.map((r) => r.cover.id)).not.toContain('arch')
  })
})

describe('an order laid down by hand', () => {
  const machine = shippedMachine('tarnbrook-saddler-880')
  const targets = at(machine, 'injector-1', 'battery-negative')

  test('that keeps what waits for what breaks nothing', () => {
    const order = ['shroud-left', 'battery-lid', 'seat', 'shroud-right', 'tank', 'airbox'].map(ref<CoverId>)
    const plan = planAccess(machine, targets, { order })
    expect(plan.removals.map((removal) => removal.cover.id)).toEqual(order)
    expect(plan.breaks).toEqual([])
  })

  test('that does not is kept, and says what it breaks', () => {
    const plan = planAccess(machine, targets, { order: [ref('airbox'), ref('tank')] })
    expect(plan.removals[0].cover.id).toBe('airbox')
    expect(plan.breaks.map((item) => item.says)).toContain('Airbox cannot come off before tank.')
    expect(plan.breaks.map((item) => item.says)).toContain(
      'The battery is behind battery lid: it comes off first, before anything live is uncovered.',
    )
  })
})

describe('what cannot be', () => {
  const gorse = shippedMachine('pellick-gorse-430')
  const change = (more: Partial<Machine>) => parseMachine({ ...gorse, variants: [], passages: [], ...more })
  const cover = (id: string, after: string[]): Cover => ({
    id: ref(id),
    name: id,
    after: after.map(ref<CoverId>),
    off: { best: 1, likely: 1, worst: 1 },
    on: { best: 1, likely: 1, worst: 1 },
    fasteners: [],
    saves: [],
  })

  test('covers that wait for each other are named, with the way out', () => {
    const read = change({ covers: [cover('a', ['c']), cover('b', ['a']), cover('c', ['b'])], ways: [] })
    expect(read).toMatchObject({
      ok: false,
      problems: [
        {
          code: 'cover-cycle',
          path: 'covers.0.after',
          message: 'a waits for c waits for b waits for a: none of them could ever come off. Take one out of "after".',
        },
      ],
    })
  })

  test('a cover that waits for itself too', () => {
    expect(change({ covers: [cover('a', ['a'])], ways: [] })).toMatchObject({ problems: [{ code: 'cover-cycle' }] })
  })

  test('a way through a cover that is not there', () => {
    const way: AccessWay = { ...(gorse.ways ?? [])[0], needs: [ref('wing')] }
    expect(change({ ways: [way] })).toMatchObject({
      problems: [{ code: 'unknown-cover', path: 'ways.0.needs.0' }],
    })
  })

  test('negative minutes, minutes out of order and a torque without a unit', () => {
    const bad = (more: object) => change({ covers: [{ ...cover('a', []), ...more }], ways: [] })
    expect(bad({ off: { best: -1, likely: 1, worst: 2 } })).toMatchObject({
      problems: [{ path: 'covers.0.off.best', message: '"covers.0.off.best" is too small: at least 0 is needed.' }],
    })
    expect(bad({ off: { best: 3, likely: 1, worst: 2 } })).toMatchObject({ problems: [{ path: 'covers.0.off' }] })
    expect(bad({ fasteners: [{ count: 2, kind: 'screw', torque: 22 }] })).toMatchObject({
      problems: [{ path: 'covers.0.fasteners.0', message: 'a torque without a unit: write torqueNm, in N·m' }],
    })
  })

  test('a target nobody can reach and one that is not there', () => {
    const shut = { ...gorse, ways: (gorse.ways ?? []).filter((way) => !('zone' in way.to && way.to.zone === 'airbox')) }
    expect(planReachable(shut, at(shut, 'seat-box', 'pressure'))).toMatchObject({
      ok: false,
      problems: [{ code: 'unreachable', path: 'targets.1' }],
    })
    expect(planAccess(shut, at(shut, 'pressure')).unknown.map((target) => target.id)).toEqual(['pressure'])
    expect(readTargets(gorse, ['crank', 'wing'])).toMatchObject({
      problems: [{ path: 'targets.1', message: '"wing" is no plug, stud or mount place of the Gorse 430.' }],
    })
  })

  test('a thread without a tool is a gap, at its place', () => {
    const seat = { ...cover('seat', []), fasteners: [{ count: 1, kind: 'screw' as const, threadMm: 6 }] }
    expect(accessGaps({ ...gorse, covers: [seat], ways: [{ ...(gorse.ways ?? [])[0], needs: [] }] })).toContainEqual(
      expect.objectContaining({
        path: 'covers.0.fasteners.0.drive',
        says: 'What turns the M6 of seat is not written down.',
      }),
    )
  })
})

test('a helper counts twice, in whole seconds', () => {
  const minutes = { best: 10, likely: 18, worst: 35 }
  expect(priceSeconds([minutes], false)).toBe(1170)
  expect(priceSeconds([minutes, minutes], true)).toBe(4680)
})

test('the way around a machine is the shorter one', () => {
  const machine = shippedMachine('grangeway-t9')
  const cover = (id: string) => machine.covers?.find((item) => item.id === id)
  const deck = cover('deck-lid')
  const ladder = cover('ladder')
  if (!deck || !ladder) throw new Error('covers have gone')
  const apart = walkCm(standingPoint(deck, machine.body), standingPoint(ladder, machine.body), machine.body)
  expect(apart).toBeGreaterThan(700)
  expect(apart).toBeLessThan((machine.body?.lengthM ?? 0) * 2 * 100)
  expect(walkCm(null, 3, machine.body)).toBe(0)
})
