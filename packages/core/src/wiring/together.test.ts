import { describe, expect, test } from 'vitest'
import { joinedId, joinKits, membersOf, type Kit, type Machine } from '../dossiers/index.ts'
import { seededRandom } from '../shared/index.ts'
import { ref } from '../shared/refCase.ts'
import { checkWiring } from './checkWiring.ts'
import { candidateCost, candidatesOf } from './matchCost.ts'
import type { Connection } from './model.ts'
import { plannedConnections } from './plannedConnections.ts'
import { busTerminators, portPlan, terminatorsInside } from './portLinks.ts'
import { proposeMatches } from './proposeMatches.ts'
import { randomLoom } from './randomLoomCase.ts'
import type { WiringRule } from './ruleCatalogue.ts'
import { shippedKit, shippedKits, shippedMachine, shippedMachines } from './shippedCase.ts'

/** What no plan can mend: such kits are not fitted there, or not together. */
const refusals: WiringRule[] = ['wrong-machine', 'changed-twice', 'row-clash']

/** What speaks against several kits joined as planned, but that they are not made for the machine or for each other. */
function against(machine: Machine, kits: readonly Kit[]): string[] {
  const kit = joinKits(kits)
  const plan = proposeMatches(machine, kit)
  return checkWiring(machine, kit, plannedConnections(machine, kit, plan), { plan })
    .filter(({ severity, rule, at }) => severity !== 'note' && at.kitEnd !== undefined && !refusals.includes(rule))
    .map(({ rule, at, reason }) => `${kit.id} on ${machine.id}, ${at.kitEnd}: ${rule}: ${reason}`)
}

/** Kits that take a plug for themselves alone; two of them have no room on one machine. */
const standsIn = (kit: Kit) => kit.ends.some((end) => end.type === 'inline-pair' && !end.deviceHalf)

function groupsOf(seed: number, count: number): Kit[] {
  const random = seededRandom(seed)
  const kits: Kit[] = []
  while (kits.length < count) {
    const kit = shippedKits[Math.floor(random.uniform() * shippedKits.length)]
    if (kit && kit.ends.length > 0 && !(standsIn(kit) && kits.some(standsIn))) kits.push(kit)
  }
  // Whatever takes the device's place stands last in a row.
  return kits.sort((a, b) => Number(standsIn(a)) - Number(standsIn(b)))
}

describe('several kits: nothing that is planned is stopped, or to be mended', () => {
  test.each(shippedMachines.map((machine, i) => ({ machine, i })))(
    'pairs and triples on $machine.id',
    ({ machine, i }) => {
      for (let round = 0; round < 6; round++) {
        const kits = groupsOf(i * 100 + round, 2 + (round % 2))
        const alone = kits.flatMap((kit) => against(machine, [kit]))
        // What one kit alone says is its own affair (a feed that only fits so-so); together nothing comes on top.
        expect(against(machine, kits).length, kits.map(({ id }) => id).join(' + ')).toBeLessThanOrEqual(alone.length)
      }
    },
  )
  test('on random machines, of random kits', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const { machine, kit } = randomLoom(seed, 5 + (seed % 11))
      const other = randomLoom(seed + 500, 5 + (seed % 9)).kit
      const kits = [kit, { ...other, id: ref('other-kit') }, ...groupsOf(seed, seed % 2)] as Kit[]
      const alone = kits.flatMap((one) => against(machine, [one]))
      expect(against(machine, kits).length, `seed ${seed}`).toBeLessThanOrEqual(alone.length)
    }
  })
})

describe('the match of two kits', () => {
  test('costs as little as the best of all ways on small random machines', () => {
    let judged = 0
    for (let seed = 1; seed <= 40; seed++) {
      const { machine, kit } = randomLoom(seed, 3)
      const other = { ...randomLoom(seed + 900, 3).kit, id: ref('other-kit') } as Kit
      const members = membersOf(joinKits([kit, other]))
      const rows = members.flatMap((member) =>
        member.kit.ends.filter((end) => end.type !== 'port').map((end) => ({ member, end })),
      )
      if (rows.length > 7) continue
      judged++
      const columns = members.flatMap((member) =>
        candidatesOf(machine, member.kit).map((candidate) => ({ member, candidate })),
      )
      const cost = rows.map(({ member, end }) =>
        columns.map((column) =>
          column.member === member ? candidateCost(machine, member.kit, end, column.candidate) : 1e6,
        ),
      )
      let best = Infinity
      const tryAll = (row: number, taken: Set<number>, sum: number) => {
        if (sum >= best) return
        const line = cost[row]
        if (!line) {
          best = sum
          return
        }
        line.forEach((price, column) => {
          if (price >= 1e6 || taken.has(column)) return
          taken.add(column)
          tryAll(row + 1, taken, sum + price)
          taken.delete(column)
        })
        tryAll(row + 1, taken, sum + 24)
      }
      tryAll(0, new Set(), 0)
      const total = proposeMatches(machine, joinKits([kit, other])).reduce((sum, match) => sum + match.cost, 0)
      expect(total, `seed ${seed}`).toBeCloseTo(best, 9)
    }
    expect(judged).toBeGreaterThan(10)
  })

  test('a circuit that feeds one of them and not both is taken by one', () => {
    const machine = shippedMachine('pellick-skua-960')
    const kits = [shippedKit('lowlamp-dial'), shippedKit('quernby-learner'), shippedKit('wren-selector')]
    const kit = joinKits(kits)
    const feeds = proposeMatches(machine, kit)
    const loads = new Map<string, number>()
    for (const { kitEnd, target } of feeds) {
      const end = kit.ends.find(({ id }) => id === kitEnd)
      if (end?.type !== 'flying-lead' || end.wants.signal !== 'supply-switched' || !target || !('cavity' in target))
        continue
      const wire = machine.wires.find((item) =>
        [item.from, item.to].some(
          (at) => 'connector' in at && at.connector === target.connector && at.cavity === target.cavity,
        ),
      )
      if (wire) loads.set(wire.net, (loads.get(wire.net) ?? 0) + (end.currentA ?? 0.15))
    }
    for (const [net, amps] of loads) {
      const { spareA } = machine.nets.find(({ id }) => id === net) ?? {}
      if (spareA !== undefined) expect(amps, net).toBeLessThanOrEqual(spareA + 1e-9)
    }
  })
})

