import { ref } from '../shared/refCase.ts'
import { newEntrySchema } from './jobForms.ts'
import { describe, expect, test } from 'vitest'
import { wireLabels } from '../handover/index.ts'
import { connectionPlan, differences, joinPracticeOf } from '../wiring/index.ts'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { jobFindings, planAppend, planTicks, replay, type EntryBody, type JobDossiers, type NewEntry } from './index.ts'

const saloon: JobDossiers = { machine: shippedMachine('corvane-marlow-29'), kit: shippedKit('thistle-a2') }
const entries = (...bodies: EntryBody[]): NewEntry[] => bodies.map((body, i) => ({ id: `e${i}`, by: 'Runa', ...body }))
const rules = (list: NewEntry[]) => jobFindings(saloon, replay(saloon, list)).map((finding) => finding.rule)
const cut: EntryBody[] = ['maf-in', 'maf-out'].map((kitEnd) => ({
  kind: 'connected',
  kitEnd: ref(kitEnd),
  to: { connector: ref('ecu-a'), cavity: 7 },
  method: 'solder and sleeve',
}))
const word: EntryBody = {
  kind: 'irreversible',
  act: 'cut',
  text: 'airflow wire',
  consentBy: 'the owner',
  about: { kitEnd: ref('maf-in') },
}

describe('what cannot be taken back', () => {
  test('a cut without the owner’s word is a stop, with it none', () => {
    expect(rules(entries(...cut))).toContain('cut-no-consent')
    expect(rules(entries(word, ...cut))).not.toContain('cut-no-consent')
    expect(rules(entries(word))).not.toContain('cut-no-consent')
  })

  test('the tick for the word comes before the joint', () => {
    const state = replay(saloon, [])
    const plan = connectionPlan(saloon, state)
    const end = saloon.kit.ends.find((item) => item.id === 'maf-in')
    if (!end) throw new Error('the kit has the lead')
    const ticks = planTicks(
      saloon,
      state,
      end,
      plan.find((match) => match.kitEnd === 'maf-in'),
    )
    expect(ticks.map((tick) => tick.id)).toEqual(['consent', 'join', 'tug'])
    const after = replay(saloon, entries(...ticks.map((tick) => tick.makes)))
    expect(
      planTicks(
        saloon,
        after,
        end,
        plan.find((match) => match.kitEnd === 'maf-in'),
      ).every((tick) => tick.done),
    ).toBe(true)
  })
})

describe('earlier work', () => {
  const found: EntryBody = { kind: 'found', what: 'puncture', text: 'two holes in the white wire' }
  test('stays on the list until dealt with', () => {
    expect(rules(entries(found))).toContain('earlier-work')
    expect(rules(entries(found, { kind: 'dealt-with', found: 'e0', how: 'sealed sleeve' }))).not.toContain(
      'earlier-work',
    )
  })

  test('two finds are two findings, and dealing with nothing is held', () => {
    const state = replay(saloon, entries(found, found, { kind: 'dealt-with', found: 'ghost', how: 'x' }))
    const keys = jobFindings(saloon, state)
      .filter((finding) => finding.rule === 'earlier-work')
      .map((finding) => finding.key)
    expect(new Set(keys).size).toBe(2)
    expect(state.held.map((held) => held.why)).toEqual(['What it deals with is not on the list.'])
  })
})

describe('differences from the plan', () => {
  const elsewhere: EntryBody = { kind: 'connected', kitEnd: ref('ground'), to: { stud: ref('kick-ground') } }
  const accept: EntryBody = { kind: 'difference-accepted', kitEnd: ref('ground'), reason: 'stud sheared' }

  test('accepted with a reason, the note goes; moved again, it comes back', () => {
    expect(rules(entries(elsewhere))).toContain('differs-from-plan')
    expect(rules(entries(elsewhere, accept))).not.toContain('differs-from-plan')
    const moved = entries(elsewhere, accept, {
      kind: 'connected',
      kitEnd: ref('ground'),
      to: { stud: ref('battery-negative') },
    })
    expect(rules(moved)).toContain('differs-from-plan')
  })

  test('the list names both places', () => {
    const state = replay(saloon, entries(elsewhere, accept))
    expect(differences(saloon, state, connectionPlan(saloon, state))).toEqual([
      {
        kitEnd: 'ground',
        planned: 'ECU ground stud',
        built: 'Kick panel ground',
        accepted: { reason: 'stud sheared', by: 'Runa' },
      },
    ])
  })
})

