import { expect, test } from 'vitest'
import type { RegenerationReadings } from '../aftertreatment/index.ts'
import { asJournal, entryOf, gorseJob } from '../jobs/journalCase.ts'
import { handbackSheet, proofChart, proofCsv, proofPage } from '../handover/index.ts'
import { jobFindings, replay, type EntryBody } from '../jobs/index.ts'
import { planAppend } from '../jobs/jobJournal.ts'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { gainWords, jobProof } from './index.ts'

const pull = (more: object = {}): EntryBody => ({
  ...{ kind: 'pull-made', when: 'before', name: 'first', factor: 1, warnings: [] },
  points: [2000, 3000].map((rpm) => ({ rpm, speedKmh: null, powerKw: rpm / 100, torqueNm: 95, sePowerKw: null })),
  peakPower: { kw: 30, rpm: 3000, speedKmh: null },
  peakTorque: { nm: 95, rpm: 2000 },
  ...more,
})
const append = (body: EntryBody) => planAppend(gorseJob, [], [entryOf(body)])

test('a pull is kept with its points, and a peak that no point has is refused', () => {
  expect(append(pull()).kind).toBe('append')
  expect(append(pull({ peakPower: { kw: 80, rpm: 3000, speedKmh: null } }))).toMatchObject({
    problems: [{ code: 'proof-not-borne-out' }],
  })
  const [low, high] = [2000, 3000].map((rpm) => ({ rpm, speedKmh: null, powerKw: 30, torqueNm: 95, sePowerKw: null }))
  expect(append(pull({ points: [high, low] }))).toMatchObject({ problems: [{ code: 'no-pull' }] })
})

test('what is claimed last counts, and is taken back by an undo', () => {
  const claims = [2, 5].map((powerKw) => entryOf({ kind: 'gain-claimed', powerKw, of: 'wheel' }))
  expect(replay(gorseJob, asJournal(claims)).claimed).toMatchObject({ powerKw: 5, at: 'wheel' })
  const undone = [...claims, entryOf({ kind: 'undo', undoes: claims[1]?.id ?? '' })]
  expect(replay(gorseJob, asJournal(undone)).claimed).toMatchObject({ powerKw: 2 })
})

const truck = { machine: shippedMachine('hallam-voss-packhorse-62'), kit: shippedKit('thistle-d5') }
const ofTruck = (...bodies: EntryBody[]) => replay(truck, asJournal(bodies.map((body) => entryOf(body))))
const said = (...bodies: EntryBody[]) =>
  jobFindings(truck, ofTruck(...bodies)).flatMap(({ rule, reason }) =>
    rule === 'claim-without-stock' || rule === 'closed-course' ? [reason] : [],
  )

test('a claim without a pull on stock is said before the job begins, and that it cannot be claimed once it ran with the kit', () => {
  expect(said()).toMatchObject([expect.stringMatching(/9 kW and 30 N·m at the wheel. Without a pull on stock first/)])
  expect(said(pull())).toEqual([])
  const woken: EntryBody = { kind: 'station-done', station: 'wake' }
  expect(said(woken)).toMatchObject([expect.stringMatching(/it cannot be claimed/)])
  expect(jobFindings(gorseJob, replay(gorseJob, [])).some(({ rule }) => rule === 'claim-without-stock')).toBe(false)
})

test('a kit without approval is for a closed course, with who was told; one with a number is not', () => {
  const asked: EntryBody = { kind: 'approval-asked', market: 'the valley', with: 'Edda' }
  expect(said(pull(), asked)).toMatchObject([expect.stringMatching(/closed course only. Edda was told/)])
  expect(said(pull(), asked, { ...asked, number: 'T-114' })).toEqual([])
  const sheet = (...bodies: EntryBody[]) =>
    handbackSheet(truck, { title: 'Hut', createdAt: '2026-06-01' }, ofTruck(...bodies)).lawful
  expect(sheet()).toEqual([expect.stringMatching(/not asked for. Until it is: closed course only/)])
  expect(sheet(asked)).toEqual([expect.stringMatching(/no approval in the valley. Closed course only; told to Edda/)])
  expect(sheet({ ...asked, number: 'T-114' })).toEqual([expect.stringMatching(/approved in the valley, T-114/)])
  const dial = { machine: shippedMachine('pellick-skua-960'), kit: shippedKit('lowlamp-dial') }
  expect(planAppend(dial, [], [entryOf(asked)])).toMatchObject({ problems: [{ code: 'no-such-need' }] })
})

