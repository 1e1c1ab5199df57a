import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import type { KitEnd, Machine, ConnectorId } from '../dossiers/index.ts'
import { findWires } from './findWires.ts'
import { identifyWire } from './identifyWire.ts'
import { adviseJoint } from './joinMethods.ts'
import { judgeReading } from './judgeReading.ts'
import { cardsAllowed, meterCards, type MeterCard } from './meterCards.ts'
import { plannedConnections } from './plannedConnections.ts'
import { proposeMatches } from './proposeMatches.ts'
import { expectedReadings, hasSupply } from './readings.ts'
import { fittings, shippedKit, shippedMachine } from './shippedCase.ts'
import { moduleSources, touchedNets, traceSignal } from './traceSignal.ts'

const marlow = shippedMachine('corvane-marlow-29')
const a2 = shippedKit('thistle-a2')
const plan = proposeMatches(marlow, a2)
const planned = plannedConnections(marlow, a2, plan)
const end = (id: string): KitEnd => {
  const found = a2.ends.find((item) => item.id === id)
  if (!found) throw new Error(`no end ${id}`)
  return found
}
const cardsOf = (id: string, machine: Machine = marlow) =>
  meterCards(
    machine,
    a2,
    end(id),
    plan.find((match) => match.kitEnd === id),
  )
const card = (id: string, phase: MeterCard['phase'], state: MeterCard['state']): MeterCard => {
  const found = cardsOf(id).find((item) => item.phase === phase && item.state === state)
  if (!found) throw new Error(`no card ${id} ${phase} ${state}`)
  return found
}

describe('meter cards', () => {
  test('find and prove want the battery on, join wants it off, and none asks for what the state forbids', () => {
    for (const { machine, kit } of fittings)
      for (const match of proposeMatches(machine, kit)) {
        const item = kit.ends.find((candidate) => candidate.id === match.kitEnd)
        if (!item) continue
        const cards = meterCards(machine, kit, item, match)
        expect(new Set(cards.map((one) => one.id)).size).toBe(cards.length)
        for (const one of cards) {
          expect(one.power, one.id).toBe(one.state === 'battery off' ? 'off' : 'on')
          expect(one.phase === 'join', one.id).toBe(one.power === 'off')
        }
        expect(cardsAllowed(cards, 'off').every((one) => one.state === 'battery off')).toBe(true)
      }
  })

  test('a throttle tap by cable: found shut and open, nothing live before joining, proved shut and open', () => {
    const gorse = shippedMachine('pellick-gorse-430')
    const p1 = shippedKit('quernby-p1')
    const end = p1.ends.find((item) => item.id === 'throttle')
    const match = proposeMatches(gorse, p1).find((item) => item.kitEnd === 'throttle')
    if (!end) throw new Error('the kit has a throttle lead')
    expect(meterCards(gorse, p1, end, match).map((one) => `${one.phase} ${one.state}`)).toEqual([
      'find key on',
      'find key on, fully open',
      'join battery off',
      'prove key on',
      'prove key on, fully open',
    ])
  })

  test('by wire the blade need not follow: no card asks for it open, the pedal’s do', () => {
    expect(cardsOf('throttle').map((one) => `${one.phase} ${one.state}`)).toEqual([
      'find key on',
      'join battery off',
      'prove key on',
    ])
    expect(card('throttle', 'find', 'key on')).toMatchObject({
      range: '20 V DC',
      redLead: 'ECU plug A, cavity 26, plain grey',
      blackLead: expect.stringContaining('of the same plug, brown'),
      expect: { low: 0.4, high: 1.3, unit: 'V' },
    })
  })

  test('every card of every fitting: dead-checks against bare metal on the large range, none on a battery post', () => {
    for (const { machine, kit } of fittings)
      for (const match of proposeMatches(machine, kit)) {
        const item = kit.ends.find((candidate) => candidate.id === match.kitEnd)
        for (const one of item ? meterCards(machine, kit, item, match) : []) {
          if (one.state === 'battery off' && one.expect.unit === 'V') {
            expect(one.blackLead).toBe('bare metal of engine or frame')
            expect(one.range).toBe('20 V DC')
            expect(one.about.stud ?? '').not.toMatch(/battery/)
          }
          if (/^(H|L)/.test(one.net) || one.net.startsWith('Bus'))
            if (one.expect.unit === 'V' && one.state !== 'battery off') expect(one.blackLead).toBe('battery negative')
          // A range that no reading could miss is none.
          if (one.expect.unit === 'V' && one.barred === undefined)
            expect(one.expect.low > 0 || one.expect.high < 12).toBe(true)
        }
      }
  })

  test('each pedal track is read against its own ground', () => {
    const ute = shippedMachine('hallam-voss-shieling-21')
    const d3 = shippedKit('thistle-d3')
    const pedal = d3.ends.find((item) => item.id === 'pedal')
    const match = proposeMatches(ute, d3).find((item) => item.kitEnd === 'pedal')
    if (!pedal) throw new Error('the kit has a pedal pair')
    const blacks = new Map(meterCards(ute, d3, pedal, match).map((one) => [one.about.cavity, one.blackLead]))
    expect(blacks.get(2)).toContain('cavity 3 ')
    expect(blacks.get(5)).toContain('cavity 6 ')
  })

  test('a pick-up with a supply switches: no alternating volts are asked of it, and no winding is suspected', () => {
    for (const { machine, kit } of fittings)
      for (const match of proposeMatches(machine, kit)) {
        const item = kit.ends.find((candidate) => candidate.id === match.kitEnd)
        if (!item || !match.target || !('connector' in match.target)) continue
        for (const one of meterCards(machine, kit, item, match)) {
          const net = machine.nets.find((candidate) => candidate.name === one.net)
          if (!net || net.role !== 'crank' || net.readings || one.state === 'battery off') continue
          const hall = hasSupply(machine, net)
          expect(one.expect.unit, `${machine.id} ${one.id}`).toBe(hall ? 'V' : 'V AC')
          if (hall) expect(judgeReading(machine, one, 0).causes.join()).not.toMatch(/winding|gap/)
        }
      }
  })

  test('a lithium battery rests near 13.3 V, a load-steered alternator may give 12.4 to 15', () => {
    const volts = (machine: Machine, signal: string, state: string) => {
      const net = machine.nets.find((item) => item.signal === signal && item.role === 'supply' && !item.readings)
      return net && expectedReadings(machine, net).find((reading) => reading.state === state)
    }
    expect(volts(shippedMachine('ostrel-pika-449'), 'supply-always', 'key off')).toMatchObject({ low: 13.1 })
    expect(volts(marlow, 'supply-switched', 'idling')).toMatchObject({ low: 12.4, high: 15 })
  })

  test('injector drives of common rail and coil primaries are barred on every machine', () => {
    for (const { machine, kit, name } of fittings)
      for (const match of proposeMatches(machine, kit)) {
        const item = kit.ends.find((candidate) => candidate.id === match.kitEnd)
        if (!item) continue
        for (const one of meterCards(machine, kit, item, match)) {
          const net = machine.nets.find((candidate) => candidate.name === one.net)
          const high = net?.highVoltage || net?.signal === 'coil-drive' || net?.signal === 'injector-drive'
          expect(one.barred !== undefined, `${name} ${one.id}`).toBe(Boolean(high) || net?.role === 'airbag')
        }
      }
  })
})

