import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import {
  machineIndex,
  type Kit,
  type Machine,
  type RingEnd,
  type SignalKind,
  type KitEndId,
  netAt,
  zoneOfPlace,
} from '../dossiers/index.ts'
import { checkWiring } from './checkWiring.ts'
import { currentOf } from './judgePlace.ts'
import type { Finding } from './model.ts'
import type { WiringRule } from './ruleCatalogue.ts'
import { plannedConnections } from './plannedConnections.ts'
import { plantMistakes } from './plantedCase.ts'
import { proposeMatches, type Match } from './proposeMatches.ts'
import { randomLoom } from './randomLoomCase.ts'
import { fittings, shippedKit, shippedKits, shippedMachine, shippedMachines } from './shippedCase.ts'

/** Stops about ends; that the kit is not made for the machine is said of the whole. */
const stopped = (found: readonly Finding[]) =>
  found.filter((finding) => finding.severity === 'stop' && finding.at.kitEnd !== undefined)

function plannedStops(machine: Machine, kit: Kit): string[] {
  const plan = proposeMatches(machine, kit)
  return stopped(checkWiring(machine, kit, plannedConnections(machine, kit, plan), { plan })).map(
    ({ rule, at, reason }) => `${kit.id} on ${machine.id}, ${at.kitEnd}: ${rule}: ${reason}`,
  )
}

describe('nothing that is planned is ever stopped', () => {
  test.each(shippedMachines)('$id, with every kit there is, made for it or not', (machine) => {
    const variants = [undefined, ...machine.variants.map((variant) => variant.id)]
    for (const variant of variants)
      for (const kit of shippedKits) expect(plannedStops(shippedMachine(machine.id, variant), kit)).toEqual([])
  })

  test('random machines with their own kit, with each other’s, and with the shipped ones', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const { machine, kit } = randomLoom(seed, 5 + (seed % 17))
      const other = randomLoom(seed + 500, 5 + (seed % 13)).kit
      for (const each of [kit, other, shippedKits[seed % shippedKits.length]])
        expect(plannedStops(machine, each), `seed ${seed}`).toEqual([])
    }
  })

  test('and no circuit that swings high is proposed for a lead', () => {
    for (const machine of shippedMachines)
      for (const kit of shippedKits)
        for (const { kitEnd, target } of proposeMatches(machine, kit)) {
          const end = kit.ends.find((item) => item.id === kitEnd)
          if (end?.type !== 'flying-lead' || !target || !('cavity' in target)) continue
          const net = netAt(machine, target.connector, target.cavity)
          expect(net?.highVoltage ?? false).toBe(false)
          expect(['coil-drive', 'injector-drive']).not.toContain(net?.signal)
        }
  })

  test('a place fixed by hand wherever it may be: planned it is lawful, or it has no place', () => {
    for (const { machine, kit } of fittings.filter((_, i) => i % 5 === 0))
      for (const end of kit.ends) {
        if (end.type !== 'flying-lead' || end.cut) continue
        for (const connector of machine.connectors.slice(0, 12)) {
          const plan = proposeMatches(machine, kit, [{ kitEnd: end.id, to: { connector: connector.id, cavity: 1 } }])
          const found = checkWiring(machine, kit, plannedConnections(machine, kit, plan), { plan })
          expect(stopped(found)).toEqual([])
        }
      }
  })
})

test('no remedy leads to a stop: what a stop names instead is where the plan has the end, which is lawful', () => {
  for (const { machine, kit } of fittings.filter((_, i) => i % 3 === 0)) {
    const plan = proposeMatches(machine, kit)
    const lawful = new Set(
      stopped(checkWiring(machine, kit, plannedConnections(machine, kit, plan), { plan })).map(({ at }) => at.kitEnd),
    )
    for (const { connections } of plantMistakes(machine, kit, plan))
      for (const finding of stopped(checkWiring(machine, kit, connections, { plan }))) {
        expect(lawful.has(finding.at.kitEnd)).toBe(false)
        expect(finding.remedy).not.toMatch(/undefined|the wire it wants|the stud it wants/)
      }
  }
})

