import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import type { Machine } from '../dossiers/index.ts'
import { proposeMatches } from '../wiring/index.ts'
import { fittings, shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { feedOptions, idleDays } from './feedOptions.ts'
import { feedCardOf, feedCards, judgeFeed } from './feedTests.ts'
import { groundPlaces, judgeGround } from './groundCheck.ts'
import { spliceLayout } from './spliceLayout.ts'
import { conductorTemperatureC, inrushNote, supplyLine } from './supplyLine.ts'
import { supplyOf } from './supplyOf.ts'

describe.each(fittings.map((fitting) => ({ ...fitting })))('$name', ({ machine, kit }) => {
  const matches = proposeMatches(machine, kit)
  const options = feedOptions(machine, kit, matches)

  test('one feed is advised and every refusal has its reason; brake lamps and driven outputs are among them', () => {
    expect(options[0].verdict).toBe('advised')
    expect(options.filter((option) => option.verdict === 'advised')).toHaveLength(1)
    for (const option of options) {
      if (option.verdict === 'refused') expect(option.why.length).toBeGreaterThan(10)
      else expect(option.checks.every((check) => check.ok)).toBe(true)
    }
    for (const net of machine.nets)
      if (net.role === 'brake-lamp' || net.electronic)
        for (const option of options.filter((item) => item.net === net.id)) expect(option.verdict).toBe('refused')
  })

  test('every check states rule, limit, margin and source', () => {
    const line = supplyLine(machine, kit, matches)
    for (const check of [...line.checks, ...options.flatMap((option) => option.checks)]) {
      expect(check.source.length).toBeGreaterThan(5)
      expect(check.margin).toBeCloseTo(
        check.sense === 'at most' ? check.limit - check.value : check.value - check.limit,
        9,
      )
      expect(check.ok).toBe(check.margin >= 0)
      expect(Number.isFinite(check.value)).toBe(true)
    }
    expect(line.checks.filter((check) => !check.ok)).toEqual([])
  })

  test('the current loses volts on its way and never gains any', () => {
    const { joints } = supplyLine(machine, kit, matches)
    expect(joints.length).toBeGreaterThanOrEqual(2)
    joints.slice(1).forEach((joint, i) => expect(joint.volts).toBeLessThanOrEqual(joints[i].volts))
    for (const joint of joints) expect(joint.amps).toBe(supplyOf(kit).continuousA)
  })
})

const gorse = shippedMachine('pellick-gorse-430')
const dial = shippedKit('lowlamp-dial')

describe('the feed', () => {
  const of = (machine: Machine, school?: 'relay on the lamp circuit' | 'lamp circuit directly') =>
    feedOptions(machine, dial, proposeMatches(machine, dial), school)

  test('a relay where the load is more than a lamp circuit likes, the lamp itself by the other school', () => {
    expect(of(gorse)[0]).toMatchObject({ kind: 'relay', net: 'lamps' })
    expect(of(gorse)[0].materials).toContain('relay with diode')
    expect(of(gorse, 'lamp circuit directly')[0]).toMatchObject({ kind: 'lamp tap', net: 'lamps' })
  })

  test('a dial that never sleeps is not put on the battery: flat in days', () => {
    const battery = of(gorse).find((option) => option.kind === 'fused battery')
    expect(battery?.verdict).toBe('refused')
    expect(battery?.why).toMatch(/^Parked on an always live feed: 4\.73 days, at least 14 days\.$/)
    // 14 Ah, half of it, 60 mA and the machine's 1.6 mA.
    expect(idleDays(gorse, dial).direct).toBeCloseTo((14 * 0.5) / (24 * 0.0616), 6)
    expect(idleDays({ ...gorse, power: undefined }, dial)).toEqual({ direct: null, relay: null })
  })

  test('over the spare of its circuit it is refused with both figures', () => {
    const weak = { ...gorse, nets: gorse.nets.map((net) => (net.id === 'lamps' ? { ...net, spareA: 1 } : net)) }
    expect(of(weak).find((option) => option.id === 'tap-lamps')?.why).toBe(
      'Load against the spare of the circuit: 1.2 A, at most 1 A.',
    )
  })

  test("the starter's stud: battery off first, fuse near, and its caution", () => {
    const d3 = shippedKit('thistle-d3')
    const shieling = shippedMachine('hallam-voss-shieling-21')
    const stud = feedOptions(shieling, d3, proposeMatches(shieling, d3)).find(
      (option) => option.kind === 'starter stud',
    )
    expect(stud?.verdict).toBe('possible')
    expect(stud?.steps[0]).toContain('Battery off')
    expect(stud?.steps.join()).toContain('200 mm')
    expect(stud?.caution).toContain('dead short')
  })
})

describe('the four tests', () => {
  const [live, dead, cranking, steady] = feedCards(gorse, { id: ref('lamps'), name: 'Lamps' })
  test.each([
    [live, 12.4, true],
    [live, 4, false],
    [dead, 0.02, true],
    [dead, 12.6, false],
    [cranking, 9.8, true],
    [cranking, 0, false],
    [steady, 0.05, true],
    [steady, 4.2, false],
  ] as const)('$title at %s', (card, value, good) => {
    expect(judgeFeed(card, value).good).toBe(good)
  })
  test('are found by their id, and nothing else is', () => {
    expect(feedCardOf(gorse, 'feed.lamps.dead')?.test).toBe('dead')
    expect(feedCardOf(gorse, 'feed.lamps.other')).toBeNull()
    expect(feedCardOf(gorse, 'ground.lamps.dead')).toBeNull()
    expect(judgeFeed(live, NaN).good).toBe(false)
  })
})

describe('the ground', () => {
  const places = groundPlaces(gorse, dial, proposeMatches(gorse, dial))
  test('the loom instruction first, the school next', () => {
    expect(places[0]).toMatchObject({ stud: 'battery-negative', planned: true })
    const strap = groundPlaces(gorse, dial, proposeMatches(gorse, dial), 'engine strap')
    expect(strap[1].stud).toBe('engine-strap')
  })
  test('100 mV is good, 101 is not; the next place is another one', () => {
    expect(judgeGround(0.1, 1.2, places, places[0].stud)).toMatchObject({ ok: true, next: null, margin: 0 })
    const bad = judgeGround(0.101, 1.2, places, places[0].stud)
    expect(bad.ok).toBe(false)
    expect(bad.next?.stud).toBe(places[1].stud)
    expect(judgeGround(0.06, 0.02, places, null, 'sensor ground').ok).toBe(false)
  })
})

describe('warmth, inrush, bench and joints', () => {
  test('a wire at what it carries is 50 K warmer than its place, at half of it a quarter of that', () => {
    expect(conductorTemperatureC(19, 1, 30, false)).toBeCloseTo(80, 6)
    expect(conductorTemperatureC(9.5, 1, 30, false)).toBeCloseTo(42.5, 6)
    expect(conductorTemperatureC(19, 1, 30, true)).toBeGreaterThan(120)
  })
  test('a cold heater against its fuse', () => {
    expect(inrushNote(5, 3)).toBe('')
    expect(inrushNote(2, 2.5)).toContain('only just')
    expect(inrushNote(2, 3)).toContain('more than the fuse bears')
    expect(inrushNote(null, 3)).toBe('')
  })
  test('joints one behind the other are thinner than side by side, and fit or say so', () => {
    const layout = spliceLayout([0.35, 0.35, 0.5, 0.35], [], 6)
    if (!layout.ok) throw new Error(layout.problems[0].message)
    expect(layout.value.staggeredMm).toBeLessThan(layout.value.togetherMm)
    expect(layout.value.positionsMm).toEqual([14, 54, 94, 134])
    expect(layout.value.fits).toBe(true)
    const tight = spliceLayout([0.35, 0.35, 0.5, 0.35], [], 4)
    expect(tight.ok && tight.value.fits).toBe(false)
    expect(spliceLayout([]).ok).toBe(false)
    expect(spliceLayout([-1])).toMatchObject({ ok: false, problems: [{ path: 'areasMm2.0' }] })
  })
})
