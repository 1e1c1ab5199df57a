import { describe, expect, test } from 'vitest'
import {
  isJoined,
  joinKits,
  memberOf,
  type ConnectorId,
  type Kit,
  type KitEndId,
  type SocketId,
} from '../dossiers/index.ts'
import { sharedFeeds, sharedSignals } from '../electrical/index.ts'
import { ref } from '../shared/refCase.ts'
import { checkWiring, connectionPlan, goTogether, plannedConnections, type Connection } from '../wiring/index.ts'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { asJournal, entryOf } from './journalCase.ts'
import { jobFindings, jobSupplies, planTicks, plannedLooms, replay } from './index.ts'

const machine = shippedMachine('pellick-skua-960')
const learner = shippedKit('quernby-learner')
const dial = shippedKit('lowlamp-dial')
const kit = joinKits([learner, dial])
const dossiers = { machine, kit }
const plan = connectionPlan(dossiers)
const planned = plannedConnections(machine, kit, plan)
const feed: KitEndId = ref('lowlamp-dial:feed')
const outlet: { kitEnd: SocketId } = { kitEnd: ref('quernby-learner:relay-out') }
const grave = (connections: readonly Connection[]) =>
  checkWiring(machine, kit, connections, { plan })
    .filter(({ severity }) => severity !== 'note')
    .map(({ rule, at }) => `${rule} ${at.kitEnd ?? ''}`)

describe('one relay and one fuse for what wakes together', () => {
  test('the dial takes its feed at the relay of the learner, and is told why', () => {
    const match = plan.find(({ kitEnd }) => kitEnd === feed)
    expect(match?.target).toEqual(outlet)
    expect(match?.reasons[0]).toBe(
      'One relay and one fuse wake both: 1.2 A of the 4 A that second outlet of the relay of the Learner gives.',
    )
    expect(grave(planned)).toEqual([])
  })

  test('in the order of the kits the other way round it is the same', () => {
    const turned = joinKits([dial, learner])
    expect(connectionPlan({ machine, kit: turned }).find(({ kitEnd }) => kitEnd === feed)?.target).toEqual(outlet)
  })

  test('a place chosen by hand is kept, and the lamp wire gives it', () => {
    const to: { connector: ConnectorId; cavity: number } = { connector: ref('brake-switch'), cavity: 1 }
    const state = replay(dossiers, [
      ...asJournal([entryOf({ kind: 'place-chosen', kitEnd: feed, value: to, replaces: null })]),
    ])
    expect(connectionPlan(dossiers, state).find(({ kitEnd }) => kitEnd === feed)).toMatchObject({
      target: to,
      locked: true,
    })
  })

  test('what the outlet does not give goes to the machine', () => {
    const weak: Kit = {
      ...learner,
      sockets: (learner.sockets ?? []).map((socket) => (socket.givesA ? { ...socket, givesA: 1 } : socket)),
    }
    const target = connectionPlan({ machine, kit: joinKits([weak, dial]) }).find(
      ({ kitEnd }) => kitEnd === feed,
    )?.target
    expect(target).toHaveProperty('connector')
  })

  test('open, untugged, and in a socket that is no outlet are found', () => {
    const without = planned.filter(({ kitEnd }) => kitEnd !== feed)
    expect(grave(without)).toEqual([`end-open ${feed}`])
    expect(grave([...without, { kitEnd: feed, to: outlet }])).toEqual([`not-tugged ${feed}`])
    expect(
      grave([...without, { kitEnd: feed, to: { kitEnd: ref('quernby-learner:t-cell') }, tugged: true }]),
    ).toContain(`loom-to-loom ${feed}`)
  })

  test('a lead that brings no current is not let onto it', () => {
    const moved = planned.map((made) => (made.kitEnd === 'lowlamp-dial:reference' ? { ...made, to: outlet } : made))
    expect(grave(moved)).toContain('loom-to-loom lowlamp-dial:reference')
  })

  test('summed: load, fuse, wire and drop, and what the lamp wire is spared', () => {
    const [shared] = sharedFeeds(
      machine,
      joined(),
      plan.map(({ kitEnd, target }) => ({ kitEnd, to: target })),
      plan,
    )
    expect(shared).toMatchObject({ owner: 'quernby-learner', sumA: 2.45, coil: { withA: 0.15, withoutA: 1.35 } })
    expect(shared?.checks.every(({ ok }) => ok)).toBe(true)
    expect(shared?.checks.find(({ rule }) => rule.startsWith('All of it against the fuse'))?.value).toBeCloseTo(
      3.308,
      3,
    )
  })

  test('too much for the fuse is found as built', () => {
    const weak: Kit = {
      ...learner,
      ends: learner.ends.map((end) => (end.type === 'ring' && end.fuseA ? { ...end, fuseA: 3 } : end)),
    }
    const two = { machine, kit: joinKits([weak, dial]) }
    const state = replay(two, asJournal([entryOf({ kind: 'connected', kitEnd: feed, to: outlet })]))
    expect(
      jobFindings(two, state)
        .filter(({ rule }) => rule === 'shared-feed')
        .map(({ reason }) => reason),
    ).toEqual([
      'Second outlet of the relay of the Learner: all of it against the fuse, 1.35 times is 3.308 A, at most 3 A.',
    ])
  })

  test('the circuit has it so: it wakes with the learner’s relay, and is dead without its coil', () => {
    const supply = (connections: readonly Connection[]) => {
      const journal = asJournal(connections.map(({ kitEnd, to }) => entryOf({ kind: 'connected', kitEnd, to })))
      const rows = jobSupplies(dossiers, replay(dossiers, journal)).find(({ key }) => key === 'lowlamp-dial')?.built
        .states
      return (name: string) => Number(rows?.find(({ state }) => state === name)?.supplyV)
    }
    const whole = supply(planned)
    expect(whole('key on')).toBeGreaterThan(11.5)
    expect(whole('key off')).toBeLessThan(0.5)
    const without = supply(planned.filter(({ kitEnd }) => kitEnd !== 'quernby-learner:relay-coil'))
    expect(without('key on')).toBeLessThan(0.5)
  })

  test('hooked up by its ticks it is on the outlet; its own loom is laid without a lead to the lamp', () => {
    const end = kit.ends.find(({ id }) => id === feed)
    if (!end) throw new Error('no feed')
    const ticks = planTicks(
      dossiers,
      replay(dossiers, []),
      end,
      plan.find(({ kitEnd }) => kitEnd === feed),
    )
    expect(ticks.map(({ words }) => words)).toEqual([
      'Lead F under second outlet of the relay',
      'Tugged: it does not move',
    ])
    const loom = plannedLooms(dossiers, replay(dossiers, [])).find(({ member }) => member.key === 'lowlamp-dial')?.loom
    expect(loom?.branches.map((branch) => branch.end.id)).not.toContain('feed')
  })

  test('a kit that stays is not left on the relay of one that goes', () => {
    const opened = entryOf({
      kind: 'opened',
      purpose: 'stock',
      ...{ cameFrom: [], mounts: [], routes: [], settings: [] },
      connections: [{ kitEnd: feed, to: outlet }],
    })
    const going = { machine, kit: joinKits([learner], [dial]) }
    expect(memberOf(going.kit, feed)?.member.present).toBe(true)
    expect(jobFindings(going, replay(going, asJournal([opened]))).map(({ rule }) => rule)).toContain('stock-feeds')
  })
})