test('while a regeneration is under way no pull and no loaded run is taken; it begins only with every condition there', () => {
  const ready: RegenerationReadings = {
    ...{ coolantC: 82, fuelPct: 40, idleMin: 2, neutral: true, sootPct: 70, oilOverMark: false, barringCodes: 0 },
    ...{ ground: 'bare', clearM: 6, outdoors: true, blownClean: true, stays: true },
  }
  const begun: Extract<EntryBody, { kind: 'regeneration' }> = {
    kind: 'regeneration',
    phase: 'started',
    text: '',
    read: ready,
  }
  const ended: EntryBody = { kind: 'regeneration', phase: 'ended', text: '' }
  const run: EntryBody = { kind: 'level-run', level: 0, readings: { rail: { value: 170 } }, use: 'towing' }
  const after = (bodies: EntryBody[], next: EntryBody) =>
    planAppend(truck, asJournal(bodies.map((body) => entryOf(body))), [entryOf(next)])
  expect(after([], { ...begun, read: { ...ready, ground: 'stubble' } })).toMatchObject({
    problems: [{ code: 'not-ready', message: expect.stringMatching(/stubble/) as string }],
  })
  expect(after([], ended).kind).not.toBe('append')
  for (const next of [pull(), run]) {
    expect(after([begun], next).kind).not.toBe('append')
    expect(after([begun, ended], next).kind).toBe('append')
  }
})

test('what pulls show, of which claim, and how sure it is, is one answer', () => {
  const kw = (when: 'before' | 'after', top: number, more: object = {}): EntryBody =>
    pull({
      when,
      points: [2000, 3000].map((rpm) => ({
        rpm,
        speedKmh: null,
        powerKw: (top * rpm) / 3000,
        torqueNm: top * 3.18,
        sePowerKw: null,
      })),
      ...{ peakPower: { kw: top, rpm: 3000, speedKmh: null }, peakTorque: { nm: top * 3.18, rpm: 2000 }, ...more },
    })
  const state = ofTruck(
    kw('before', 150, { conditions: { warmUp: true } }),
    ...[200, 201, 202].map((top) => kw('before', top)),
    ...[220, 221, 222].map((top) => kw('after', top)),
  )
  const { compared, claim, certainty, judged } = jobProof(truck, state)
  expect(judged.left.length).toBe(1)
  expect(claim).toMatchObject({ by: 'kit', claim: { powerKw: 9, torqueNm: 30, at: 'wheel' } })
  expect(certainty).toBe('measured here')
  expect(compared).toMatchObject({ value: { shown: true, claim: 'met', gainPowerKw: expect.closeTo(20, 6) as number } })
  expect(gainWords(truck, state)).toBe('+20.0 ± 2.3 kW')
  expect(gainWords(truck, ofTruck())).toBeNull()
  const page = proofPage(truck, { title: 'Hut' }, state)
  expect(page.numbers.map(({ value }) => value)).toEqual(['+20.0 ± 2.3 kW', '+64 N·m', 'met'])
  expect(page.pulls.map(({ counts }) => counts)).toEqual([false, true, true, true, true, true, true])
  expect(page.words.join(' ')).toMatch(/more than the same machine differs/)
  expect(proofChart(page.comparison ?? { curve: [], axis: 'rpm' })).toMatch(/^<svg[^>]*>.*<\/svg>$/)
  expect(proofCsv(page.comparison ?? { curve: [] }).split('\n')).toHaveLength(61)
  expect(jobProof(truck, ofTruck(kw('before', 200, { source: 'elsewhere' }), kw('after', 210))).certainty).toBe(
    'measured elsewhere',
  )
  expect(proofPage(truck, { title: 'Hut' }, ofTruck()).words).toEqual([expect.stringMatching(/^It cannot be claimed/)])
})
