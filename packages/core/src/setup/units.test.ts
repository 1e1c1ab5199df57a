import { describe, expect, test } from 'vitest'
import { joinKits, type Kit } from '../dossiers/index.ts'
import { asJournal, entryOf } from '../jobs/journalCase.ts'
import { jobFindings, replay, type EntryBody } from '../jobs/index.ts'
import { planAppend } from '../jobs/jobJournal.ts'
import { ref } from '../shared/refCase.ts'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { partsFor, printedTyre, selectorClicks } from './index.ts'

const v8 = {
  machine: shippedMachine('hallam-voss-longhaul-69'),
  kit: joinKits([shippedKit('thistle-d5'), shippedKit('wren-selector')]),
}
const own = /^(level-disagrees|selector-differs|knob-rubs|wrong-unit|no-pairing|speed-off)/
const rules = (dossiers: typeof v8, ...bodies: EntryBody[]) =>
  jobFindings(dossiers, replay(dossiers, asJournal(bodies.map((body) => entryOf(body)))))
    .map(({ rule }) => rule as string)
    .filter((rule) => own.test(rule))
const append = (body: EntryBody) => {
  const result = planAppend(v8, [], [entryOf(body)])
  return result.kind === 'append' ? null : (result.problems[0]?.message ?? '')
}

describe('a printed size', () => {
  test.each([
    ['33x12.5R15', 0.838],
    ['33×12.5', 0.838],
    ['26x9-12', 0.66],
    ['285/70 R17', 0.831],
    ['LT285/70R17 121S', 0.831],
    ['120/70 ZR17', 0.6],
    ['120/70-17', 0.6],
    ['180/55 ZR 17 (73W)', 0.63],
  ])('%s is told from a height', (text, freeM) => {
    const read = printedTyre(text)
    expect(read?.freeM).toBeCloseTo(freeM, 2)
    expect((read?.usualM ?? 0) / (read?.freeM ?? 1)).toBeCloseTo(0.97, 2)
  })
  test.each(['0.80', '800 mm', '31.5', '', '7 up', '285/70', '99999/70 R17', 'R17'])('%j is none', (text) => {
    expect(printedTyre(text)).toBeNull()
  })
})

describe('what a level is shown as', () => {
  const seen = (where: 'module' | 'dash' | 'link', level: number | string): EntryBody => ({
    kind: 'level-seen',
    where,
    level,
  })
  test('in three places agrees or is found; the latest look at each counts', () => {
    expect(rules(v8, seen('module', 1))).toEqual([])
    expect(rules(v8, seen('module', 1), seen('dash', '1'))).toEqual([])
    expect(rules(v8, seen('module', 1), seen('dash', 'stock'))).toEqual(['level-disagrees'])
    expect(rules(v8, seen('module', 1), seen('dash', 'stock'), seen('dash', 1))).toEqual([])
    expect(append(seen('module', 9))).toMatch(/may be: stock/)
  })
})

describe('a selector', () => {
  const clicks = [0, 1, 2, 3, 4].map((position) => ({ position, shown: position }))
  const proved = (changed: Partial<{ position: number; shown: number }>[] = [], clearanceMm = 30): EntryBody => ({
    ...{ kind: 'selector-proved', kit: ref('wren-selector'), clearanceMm },
    clicks: clicks.map((click, i) => ({ ...click, ...changed[i] })),
  })
  test('has as many clicks as the module of the job has levels and stock', () => {
    const member = { key: 'wren-selector', kit: shippedKit('wren-selector') }
    expect(selectorClicks(v8.kit, member)).toEqual([0, 1, 2, 3, 4])
    expect(selectorClicks(member.kit, { ...member, key: '' })).toEqual([0, 1, 2, 3, 4])
  })
  test('shows each level at its click, with room for a glove', () => {
    expect(rules(v8, proved())).toEqual([])
    expect(rules(v8, proved([{}, { shown: 2 }]))).toEqual(['selector-differs'])
    expect(rules(v8, proved([], 6))).toEqual(['knob-rubs'])
    expect(append({ ...proved(), kit: ref('thistle-d5') } as EntryBody)).toMatch(/picks no levels/)
  })
})

describe('a unit', () => {
  const kit: Kit = {
    ...shippedKit('wren-core-34'),
    units: [
      { part: 'CR-34-A', machine: ref('ostrel-pika-449') },
      { part: 'CR-34-E', machine: ref('ostrel-pika-449'), variant: ref('enduro') },
      { part: 'CR-34-Z', machine: ref('pellick-rime-790') },
    ],
  }
  const plain = { machine: shippedMachine('ostrel-pika-449'), kit }
  const enduro = { machine: shippedMachine('ostrel-pika-449', 'enduro'), kit }
  const found = (part: string, pairs = true): EntryBody => ({ kind: 'unit-identified', part, serial: '0042', pairs })

  test('is known by its number for the machine as it is', () => {
    expect(partsFor(kit, plain.machine)).toEqual(['CR-34-A'])
    expect(partsFor(kit, enduro.machine)).toEqual(['CR-34-A', 'CR-34-E'])
    expect(rules(plain, found('cr 34 a'))).toEqual([])
    expect(rules(plain, found('CR-34-E'))).toEqual(['wrong-unit'])
    expect(rules(enduro, found('CR-34-E'))).toEqual([])
    expect(rules(plain, found('CR-34-Z'), found('CR-34-A'))).toEqual([])
    expect(rules({ ...plain, kit: shippedKit('thistle-d3') }, found('anything'))).toEqual([])
  })
  test('that does not pair where it sits is found', () => {
    expect(rules(plain, found('CR-34-A', false))).toEqual(['no-pairing'])
  })
})

test('the socket and a satellite agree within two in a hundred', () => {
  const road = (socketKmh: number): EntryBody => ({ kind: 'speed-checked', socketKmh, satelliteKmh: 100 })
  expect(rules(v8, road(102))).toEqual([])
  expect(rules(v8, road(103))).toEqual(['speed-off'])
  expect(rules(v8, road(90), road(100))).toEqual([])
})

test('nothing is called started well before what must come first', () => {
  const dossiers = { machine: shippedMachine('ostrel-pika-449'), kit: shippedKit('wren-core-34') }
  const started = (verdict: 'pass' | 'fail') =>
    planAppend(dossiers, [], [entryOf({ kind: 'started', verdict, text: 'as heard' })])
  expect(started('pass')).toMatchObject({
    problems: [{ message: expect.stringMatching(/captured the throttle/) as string }],
  })
  // What went wrong may always be written down.
  expect(started('fail').kind).toBe('append')
  const captured = entryOf({ kind: 'throttle-captured', track: 1, shutV: 0.6, openV: 4.1, verdict: 'pass' })
  const after = planAppend(dossiers, asJournal([captured]), [entryOf({ kind: 'started', verdict: 'pass', text: '' })])
  expect(after.kind).toBe('append')
  const tick = entryOf({ kind: 'step-done', step: ref('start') })
  expect(planAppend(dossiers, [], [tick])).toMatchObject({ kind: expect.not.stringMatching('append') as string })
})