describe('one wire for leads of two kits', () => {
  test('one joint where one takes both, with what they draw', () => {
    const signals = sharedSignals(
      machine,
      joined(),
      plan.map(({ kitEnd, target }) => ({ kitEnd, to: target })),
    )
    for (const { ends, how, why } of signals) {
      expect(new Set(ends.map((end) => end.kit)).size).toBeGreaterThan(1)
      expect(why).toContain(how === 'one joint' ? 'One opening' : 'one each')
    }
    const four = shippedMachine('ostrel-kittiwake-640')
    const both = joinKits([shippedKit('quernby-p4-eight'), learner])
    if (!isJoined(both)) throw new Error('one kit')
    const made = connectionPlan({ machine: four, kit: both }).map(({ kitEnd, target }) => ({ kitEnd, to: target }))
    const throttle = sharedSignals(four, both, made).find(({ circuit }) => circuit === 'Throttle position')
    expect(throttle?.ends.map(({ kitEnd }) => kitEnd)).toEqual([
      'quernby-p4-eight:throttle',
      'quernby-learner:throttle',
    ])
    expect(throttle?.why).toContain('only listen')
  })
})

test('two kits that change one signal are refused by name, and so are two that claim one end of a row', () => {
  const ute = shippedMachine('hallam-voss-shieling-21')
  expect(goTogether(ute, [shippedKit('thistle-d3'), shippedKit('wren-pedal')]).map(({ rule }) => rule)).toEqual([
    'changed-twice',
  ])
  expect(goTogether(ute, [shippedKit('thistle-d3-m'), shippedKit('wren-pedal')])).toEqual([])
  const calder = shippedMachine('tarnbrook-calder-1130')
  const two = shippedKit('quernby-learner-two')
  const clash = goTogether(calder, [two, { ...two, id: ref('other-two') }])
  expect(clash.map(({ rule }) => rule)).toContain('row-clash')
  const free: Kit = {
    ...two,
    id: ref('other-two'),
    ends: two.ends.map((end) => {
      if (end.type !== 'inline-pair') return end
      const { stands: _stands, ...plain } = end
      return plain
    }),
  }
  for (const order of [
    [two, free],
    [free, two],
  ]) {
    const joinedKit = joinKits(order)
    const row = { machine: calder, kit: joinedKit }
    const state = replay(row, [])
    const wordsOf = (id: string) => {
      const end = joinedKit.ends.find((item) => item.id === id)
      if (!end) throw new Error(id)
      return planTicks(
        row,
        state,
        end,
        connectionPlan(row).find(({ kitEnd }) => kitEnd === id),
      ).map(({ words }) => words)
    }
    // Nearest to the control unit stands the one that has to, whichever kit the job names first.
    expect(wordsOf('quernby-learner-two:oxygen-front').slice(0, 2).join(' · ')).toMatch(
      /^Factory plug into loom end X · Loom end X into the factory half of /,
    )
    expect(wordsOf('other-two:oxygen-front').slice(0, 2).join(' · ')).toMatch(
      /^The device half of .* into loom end X · Loom end X onto the front oxygen sensor/,
    )
  }
})

function joined() {
  if (!isJoined(kit)) throw new Error('one kit')
  return kit
}