describe('what a figure means', () => {
  test.each([
    ['throttle', 'find', 'key on', 0.6, true, '', ''],
    ['throttle', 'find', 'key on', 0, false, 'no 5 V reference', 'reference cavity'],
    ['throttle', 'find', 'key on', 4.4, false, 'runs the other way round', 'reversed'],
    ['throttle', 'find', 'key on', 4.95, false, 'sensor ground is open', 'under 0.05 V'],
    ['feed', 'find', 'key on', 11.2, false, 'weak battery', 'battery posts'],
    ['feed', 'find', 'key off', 12.4, false, 'always live', 'another circuit'],
    ['feed', 'find', 'key on', 0, false, 'blown fuse', 'fuse'],
    ['throttle', 'join', 'battery off', 12.1, false, 'still connected', '0.1 V'],
  ] as const)('%s, %s, %s: %d', (id, phase, state, value, good, cause, next) => {
    const verdict = judgeReading(marlow, card(id, phase, state), value)
    expect(verdict.good).toBe(good)
    expect(verdict.causes.join(' ')).toContain(cause)
    expect(verdict.next).toContain(next)
  })

  test('the ends of the range are still good, beyond them not', () => {
    const one = card('throttle', 'find', 'key on')
    expect(judgeReading(marlow, one, 0.4).good).toBe(true)
    expect(judgeReading(marlow, one, 1.3).good).toBe(true)
    expect(judgeReading(marlow, one, 1.31).good).toBe(false)
  })

  test('every card that may be measured has a cause and a next probe on either side of its range', () => {
    for (const { machine, kit } of fittings)
      for (const match of proposeMatches(machine, kit)) {
        const item = kit.ends.find((candidate) => candidate.id === match.kitEnd)
        if (!item) continue
        for (const one of meterCards(machine, kit, item, match))
          for (const value of [one.expect.low - 0.3, one.expect.high + 0.3]) {
            const verdict = judgeReading(machine, one, value)
            expect(verdict.good).toBe(false)
            expect(verdict.causes.length).toBeGreaterThan(0)
            expect(verdict.next).not.toBe('')
          }
      }
  })
})

