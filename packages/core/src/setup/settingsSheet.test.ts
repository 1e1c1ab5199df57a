import { describe, expect, test } from 'vitest'
import { joinKits, type Kit, type Machine } from '../dossiers/index.ts'
import { asJournal, entryOf } from '../jobs/journalCase.ts'
import { jobFindings, replay, stationProgress, stationWork, type EntryBody } from '../jobs/index.ts'
import { planAppend } from '../jobs/jobJournal.ts'
import { ref } from '../shared/refCase.ts'
import { fittings, shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { settingsSheet, valueOf, wantedWords, type PedalPoint } from './index.ts'

interface Case {
  machine: Machine
  kit: Kit
}
const job = (machine: string, ...kits: string[]): Case => ({
  machine: shippedMachine(machine),
  kit: joinKits(kits.map((id) => shippedKit(id))),
})
const after = (dossiers: Case, bodies: readonly EntryBody[]) =>
  replay(dossiers, asJournal(bodies.map((body) => entryOf(body))))
const rowOf = (dossiers: Case, setting: string, ...bodies: EntryBody[]) => {
  const row = settingsSheet(dossiers, after(dossiers, bodies)).find((item) => item.setting === setting)
  if (!row) throw new Error(setting)
  return row
}
const set = (setting: string, value: string, replaces: string | null = null): EntryBody => ({
  ...{ kind: 'setting', value, replaces },
  setting: ref(setting),
})
/** Why set-up may not be called done; nothing where it may. */
const barred = (dossiers: Case, station: 'set-up' | 'trim' | 'hand-back', ...bodies: EntryBody[]) => {
  const result = planAppend(dossiers, asJournal(bodies.map((body) => entryOf(body))), [
    entryOf({ kind: 'station-done', station }),
  ])
  return result.kind === 'append' ? [] : result.problems.map(({ message }) => message)
}
const against = (dossiers: Case, body: EntryBody) => {
  const result = planAppend(dossiers, [], [entryOf(body)])
  return result.kind === 'append' ? null : (result.problems[0]?.message ?? '')
}

const twin = job('tarnbrook-saddler-880', 'quernby-p4-twin')
const v8 = job('hallam-voss-longhaul-69', 'thistle-d5', 'wren-selector')
const four = job('ostrel-kittiwake-640', 'quernby-p4-eight', 'quernby-learner', 'lowlamp-repeater')
const trail = job('ostrel-pika-449', 'wren-core-34')
const ute = job('hallam-voss-shieling-21', 'thistle-d3-m', 'wren-pedal')
const quad = job('pellick-gorse-430', 'quernby-p1')
const dial = job('hallam-voss-packhorse-62', 'thistle-d5', 'lowlamp-socket')

describe('each value is worked out, with what it hangs on', () => {
  test('cylinders are the machine’s, and what ships otherwise is wrong until it is set', () => {
    expect(rowOf(twin, 'cylinders')).toMatchObject({ inForce: '4', verdict: 'wrong', wanted: { oneOf: ['2'] } })
    expect(rowOf(twin, 'cylinders', set('cylinders', '2'))).toMatchObject({ verdict: 'right', says: 'Right.' })
    expect(rowOf(four, 'quernby-p4-eight:cylinders')).toMatchObject({
      verdict: 'right',
      says: 'As it ships, and right.',
    })
  })

  test('a unit that does not know so many cylinders says so', () => {
    const kit = shippedKit('quernby-p4-twin')
    const six = job('corvane-marlow-29', 'quernby-p4-twin')
    expect(rowOf({ ...six, kit }, 'cylinders').why).toBe(
      'The Marlow 2.9 has 6 cylinders, and this unit knows only 2, 4.',
    )
  })

  test('pulses follow from what was seen: three times shown at one is three', () => {
    const seen = (displayedRpm: number, trueRpm = 1500): EntryBody => ({
      ...{ kind: 'speed-compared', displayedRpm, trueRpm, currentSetting: 1 },
      setting: ref('pulses'),
    })
    expect(rowOf(quad, 'pulses').verdict).toBe('open')
    expect(rowOf(quad, 'pulses', seen(4500))).toMatchObject({ verdict: 'wrong', wanted: { oneOf: ['3'] } })
    expect(rowOf(quad, 'pulses', seen(4500), set('pulses', '3')).verdict).toBe('right')
    expect(rowOf(quad, 'pulses', seen(1530)).verdict).toBe('right')
    expect(rowOf(quad, 'pulses', seen(1120))).toMatchObject({ verdict: 'open' })
  })

  test('settings of two kits agree: scale, target table, addresses', () => {
    expect(rowOf(four, 'lowlamp-repeater:scale')).toMatchObject({
      verdict: 'wrong',
      why: 'It follows scale of the data line of the Learner, which is 10 to 20 AFR.',
    })
    expect(rowOf(four, 'quernby-p4-eight:target-owner')).toMatchObject({
      wanted: { oneOf: ['learner'] },
      verdict: 'wrong',
    })
    expect(rowOf(four, 'lowlamp-repeater:scale', set('quernby-learner:scale', '0.68 to 1.36 lambda')).verdict).toBe(
      'right',
    )
    expect(rowOf(four, 'quernby-learner:address').verdict).toBe('right')
    expect(rowOf(four, 'quernby-learner:address', set('quernby-learner:address', '2'))).toMatchObject({
      verdict: 'wrong',
      why: 'On one bus each has its own: 2 is the P4, eight-injector loom’s.',
    })
  })

  test('alone there is nothing to agree with', () => {
    const alone = job('ostrel-kittiwake-640', 'quernby-p4-eight')
    expect(rowOf(alone, 'target-owner').verdict).toBe('free')
    expect(rowOf(alone, 'address').verdict).toBe('free')
  })

  test('positions of a selector are stock and the levels of the module', () => {
    expect(rowOf(v8, 'wren-selector:steps')).toMatchObject({
      ...{ wanted: { oneOf: ['5'] }, verdict: 'right' },
      why: 'The D5 has stock and 4 levels.',
    })
  })

  test('alarm and scale follow the limiter, coolant and exhaust what is borne', () => {
    expect(rowOf(dial, 'lowlamp-socket:alarm')).toMatchObject({ wanted: { low: 3140, high: 3230 }, verdict: 'wrong' })
    expect(rowOf(dial, 'lowlamp-socket:scale')).toMatchObject({ wanted: { low: 3470, high: 4950 } })
    expect(rowOf(dial, 'lowlamp-socket:coolant')).toMatchObject({ wanted: { high: 102 }, verdict: 'wrong' })
    expect(rowOf(dial, 'thistle-d5:warn')).toMatchObject({ wanted: { high: 700 }, verdict: 'right' })
    expect(rowOf(dial, 'thistle-d5:warn', set('thistle-d5:warn', '730')).verdict).toBe('wrong')
  })

  test('a tyre is as high as it was measured, not as it is printed', () => {
    const measured: EntryBody = { kind: 'tyre-measured', standardHeightM: 0.8, fittedHeightM: 0.84 }
    expect(rowOf(dial, 'lowlamp-socket:tyre').verdict).toBe('open')
    expect(rowOf(dial, 'lowlamp-socket:tyre', measured)).toMatchObject({
      verdict: 'open',
      wanted: { low: 0.832, high: 0.848 },
    })
    expect(rowOf(dial, 'lowlamp-socket:tyre', measured, set('lowlamp-socket:tyre', '0.84')).verdict).toBe('right')
    const off = jobFindings(dial, after(dial, [measured])).find(({ rule }) => rule === 'tyre-wrong')
    expect(off?.reason).toBe('With the wheels that are on, the speed shown is 4.8 % too low.')
  })

  test('the kind of the signal is that of the circuit it is joined to', () => {
    const saloon = job('corvane-marlow-29', 'thistle-a2')
    expect(rowOf(saloon, 'signal')).toMatchObject({ wanted: { oneOf: ['voltage'] }, verdict: 'right' })
    expect(rowOf(saloon, 'signal', set('signal', 'frequency')).verdict).toBe('wrong')
  })

  test('how far it may learn is bounded by the table', () => {
    expect(rowOf(four, 'quernby-learner:bound')).toMatchObject({ wanted: { high: 15 }, verdict: 'right' })
  })

  test('what the unit shows counts: set to one thing and reading another is wrong', () => {
    const read: EntryBody = { kind: 'setting-read', setting: ref('cylinders'), value: '4' }
    expect(rowOf(twin, 'cylinders', set('cylinders', '2'), read)).toMatchObject({
      ...{ verdict: 'wrong', says: 'Set to 2, and the unit shows 4: set it again.' },
    })
  })
})

describe('on every fitting', () => {
  test.each(fittings.map((fitting) => ({ ...fitting })))('$name: what a tick sets is right', (fitting) => {
    const fresh = after(fitting, [])
    for (const row of settingsSheet(fitting, fresh)) {
      if (row.wanted === null) continue
      const value = valueOf(row)
      expect(wantedWords(row.wanted, row.of.unit)).not.toBe('')
      if (value === null) continue
      expect(rowOf(fitting, row.setting, set(row.setting, value)).verdict, row.setting).toBe('right')
    }
  })
})

describe('what bars what', () => {
  test('a wrong cylinder setting bars the key', () => {
    expect(barred(twin, 'set-up').join(' ')).toContain('Cylinders of the P4')
    expect(barred(twin, 'set-up', set('cylinders', '2')).join(' ')).not.toContain('Cylinders')
    expect(barred(twin, 'set-up', set('cylinders', '2'), set('cylinders', '4', '2')).join(' ')).toContain('it is 4')
    expect(jobFindings(twin, after(twin, [set('cylinders', '4')])).map(({ rule }) => rule)).toContain('cylinders-wrong')
  })

  test('an uncaptured throttle bars the start of what drives the engine, and the trims of the others', () => {
    const captured: EntryBody = { kind: 'throttle-captured', track: 1, shutV: 0.52, openV: 4.2, verdict: 'pass' }
    expect(barred(trail, 'set-up').join(' ')).toContain('Nobody captured the throttle of the Core')
    expect(barred(trail, 'set-up', captured).join(' ')).not.toContain('captured')
    expect(barred(quad, 'set-up').join(' ')).not.toContain('captured')
    expect(barred(quad, 'trim').join(' ')).toContain('lands in the wrong cells')
    expect(barred(quad, 'trim', captured).join(' ')).not.toContain('captured')
    expect(barred(quad, 'trim', { ...captured, verdict: 'fail' }).join(' ')).toContain('Nobody captured')
    expect(rowOf(quad, 'throttle-open', captured)).toMatchObject({ inForce: '4.20', verdict: 'right' })
  })

  test('a level left on stock where another was agreed bars the hand-back', () => {
    const agreed: EntryBody = { kind: 'level-agreed', level: 2, use: 'towing', with: 'Marta', kit: ref('thistle-d5') }
    expect(barred(v8, 'hand-back', agreed).join(' ')).toContain('left on stock, and 2 was agreed')
    expect(barred(v8, 'hand-back', agreed, set('thistle-d5:level', '2')).join(' ')).not.toContain('agreed')
    expect(barred(v8, 'hand-back', agreed, { ...agreed, level: 0 }).join(' ')).not.toContain('agreed')
    expect(barred(v8, 'hand-back').join(' ')).not.toContain('agreed')
  })

  const plain: readonly [pct: number, v1: number, v2: number][] = [
    [0, 0.74, 0.37],
    [25, 1.6, 0.8],
    [50, 2.45, 1.22],
    [75, 3.3, 1.65],
    [100, 4.18, 2.09],
  ]
  const points = (change: (point: PedalPoint) => PedalPoint = (point) => point): PedalPoint[] =>
    ['stock', 'soft', 'quick'].flatMap((level) =>
      plain.map(([pct, plain1, plain2]) => change({ level, pct, v1: plain1, v2: plain2, plain1, plain2 })),
    )

  test('a pedal that is not proved, or failed its proof, bars the key; failed, nobody lifts it', () => {
    const failed: EntryBody = { kind: 'pedal-proved', verdict: 'fail', points: [] }
    expect(barred(ute, 'set-up').join(' ')).toContain('not proved')
    expect(barred(ute, 'set-up', failed).join(' ')).toContain('is not safe')
    expect(barred(ute, 'set-up', { kind: 'pedal-proved', verdict: 'pass', points: points() }).join(' ')).not.toMatch(
      /proved|safe/,
    )
    const finding = jobFindings(ute, after(ute, [failed])).find(({ rule }) => rule === 'pedal-failed')
    expect(finding).toMatchObject({ severity: 'stop', liftable: false })
    const lifted = entryOf({ kind: 'stop-lifted', finding: finding?.key ?? '', reason: 'we looked at it twice' })
    expect(planAppend(ute, asJournal([entryOf(failed)]), [lifted]).kind).not.toBe('append')
    expect(
      stationProgress(ute, after(ute, [failed, { kind: 'station-done', station: 'set-up' }])).find(
        ({ station }) => station === 'set-up',
      )?.done,
    ).toBe(false)
  })

  test.each<[string, (point: PedalPoint) => PedalPoint, RegExp]>([
    [
      'the second track 120 mV off at half',
      (p) => (p.pct === 50 && p.level === 'quick' ? { ...p, v2: p.v2 + 0.06 } : p),
      /quick at 50 %/,
    ],
    [
      'one level not read at full',
      (p) => (p.level === 'soft' && p.pct === 100 ? { ...p, pct: 99 } : p),
      /soft: not read at 100 %/,
    ],
    ['it does not come back', (p) => (p.level === 'quick' && p.pct === 0 ? { ...p, v1: 1.1, v2: 0.55 } : p), /at rest/],
    [
      'it falls where the plain pedal rises',
      (p) => (p.level === 'soft' && p.pct === 75 ? { ...p, v1: 2.3, v2: 1.15 } : p),
      /from 50 to 75 %/,
    ],
  ])('%s is no pass, whoever says so', (_name, change, says) => {
    expect(against(ute, { kind: 'pedal-proved', verdict: 'pass', points: points(change) })).toMatch(says)
  })

  test('shifted, with the relation kept within 100 mV, it passes', () => {
    const shifted = points((p) =>
      p.pct === 0 || p.pct === 100 ? p : { ...p, v1: p.v1 + 0.3, v2: p.v2 + 0.15 + 0.045 },
    )
    expect(against(ute, { kind: 'pedal-proved', verdict: 'pass', points: shifted })).toBeNull()
  })
})

test('what cannot be is refused in a sentence', () => {
  const capture: EntryBody = { kind: 'throttle-captured', track: 1, shutV: 4.1, openV: 0.6, verdict: 'pass' }
  expect(against(quad, capture)).toMatch(/no way of a throttle/)
  expect(against(v8, { ...capture, shutV: 0.6, openV: 4.1 })).toMatch(/no throttle that is captured/)
  expect(against(quad, { kind: 'level-agreed', level: 1, use: 'x', with: 'y' })).toMatch(/has no levels/)
  expect(against(v8, { kind: 'level-agreed', level: 9, use: 'x', with: 'y' })).toMatch(/may be: stock, 1, 2, 3, 4/)
  expect(against(quad, { kind: 'pedal-proved', verdict: 'fail', points: [] })).toMatch(/changes nothing at the pedal/)
  expect(against(twin, set('cylinders', '6'))).toMatch(/may be: 2, 4/)
  expect(against(dial, { kind: 'tyre-measured', standardHeightM: 0.8, fittedHeightM: 0.8, fittedAxle: 3.7 })).toMatch(
    /give both/,
  )
})

test('the list at set-up has every value that is wrong, every choice and every capture, and they end it', () => {
  const open = (dossiers: Case, bodies: EntryBody[] = []) =>
    stationWork(dossiers, after(dossiers, bodies), 'set-up').flatMap((item) =>
      item.kind === 'own' && !item.done && !item.id.startsWith('boss.') ? [item] : [],
    )
  for (const dossiers of [twin, four, trail, quad, dial]) {
    const bodies: EntryBody[] = []
    for (let round = 0; round < 3; round++)
      for (const item of open(dossiers, bodies)) bodies.push(...(item.kind === 'own' ? item.makes : []))
    expect(open(dossiers, bodies).map(({ id }) => id)).toEqual([])
    expect(settingsSheet(dossiers, after(dossiers, bodies)).filter(({ verdict }) => verdict === 'wrong')).toEqual([])
  }
})
