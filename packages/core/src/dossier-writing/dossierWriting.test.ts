import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readFolder, writeFolder } from '../dossier-files/index.ts'
import { parseKit, signalKinds, signalRoles, type Kit, type KitEndId, type SignalSort } from '../dossiers/index.ts'
import { asId } from '../shared/index.ts'
import { ref } from '../shared/refCase.ts'
import { checkWiring, isStop, plannedConnections, proposeMatches } from '../wiring/index.ts'
import { shippedKits, shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import {
  emptyEndRow,
  endFields,
  endRow,
  kitClasses,
  kitFromClass,
  kitHead,
  kitListFields,
  kitLists,
  lastWords,
  lineFields,
  loomTree,
  metresAt,
  missingFromKit,
  moduleFields,
  plainKit,
  readDraft,
  readSort,
  sheetMachines,
  sheetRows,
  sortSuggestions,
  sortText,
  stepFields,
  stepRow,
  textsOf,
  trimFields,
  withEnd,
  withEndFields,
  withKitRow,
  withLength,
  withLine,
  withSheetEntry,
  withSheetPlace,
  withTyped,
  withoutEnd,
  withoutLine,
  withoutOne,
  type KitAsked,
  type KitClass,
  type Texts,
} from './index.ts'

const sorts = fc.record(
  {
    signal: fc.constantFrom(...signalKinds),
    role: fc.constantFrom(...signalRoles),
    cylinder: fc.integer({ min: 1, max: 16 }),
    row: fc.constantFrom('upper' as const, 'lower' as const),
    track: fc.constantFrom(1 as const, 2 as const),
  },
  { requiredKeys: ['signal', 'role'] },
)

describe('what a circuit is for, in words', () => {
  test('reads back as it was, whatever it is', () => {
    fc.assert(
      fc.property(sorts, (sort) => {
        expect(readSort(sortText(sort))).toEqual({ ok: true, value: sort })
      }),
      { numRuns: 3000 },
    )
  })

  test('reads back as it was, every signal with every role', () => {
    for (const signal of signalKinds)
      for (const role of signalRoles)
        expect(readSort(sortText({ signal, role }))).toEqual({ ok: true, value: { signal, role } })
  })

  test.each<[string, SignalSort]>([
    ['Injector 2 lower', { signal: 'injector-drive', role: 'injector', cylinder: 2, row: 'lower' }],
    ['throttle', { signal: 'analogue-0-5', role: 'throttle-position' }],
    ['+12V', { signal: 'supply-switched', role: 'supply' }],
    ['earth', { signal: 'power-ground', role: 'ground' }],
    ['pedal position track 2', { signal: 'analogue-0-5', role: 'pedal-position', track: 2 }],
    ['Ignition 1', { signal: 'coil-drive', role: 'coil', cylinder: 1 }],
  ])('%s', (words, sort) => {
    expect(readSort(words)).toEqual({ ok: true, value: sort })
  })

  test('every suggestion reads, nonsense is told with examples', () => {
    for (const words of sortSuggestions) expect(readSort(words).ok, words).toBe(true)
    const nonsense = readSort('flux')
    expect(nonsense.ok || nonsense.problems[0].message).toContain('throttle position')
    expect(readSort('injector 99').ok).toBe(false)
    expect(readSort('').ok).toBe(false)
  })
})

const asked: fc.Arbitrary<KitAsked> = fc.record({
  cylinders: fc.constantFrom(1, 2, 3, 4, 6, 8),
  rows: fc.constantFrom(1 as const, 2 as const),
  coils: fc.boolean(),
  wideband: fc.boolean(),
  sensors: fc.subarray([
    'rail pressure',
    'boost',
    'crank',
    'manifold pressure',
    'air temperature',
    'cam',
    'pedal',
    'what',
  ]),
  cavities: fc.integer({ min: 2, max: 120 }),
})

const begun = (kitClass: KitClass, more: Partial<KitAsked> = {}) =>
  kitFromClass(kitClass, { id: asId('hut-box'), maker: 'Hut', model: 'Box' }, { ...plainKit, ...more })

describe('a kit begun from its class', () => {
  test('contradicts itself in nothing, is a folder that reads back, and stops nowhere it is planned', () => {
    fc.assert(
      fc.property(fc.constantFrom(...kitClasses), asked, fc.nat(), (kitClass, more, seed) => {
        const kit = begun(kitClass, more)
        expect(parseKit(kit)).toEqual({ ok: true, value: kit })
        expect(readFolder(writeFolder(kit))).toEqual({ ok: true, value: kit })
        const machine = shippedMachines[seed % shippedMachines.length]
        const plan = proposeMatches(machine, kit)
        const found = checkWiring(machine, kit, plannedConnections(machine, kit, plan), { plan })
        expect(found.filter((one) => isStop(one) && one.at.kitEnd !== undefined)).toEqual([])
      }),
      { numRuns: 120 },
    )
  })

  test('finds its places on a machine of that kind: four cylinders, two rows, every branch on its own', () => {
    const machine = shippedMachine(ref('ostrel-kittiwake-640'))
    const kit = begun('pulse piggyback', { cylinders: 4, rows: 2 })
    const plan = proposeMatches(machine, kit)
    const placed = plan.flatMap(({ kitEnd, target }) =>
      target && 'connector' in target ? [`${kitEnd} ${target.connector}`] : [],
    )
    for (const n of [1, 2, 3, 4]) expect(placed.filter((at) => at.startsWith(`l${n} `))[0]).toMatch(new RegExp(`${n}`))
    expect(placed).toHaveLength(15)
  })

  test('asks for what it cannot know and says what is still missing', () => {
    expect(missingFromKit(begun('pulse piggyback', { cylinders: 4 })).map(({ what }) => what)).toEqual([
      ...['fits', 'size', 'heat', 'lamps'],
    ])
    expect(missingFromKit(begun('pedal box')).map(({ what }) => what)).not.toContain('feed')
    for (const kit of shippedKits)
      expect([kit.id, missingFromKit(kit).map(({ what }) => what)]).toEqual([kit.id, kit.lamps ? [] : ['lamps']])
  })
})

/** Every form of a kit: the place, its fields. */
function formsOf(kit: Kit) {
  return [
    ...[kitHead, moduleFields, lastWords, ...(kit.trim ? [trimFields] : [])].map((fields) => ({ at: [], fields })),
    ...kitLists.flatMap((list) =>
      (kit[list] ?? []).map((_, i) => ({
        at: [list, String(i)],
        fields: list === 'steps' ? [...stepRow, ...stepFields] : kitListFields(kit, list),
      })),
    ),
    ...kit.ends.flatMap((end, i) => [
      { at: ['ends', String(i)], fields: endFields(kit, end) },
      ...(end.type === 'inline-pair'
        ? end.lines.map((_, j) => ({ at: ['ends', String(i), 'lines', String(j)], fields: lineFields }))
        : []),
    ]),
  ]
}

const thingAt = (kit: unknown, at: readonly string[]): unknown =>
  at.reduce((value, name) => (Object(value) as Record<string, unknown>)[name], kit)

describe('typing', () => {
  test.each(shippedKits)('all of $id as its forms show it, typed again, changes nothing', (kit) => {
    for (const { at, fields } of formsOf(kit))
      expect(withTyped('kit', kit, at, fields, textsOf(thingAt(kit, at), fields)), at.join('.')).toEqual({
        ok: true,
        value: kit,
      })
    for (const end of kit.ends) expect(withEnd(kit, end.id, endRow(end))).toEqual({ ok: true, value: kit })
    for (const machine of sheetMachines(kit))
      for (const { end, text } of sheetRows(kit, machine)) {
        const again = withSheetEntry(kit, machine, end.id, text)
        const sheets = again.ok ? sheetRows(again.value, machine) : []
        expect(sheets).toEqual(sheetRows(kit, machine).map((row) => ({ ...row, end: expect.anything() as unknown })))
      }
  })

  test('what does not read is said at its field, in its words, and the kit stays', () => {
    const kit = begun('pulse piggyback', { cylinders: 2 })
    const said = (texts: Texts) => {
      const made = withEnd(kit, null, { ...emptyEndRow(kit), tag: 'X', name: 'X pair', ...texts })
      return made.ok ? 'kept' : made.problems.map(({ path, message }) => `${path}: ${message}`)
    }
    expect(said({ wants: 'crank', branch: 'long' })).toEqual([expect.stringContaining('branch: "long" is no length')])
    expect(said({ wants: 'crank', branch: '12 m' })).toEqual([expect.stringContaining('from 0 to 10000')])
    expect(said({ wants: 'warp' })).toEqual([expect.stringContaining('wants: "warp" is nothing')])
    expect(said({ wants: '' })).toEqual([expect.stringContaining('wants: Say what it is for')])
    expect(said({ wants: 'crank', name: '' })).toEqual(['name: End: nothing stands here yet.'])
    expect(said({ wants: 'crank', branch: '0,4 m' })).toBe('kept')
    const part = withKitRow(kit, 'parts', 0, { count: '0' })
    expect(part.ok || part.problems).toEqual([
      expect.objectContaining({ path: 'count', message: expect.stringMatching(/^Count is too small/) as unknown }),
    ])
    const follows = withKitRow(kit, 'settings', 0, { follows: 'learner target' })
    expect(follows.ok || follows.problems[0].message).toMatch(/^"learner target" is no setting of a kit/)
    const follower = withKitRow(kit, 'settings', 0, { follows: ' learner: target;dial:scale;' })
    expect(follower.ok && follower.value.settings[0]?.follows).toEqual([
      { kit: 'learner', setting: 'target' },
      { kit: 'dial', setting: 'scale' },
    ])
    const step = withKitRow(kit, 'steps', 0, { wait: '20' })
    expect(step.ok || step.problems.map(({ path }) => path)).toEqual(['waitWhy'])
  })

  test('rows are added and taken out in every list, and ids never meet', () => {
    let kit = begun('something else')
    const keep = (made: ReturnType<typeof withKitRow>) => {
      if (!made.ok) throw new Error(made.problems.map(({ message }) => message).join(' '))
      kit = made.value
    }
    keep(
      withKitRow(kit, 'lamps', null, {
        colour: 'orange',
        state: 'rhythm',
        rhythm: '200, 800',
        means: 'no speed',
        next: 'look',
      }),
    )
    keep(withKitRow(kit, 'lamps', null, { colour: 'green', state: 'steady', means: 'no speed', next: 'ride' }))
    keep(withKitRow(kit, 'levels', null, { level: '1', name: 'Tow', rail: '4' }))
    keep(withKitRow(kit, 'sockets', null, { name: 'Dial socket' }))
    keep(withKitRow(kit, 'naming', null, { ends: 'g', says: 'black is ground' }))
    keep(withEnd(kit, null, { ...emptyEndRow(kit), tag: 'D', name: 'Dial plug', kind: 'plug' }))
    expect(kit.lamps?.map(({ id }) => id)).toEqual(['no-speed', 'no-speed-2'])
    expect(kit.ends[1]).toMatchObject({ type: 'plug', into: kit.sockets?.[0].id })
    expect(parseKit(kit).ok).toBe(true)
    expect(readFolder(writeFolder(kit))).toEqual({ ok: true, value: kit })
    const less = withoutOne('kit', kit, 'lamps', 0)
    expect(less.ok && less.value.lamps?.map(({ id }) => id)).toEqual(['no-speed-2'])
    keep(withEnd(kit, kit.ends[0].id, { kind: 'lead', wants: 'sensor ground' }))
    expect(kit.ends[0]).toMatchObject({
      type: 'flying-lead',
      tag: 'G',
      branchM: 0.5,
      wants: { signal: 'sensor-ground' },
    })
  })

  test('an end that goes takes with it what was said of it', () => {
    for (const whole of shippedKits)
      for (const end of whole.ends) {
        const less = withoutEnd(whole, end.id)
        expect(less.ends).toHaveLength(whole.ends.length - 1)
        const codes = new Set(['unknown-end', 'cut-partner'])
        const parsed = parseKit(less)
        expect(parsed.ok ? [] : parsed.problems.filter(({ code }) => codes.has(code))).toEqual([])
      }
  })

  test('lines of a pair come and go, the last one stays', () => {
    const kit = begun('pulse piggyback')
    const id = asId<KitEndId>('i1')
    const linesOf = (one: Kit) => one.ends.flatMap((end) => (end.id === id && 'lines' in end ? end.lines : []))
    const less = withoutLine(withoutLine(kit, id, 0), id, 0)
    expect(linesOf(less)).toHaveLength(1)
    const more = withLine(kit, id, null, { cavity: '2', does: 'tap', wants: 'crank', colour: 'bk/pk' })
    expect(more.ok && linesOf(more.value)).toHaveLength(3)
    const parsed = parseKit(more.ok ? more.value : null)
    expect(parsed.ok || parsed.problems[0].message).toContain('is said twice')
    const gauge = withEndFields(kit, asId('t'), { area: 'AWG 20' })
    expect(gauge.ok && gauge.value.ends.find(({ id: one }) => one === 't')).toMatchObject({ areaMm2: 0.518 })
  })

  test('the sheet of a machine says places and wires, and unsays them', () => {
    const [kit] = shippedKits.filter(({ places }) => places)
    const [machine] = sheetMachines(kit)
    const without = withSheetPlace(kit, machine, null)
    expect(without.places?.some((entry) => entry.machine === machine) ?? false).toBe(false)
    const [row] = sheetRows(kit, machine)
    const none = withSheetEntry(kit, machine, row.end.id, '')
    expect(none.ok && sheetRows(none.value, machine)[0].text).toBe('')
    const wrong = withSheetEntry(begun('level switch'), machine, asId('f'), 'mud')
    expect(wrong.ok || wrong.problems[0].message).toContain('"mud" is no colour')
  })
})

describe('a draft that is kept', () => {
  test('is read as far as its form goes, whatever contradicts itself in it', () => {
    const kit = { ...begun('something else'), ends: [] }
    expect(parseKit(kit).ok).toBe(false)
    expect(readDraft(kit)).toEqual(kit)
    const machine = { ...shippedMachines[0], studs: [...shippedMachines[0].studs, ...shippedMachines[0].studs] }
    expect(readDraft(machine)).toEqual(machine)
    for (const nothing of [null, 'kit', { kind: 'boat' }, { kind: 'kit' }]) expect(readDraft(nothing)).toBeNull()
  })
})

describe('the loom as it is drawn', () => {
  test('is to scale, crosses nowhere and stays in its picture', () => {
    for (const kit of [...shippedKits, begun('pulse piggyback', { cylinders: 8, rows: 2 })]) {
      const tree = loomTree(kit, 700)
      for (const { end, outX, tipX } of tree.rows) {
        expect(metresAt(tree, outX)).toBeCloseTo(Math.min(end.breakOutM, kit.trunkM), 9)
        expect(tipX - outX).toBeCloseTo(end.branchM * tree.scale, 9)
        expect(tipX).toBeLessThan(tree.width)
      }
      // A branch goes down at its place and then to the right: one further right and lower would be crossed.
      tree.rows.forEach((row, i) => {
        for (const later of tree.rows.slice(i + 1)) expect(later.outX).toBeLessThanOrEqual(row.outX)
      })
    }
  })

  test('a length is moved in whole centimetres and stays on the trunk', () => {
    const [kit] = shippedKits
    const [end] = kit.ends
    const lengths = (metres: number) => {
      const moved = withLength(withLength(kit, end.id, 'breakOutM', metres), end.id, 'branchM', metres)
      return [moved.ends[0].breakOutM, moved.ends[0].branchM]
    }
    expect(lengths(-1)).toEqual([0, 0])
    expect(lengths(0.123)).toEqual([0.12, 0.12])
    expect(lengths(99)).toEqual([kit.trunkM, 10])
  })
})