describe('every ring on every kind of stud', () => {
  const kinds: SignalKind[] = [
    'power-ground',
    'sensor-ground',
    'supply-always',
    'supply-switched',
    'reference-5v',
    'analogue-0-5',
  ]
  const ring = (change: Partial<RingEnd>): RingEnd => ({
    type: 'ring',
    id: ref('ring'),
    tag: 'R',
    name: 'Ring',
    breakOutM: 0.1,
    branchM: 0.3,
    needed: true,
    colour: { base: 'black' },
    areaMm2: 1,
    wants: { signal: 'power-ground', role: 'ground' },
    holeMm: 8.4,
    sheet: [],
    ...change,
  })
  const rings: Record<string, RingEnd> = {
    ground: ring({ currentA: 0.2 }),
    'ground without current': ring({ currentA: 0.01 }),
    reference: ring({ reference: true, wants: { signal: 'sensor-ground', role: 'ground' } }),
    'battery feed': ring({ fuseA: 5, currentA: 0.2, wants: { signal: 'supply-always', role: 'supply' } }),
    'battery feed without fuse': ring({ currentA: 0.2, wants: { signal: 'supply-always', role: 'supply' } }),
    'switched feed': ring({ currentA: 0.2, wants: { signal: 'supply-switched', role: 'supply' } }),
  }
  const table: Record<string, (WiringRule | null)[]> = {
    ground: [null, 'ground-sensor', 'ground-live', 'ground-live', 'ground-live', 'wrong-stud'],
    'ground without current': [null, null, 'ground-live', 'ground-live', 'ground-live', 'wrong-stud'],
    reference: ['reference-on-power', null, 'ground-live', 'ground-live', 'ground-live', 'wrong-stud'],
    'battery feed': ['feed-on-ground', 'feed-on-ground', null, 'wrong-stud', 'wrong-stud', 'wrong-stud'],
    'battery feed without fuse': [
      'feed-on-ground',
      'feed-on-ground',
      'feed-unfused',
      'wrong-stud',
      'wrong-stud',
      'wrong-stud',
    ],
    'switched feed': ['feed-on-ground', 'feed-on-ground', 'feed-always-live', null, 'wrong-stud', 'wrong-stud'],
  }
  const base = shippedMachine('pellick-gorse-430')
  const p1 = shippedKit('quernby-p1')

  test.each(Object.keys(table).flatMap((name) => kinds.map((kind, i) => ({ name, kind, rule: table[name][i] }))))(
    '$name on $kind: $rule',
    ({ name, kind, rule }) => {
      const role = kind.endsWith('ground') ? 'ground' : 'supply'
      const machine: Machine = {
        ...base,
        nets: [...base.nets, { id: ref('of-stud'), name: 'Circuit of the stud', signal: kind, role, spareA: 2 }],
        studs: [
          { id: ref('stud'), name: 'Stud', net: ref('of-stud'), zone: base.zones[0].id, place: 'here', threadMm: 6 },
        ],
      }
      const kit: Kit = { ...p1, terminators: undefined, ends: [rings[name]] }
      const found = checkWiring(machine, kit, [{ kitEnd: ref('ring'), to: { stud: ref('stud') }, tugged: true }], {
        plan: [],
      })
      const grave = found.filter((finding) => finding.severity !== 'note').map((finding) => finding.rule)
      expect(grave).toEqual(rule === null ? [] : [rule])
    },
  )
})