describe('readings on meter cards', () => {
  const reading = (value: number): EntryBody => ({
    kind: 'reading',
    quantity: 'Throttle plate position, key on',
    value,
    unit: 'V',
    card: 'throttle.find.ecu-a-26.key-on.v',
    about: { kitEnd: ref('throttle'), connector: ref('ecu-a'), cavity: 26 },
  })

  test('a bad figure is a finding with cause and next probe, until a good one follows', () => {
    const found = jobFindings(saloon, replay(saloon, entries(reading(0)))).find(
      (finding) => finding.rule === 'reading-off',
    )
    expect(found?.reason).toContain('no 5 V reference')
    expect(found?.remedy).toContain('Next:')
    expect(rules(entries(reading(0), reading(0.6)))).not.toContain('reading-off')
    expect(rules(entries(reading(0.6)))).not.toContain('reading-off')
  })
})

describe('decisions', () => {
  test('one that no longer finds what it replaces is refused', () => {
    const journal = entries({ kind: 'joining-practice-chosen', value: 'solder and sleeve', replaces: null }).map(
      (entry, i) => ({
        ...entry,
        seq: i + 1,
        receivedAt: '',
        v: 1,
      }),
    )
    expect(joinPracticeOf(replay(saloon, journal))).toBe('solder and sleeve')
    const choose = (replaces: 'solder and sleeve' | null): NewEntry => ({
      id: 'x',
      kind: 'joining-practice-chosen',
      value: 'by place',
      replaces,
    })
    expect(planAppend(saloon, journal, [choose(null)])).toMatchObject({
      kind: 'conflict',
      problems: [{ code: 'stale-base' }],
    })
    expect(planAppend(saloon, journal, [choose('solder and sleeve')])).toMatchObject({ kind: 'append' })
  })

  test.each<EntryBody>([
    { kind: 'place-chosen', kitEnd: ref('ground'), value: { stud: ref('ghost') }, replaces: null },
    { kind: 'place-chosen', kitEnd: ref('ghost'), value: { closed: 'cap' }, replaces: null },
  ])('%j is unknown', (body) => {
    expect(planAppend(saloon, [], [{ id: 'x', ...body }])).toMatchObject({ kind: 'unknown' })
  })
})

test.each([
  { kitEnd: 'ground' },
  { open: true },
  { closed: 'terminator' },
  { connector: 'ecu-a', side: 'factory' },
  'cap',
])('%j is no place to fix an end to', (value) => {
  const entry = { id: 'x', kind: 'place-chosen', kitEnd: 'ground', value, replaces: null }
  expect(newEntrySchema.safeParse(entry).success).toBe(false)
})

test('the battery is off from the step that takes it off to the one that brings it back', () => {
  const done = (step: string): EntryBody => ({ kind: 'step-done', step: ref(step) })
  expect(replay(saloon, []).power).toBe('on')
  expect(replay(saloon, entries(done('battery-off'))).power).toBe('off')
  expect(replay(saloon, entries(done('battery-off'), done('battery-on'))).power).toBe('on')
})

test('every end that stays on the machine has a label with its place and a way back to the job', () => {
  const labels = wireLabels(saloon, { id: 'job-1', title: 'Saloon' }, replay(saloon, entries(...cut)))
  expect(labels.map((label) => label.kitEnd)).toEqual(saloon.kit.ends.map((end) => end.id))
  expect(labels[0]).toMatchObject({
    kind: 'cut',
    lines: ['W cut wire', 'ECU plug A, cavity 7: plain white', 'Thistle A2, Saloon'],
    path: '/job/job-1/hook-up?end=maf-in',
  })
  expect(labels.at(-1)).toMatchObject({ kind: 'spare' })
})
