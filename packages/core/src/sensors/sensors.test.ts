import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { asJournal, entryOf } from '../jobs/journalCase.ts'
import { jobFindings, replay, stationProgress, stationWork, type EntryBody } from '../jobs/index.ts'
import { aboveOnStandDeg, bossPoints, judgeBoss, leastOnWheelsDeg, type BossMeasured } from './index.ts'

const good: BossMeasured = { from: 'port', behindMm: 300, aboveDeg: 30, points: 'right', standDeg: 12, tight: true }
const wrong = (boss: Partial<BossMeasured>, lead: Parameters<typeof judgeBoss>[1] = null) =>
  judgeBoss({ ...good, ...boss }, lead).flatMap(({ id, ok }) => (ok ? [] : [id]))

describe('the angle of a boss on the side stand', () => {
  test('to the left it sinks by the lean, to the right it rises, fore and aft it hardly moves', () => {
    expect(aboveOnStandDeg({ aboveDeg: 20, points: 'left', standDeg: 12 })).toBeCloseTo(8, 9)
    expect(aboveOnStandDeg({ aboveDeg: 20, points: 'right', standDeg: 12 })).toBeCloseTo(32, 9)
    expect(aboveOnStandDeg({ aboveDeg: 20, points: 'front', standDeg: 12 })).toBeCloseTo(19.545, 2)
    expect(aboveOnStandDeg({ aboveDeg: 90, points: 'left', standDeg: 12 })).toBeCloseTo(78, 9)
  })

  test('equals the turned direction, as a plain rotation of points has it', () => {
    const degrees = fc.double({ min: 0, max: 89, noNaN: true })
    fc.assert(
      fc.property(
        degrees,
        fc.constantFrom(...bossPoints),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (aboveDeg, points, standDeg) => {
          const [a, b] = [aboveDeg, standDeg].map((deg) => (deg * Math.PI) / 180) as [number, number]
          const [x, y] = { left: [0, -1], right: [0, 1], front: [1, 0], rear: [-1, 0] }[points] as [number, number]
          // Right is y, up is z; leaning left turns up towards the left.
          const at = { x: x * Math.cos(a), y: y * Math.cos(a), z: Math.sin(a) }
          const z = at.z * Math.cos(b) + at.y * Math.sin(b)
          expect(aboveOnStandDeg({ aboveDeg, points, standDeg })).toBeCloseTo((Math.asin(z) * 180) / Math.PI, 6)
        },
      ),
    )
  })

  test('the least angle on the wheels is dry on the stand, and one degree less is not', () => {
    for (const points of bossPoints)
      for (const standDeg of [0, 8, 12, 18]) {
        const least = leastOnWheelsDeg(points, standDeg)
        expect(aboveOnStandDeg({ aboveDeg: least, points, standDeg })).toBeGreaterThanOrEqual(10 - 1e-6)
        if (least > 10) expect(aboveOnStandDeg({ aboveDeg: least - 1, points, standDeg })).toBeLessThan(10)
      }
    expect(leastOnWheelsDeg('left', 12)).toBe(22)
    expect(leastOnWheelsDeg('right', 12)).toBe(10)
  })
})

describe('a boss is judged', () => {
  test.each<[string, Partial<BossMeasured>, string[]]>([
    ['in order', {}, []],
    ['flat', { aboveDeg: 9 }, ['wheels']],
    ['dry on its wheels, wet on its stand', { aboveDeg: 20, points: 'left' }, ['stand']],
    ['the same without a stand', { aboveDeg: 20, points: 'left', standDeg: 0 }, []],
    ['at the port', { behindMm: 199 }, ['distance']],
    ['just far enough', { behindMm: 200 }, []],
    ['behind a collector', { from: 'collector', behindMm: 80 }, []],
    ['far down the pipe', { behindMm: 1201 }, ['distance']],
    ['at the open end', { tailMm: 249 }, ['tail']],
    ['behind a leak', { tight: false }, ['leak']],
    ['hanging down', { aboveDeg: -20 }, ['wheels', 'stand']],
  ])('%s', (_name, boss, ids) => {
    expect(wrong(boss)).toEqual(ids)
  })

  test('a lead that is too short says that it is never lengthened', () => {
    expect(wrong({}, { needM: 1.6, suppliedM: 1.5 })).toEqual(['lead'])
    expect(wrong({}, { needM: 1.5, suppliedM: 1.5 })).toEqual([])
    expect(judgeBoss(good, { needM: 1.6, suppliedM: 1.5 }).at(-1)?.change).toMatch(/never lengthened/)
  })

  test('what is wrong says what to change', () => {
    for (const { ok, change } of judgeBoss({
      ...good,
      aboveDeg: -5,
      points: 'left',
      behindMm: 10,
      tailMm: 5,
      tight: false,
    }))
      expect(change === '').toBe(ok)
  })
})

describe('in a job', () => {
  const dossiers = { machine: shippedMachine('tarnbrook-calder-1130'), kit: shippedKit('quernby-learner') }
  const after = (...bodies: EntryBody[]) => replay(dossiers, asJournal(bodies.map((body) => entryOf(body))))
  const rules = (...bodies: EntryBody[]) =>
    jobFindings(dossiers, after(...bodies)).flatMap(({ rule, liftable }) =>
      rule.startsWith('boss') || rule === 'pipe-off' ? [`${rule}${liftable ? '' : ' never lifted'}`] : [],
    )

  test('it is measured and taken off at open up, and on before the key is turned', () => {
    const ids = (station: 'open-up' | 'set-up') => stationWork(dossiers, after(), station).map(({ id }) => id)
    expect(ids('open-up').filter((id) => id.startsWith('boss'))).toEqual(['boss.measure', 'boss.off', 'boss.weld'])
    expect(ids('set-up')[0]).toBe('boss.on')
  })

  test('a boss that is wet on the stand is to be mended; a later measuring takes its place', () => {
    expect(rules({ kind: 'boss-measured', ...good, aboveDeg: 15, points: 'left' })).toEqual(['boss-place never lifted'])
    expect(
      rules({ kind: 'boss-measured', ...good, aboveDeg: 15, points: 'left' }, { kind: 'boss-measured', ...good }),
    ).toEqual([])
  })

  test('with the pipe off nobody starts the engine, whatever reason is given', () => {
    const called: EntryBody = { kind: 'station-done', station: 'set-up' }
    // While the machine is open it is off by plan.
    expect(rules({ kind: 'pipe-worked', act: 'off' })).toEqual([])
    expect(rules({ kind: 'pipe-worked', act: 'off' }, called)).toEqual(['pipe-off never lifted'])
    const early = after({ kind: 'pipe-worked', act: 'off' }, called)
    expect(stationProgress(dossiers, early).find(({ station }) => station === 'set-up')).toMatchObject({ done: false })
    const now = after({ kind: 'pipe-worked', act: 'off' }, { kind: 'station-done', station: 'wake' })
    expect(stationProgress(dossiers, now).find(({ station }) => station === 'wake')).toMatchObject({ done: false })
    expect(
      rules(
        { kind: 'pipe-worked', act: 'off' },
        { kind: 'pipe-worked', act: 'welded' },
        { kind: 'pipe-worked', act: 'on' },
      ),
    ).toEqual([])
  })

  test('a kit without a boss, and one that comes off, have no work there', () => {
    const plain = { machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }
    expect(stationWork(plain, replay(plain, []), 'open-up').some(({ id }) => id.startsWith('boss'))).toBe(false)
  })
})