describe('one place for more than one end', () => {
  const targetOf = (plan: readonly Match[], id: string) => plan.find((match) => match.kitEnd === id)?.target

  test('two rings share the only post', () => {
    const machine = structuredClone(shippedMachine('pellick-gorse-430'))
    const only = machine.studs.find((stud) => stud.id === 'battery-negative')
    if (!only) throw new Error('the quad has a battery')
    machine.studs = [only]
    const p1 = shippedKit('quernby-p1')
    const ground = p1.ends.find((end) => end.type === 'ring')
    if (!ground) throw new Error('the kit has a ground ring')
    const kit = { ...p1, ends: [...p1.ends, { ...ground, id: ref<KitEndId>('ground-2'), name: 'Second ground ring' }] }
    const plan = proposeMatches(machine, kit)
    expect(targetOf(plan, 'ground')).toEqual({ stud: 'battery-negative' })
    expect(targetOf(plan, 'ground-2')).toEqual({ stud: 'battery-negative' })
  })

  test('two leads join one wire, as long as it can spare what both take', () => {
    const machine = structuredClone(shippedMachine('pellick-skua-960'))
    const kit = structuredClone(shippedKit('lowlamp-dial'))
    const feed = kit.ends.find((end) => end.id === 'feed')
    if (feed?.type !== 'flying-lead') throw new Error('the dial has a feed lead')
    kit.ends.push({ ...feed, id: ref('feed-2'), name: 'Second feed lead', currentA: 0.2 })
    for (const net of machine.nets) if (net.signal === 'supply-switched') net.spareA = net.id === 'lamps' ? 1.5 : 0
    const shared = proposeMatches(machine, kit)
    const index = machineIndex(machine)
    const netOf = (plan: readonly Match[], id: string) => {
      const target = targetOf(plan, id)
      return target && 'cavity' in target
        ? index.wireInCavity.get(`${target.connector}:${target.cavity}`)?.net
        : undefined
    }
    expect([netOf(shared, 'feed'), netOf(shared, 'feed-2')]).toEqual(['lamps', 'lamps'])
    for (const net of machine.nets) if (net.id === 'lamps') net.spareA = 1.3
    const tight = proposeMatches({ ...machine, nets: [...machine.nets] }, kit)
    expect([targetOf(tight, 'feed'), targetOf(tight, 'feed-2')].filter(Boolean)).toHaveLength(1)
  })

  test('both together over what the circuit can spare is found', () => {
    const machine = structuredClone(shippedMachine('pellick-skua-960'))
    const kit = structuredClone(shippedKit('lowlamp-dial'))
    const feed = kit.ends.find((end) => end.id === 'feed')
    if (feed?.type !== 'flying-lead') throw new Error('the dial has a feed lead')
    const second = { ...feed, id: ref<KitEndId>('feed-2'), name: 'Second feed lead', currentA: 0.6 }
    kit.ends.push(second)
    const plan = proposeMatches(machine, shippedKit('lowlamp-dial'))
    const to = targetOf(plan, 'feed')
    if (!to) throw new Error('the feed has a place')
    const found = checkWiring(machine, kit, [
      { kitEnd: ref('feed'), to, tugged: true },
      { kitEnd: ref('feed-2'), to, tugged: true },
    ])
    const over = found.find((finding) => finding.rule === 'feed-over-spare')
    expect(over?.reason).toContain('1.8 A')
  })
})

test('the lead to a relay coil is charged the coil, not the module', () => {
  const learner = shippedKit('quernby-learner')
  const coil = learner.ends.find((end) => end.id === 'relay-coil')
  if (coil?.type !== 'flying-lead') throw new Error('the learner has a relay')
  const plain = { ...coil }
  delete plain.currentA
  expect(currentOf({ ...learner, module: { ...learner.module, supplyA: 6 } }, plain)).toBe(0.15)
})

test('wet, hot or shaking takes the sealed crimp, whatever the kit lists first', () => {
  for (const { machine, kit } of fittings) {
    for (const { kitEnd, to, method } of plannedConnections(machine, kit, proposeMatches(machine, kit))) {
      const end = kit.ends.find((item) => item.id === kitEnd)
      if (end?.type !== 'flying-lead' || end.intoSpare || !('cavity' in to)) continue
      const zone = zoneOfPlace(machine, { connector: to.connector })
      if (zone?.conditions.some((condition) => condition !== 'dry')) expect(method).toBe('crimp and sealed sleeve')
    }
  }
})