describe('one bus of several kits', () => {
  const machine = shippedMachine('ostrel-kittiwake-640')
  const kits = [shippedKit('quernby-p4-eight'), shippedKit('quernby-learner')]
  const kit = joinKits(kits)
  const plan = proposeMatches(machine, kit)
  const bus = { from: 'quernby-p4-eight:bus', to: 'quernby-learner:bus' }
  const built = plannedConnections(machine, kit, plan)
  const ofBus = (connections: readonly Connection[]) =>
    checkWiring(machine, kit, connections, { plan })
      .filter(({ at }) => at.kitEnd?.endsWith(':bus'))
      .map(({ rule, reason }) => [rule, reason])

  test('its ports meet, and the two terminators are those inside', () => {
    expect(portPlan(kit).links).toEqual([{ ...bus, bus: true }])
    expect(plan.find(({ kitEnd }) => kitEnd === bus.from)?.target).toEqual({ kitEnd: bus.to })
    expect(kits.reduce((sum, one) => sum + terminatorsInside(one), 0)).toBe(busTerminators)
    expect(ofBus(built)).toEqual([])
  })
  test('closed with terminators of their own they do not know each other, and both kits are named', () => {
    const apart = built.map((made): Connection =>
      made.kitEnd.endsWith(':bus') ? { kitEnd: made.kitEnd, to: { closed: 'terminator' } } : made,
    )
    const found = ofBus(apart)
    expect(found.map(([rule]) => rule)).toContain('closed-but-wanted')
    expect(found.join(' ')).toContain('Learner')
  })
  test('a port of one on a port of another that it has nothing to do with is a stop', () => {
    const wrong = built.map((made): Connection =>
      made.kitEnd === bus.from ? { ...made, to: { kitEnd: ref('quernby-learner:data') } } : made,
    )
    expect(
      checkWiring(machine, kit, wrong, { plan }).filter(
        ({ rule, severity }) => rule === 'loom-to-loom' && severity === 'stop',
      ),
    ).toHaveLength(1)
  })
  test('three kits with one bus port each are no chain: the third stays on its own', () => {
    const three = joinKits([...kits, shippedKit('quernby-p1')])
    expect(portPlan(three).links).toHaveLength(1)
    const own = proposeMatches(machine, three).find(({ kitEnd }) => kitEnd === 'quernby-p1:bus')
    expect(own?.target).toEqual({ closed: 'terminator' })
  })
})

test('things of several kits are named by kit, and what the machine is asked once stands once', () => {
  const kits = [shippedKit('quernby-p4-eight'), shippedKit('quernby-p4-eight'), shippedKit('lowlamp-dial')]
  const kit = joinKits(kits)
  expect(membersOf(kit).map(({ key }) => key)).toEqual(['quernby-p4-eight', 'quernby-p4-eight-2', 'lowlamp-dial'])
  expect(kit.ends).toHaveLength(kits.reduce((sum, { ends }) => sum + ends.length, 0))
  expect(new Set(kit.ends.map(({ id }) => id)).size).toBe(kit.ends.length)
  const names = kit.ends.map(({ name }) => name)
  expect(new Set(names).size).toBe(names.length)
  expect(kit.steps.filter(({ id }) => id.endsWith(':baseline'))).toHaveLength(1)
  expect(kit.steps.filter(({ marks }) => marks === 'mount')).toHaveLength(6)
  const ids = new Set<string>(kit.steps.map(({ id }) => id))
  for (const step of kit.steps) for (const before of step.after ?? []) expect(ids).toContain(before)
  expect(joinKits(kits)).toBe(kit)
  expect(joinedId('', kit.ends[0]?.id ?? '')).toBe(kit.ends[0]?.id)
})