describe('the way of a signal', () => {
  test('a cut airflow signal: control unit, answer, question, meter', () => {
    const trace = traceSignal(marlow, a2, planned, ref('maf'))
    expect(trace.module).toBe('changes it')
    expect(trace.ways).toHaveLength(1)
    expect(trace.ways[0].hops.map((hop) => hop.kind)).toEqual([
      'control unit',
      'plug',
      'cut',
      'cut',
      'wire',
      'plug',
      'device',
    ])
    expect(trace.ways[0].hops[2].says).toContain('white with black stripe')
  })

  test('with one half open it does not reach the device', () => {
    const one = planned.filter((made) => made.kitEnd !== 'maf-out')
    const [way] = traceSignal(marlow, a2, one, ref('maf')).ways
    expect(way.whole).toBe(false)
    expect(way.hops.at(-1)?.kind).not.toBe('device')
  })

  test('without connections every circuit is whole and the module does nothing with it', () => {
    for (const net of marlow.nets) {
      const trace = traceSignal(marlow, a2, [], net.id)
      expect(trace.module).toBe('nothing')
      expect(trace.ways.every((way) => way.whole)).toBe(true)
    }
  })

  test('every fitting as planned: what is touched is whole', () => {
    for (const { machine, kit, name } of fittings) {
      const made = plannedConnections(machine, kit, proposeMatches(machine, kit))
      for (const net of touchedNets(machine, kit, made)) {
        const trace = traceSignal(machine, kit, made, net)
        expect(
          trace.ways.every((way) => way.whole),
          `${name} ${net}`,
        ).toBe(true)
      }
    }
  })

  test('where the module gets its engine speed from', () => {
    expect(moduleSources(marlow, a2, planned).find((source) => source.what === 'crank')).toMatchObject({
      does: 'reads',
      kitEnd: 'rpm',
      says: expect.stringContaining('Engine speed to the instruments'),
    })
  })

  test('an unknown circuit is a broken contract', () => {
    expect(() => traceSignal(marlow, a2, [], ref('ghost'))).toThrow('circuit "ghost" is not in machine')
  })
})

describe('what is this wire?', () => {
  test('circuit, every other place, what meets it', () => {
    const wire = identifyWire(marlow, a2, planned, ref('airflow'), 3)
    expect(wire?.net.name).toBe('Airflow signal')
    expect(wire?.elsewhere).toEqual(['ECU plug A 7, plain white'])
    expect(identifyWire(marlow, a2, planned, ref('ecu-a'), 7)?.ends).toEqual([
      'Airflow lead, plain white',
      'Airflow lead, white with black stripe',
    ])
  })

  test('an empty cavity is no wire', () => {
    expect(identifyWire(marlow, a2, planned, ref('ecu-a'), 80)).toBeNull()
    expect(identifyWire(marlow, a2, planned, ref('ghost'), 1)).toBeNull()
  })

  test.each([
    ['weiß/schwarz', 'Intake air temperature'],
    ['wh/bk', 'Intake air temperature'],
    ['airflow 3', 'Airflow signal'],
    ['refrigerant pressure', 'Refrigerant pressure'],
  ])('found by %s', (query, net) => {
    expect(findWires(marlow, query).map((found) => found.net)).toContain(net)
  })

  test('what stands nowhere is not found, and the list has a limit', () => {
    expect(findWires(marlow, 'flux compensator')).toEqual([])
    expect(findWires(marlow, '', 5)).toHaveLength(5)
  })
})

describe('joints by place and school', () => {
  const at = (connector: string, cavity: number) => ({ connector: ref<ConnectorId>(connector), cavity })

  test('dry and still takes a piercing tap, hot and wet a sealed crimp, a cut end solder', () => {
    expect(adviseJoint(marlow, a2, {}, at('ecu-a', 26))?.method).toBe('piercing screw tap')
    expect(adviseJoint(marlow, a2, {}, at('oxygen-b', 1))?.method).toBe('crimp and sealed sleeve')
    expect(adviseJoint(marlow, a2, { cut: true }, at('ecu-a', 7))?.method).toBe('solder and sleeve')
  })

  test("a school's own way is kept where the place allows it, else the reason is said", () => {
    expect(adviseJoint(marlow, a2, {}, at('ecu-a', 26), 'crimp and sealed sleeve')?.method).toBe(
      'crimp and sealed sleeve',
    )
    const against = adviseJoint(marlow, a2, {}, at('oxygen-b', 1), 'piercing screw tap')
    expect(against?.method).toBe('crimp and sealed sleeve')
    expect(against?.against).toContain('the pierced hole lets water in')
  })

  test('a pin for an empty cavity touches no wire; a place without a wire gets no advice', () => {
    expect(adviseJoint(marlow, a2, { intoSpare: true }, at('ecu-b', 40))?.method).toBe('added pin')
    expect(adviseJoint(marlow, a2, {}, at('ecu-a', 80))).toBeNull()
    expect(adviseJoint(marlow, a2, {}, { stud: ref('kick-ground') })).toBeNull()
  })
})
