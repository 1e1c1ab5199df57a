import { ref } from '../shared/refCase.ts'
import { planAppend, replay } from './jobJournal.ts'
import type { JobDossiers } from './state.ts'
import { openStops } from '../findings/index.ts'
import { describe, expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { handbackSheet } from '../handover/index.ts'
import { jobFindings } from './jobFindings.ts'
import { jobSteps, stepsOf } from './jobSteps.ts'
import { asJournal, entryOf, gorseJob } from './journalCase.ts'
import type { EntryBody, JournalEntry, NewEntry } from './model.ts'
import { stations } from '../dossiers/index.ts'
import { reasonIsGiven } from './stepAsks.ts'
import { stationWork, entriesOfWork } from './workItems.ts'

const kittiwake: JobDossiers = { machine: shippedMachine('ostrel-kittiwake-640'), kit: shippedKit('quernby-p4-eight') }
const ute: JobDossiers = { machine: shippedMachine('hallam-voss-shieling-21'), kit: shippedKit('thistle-d3') }

const codes = (dossiers: JobDossiers, journal: NewEntry[], ...batch: NewEntry[]) => {
  const plan = planAppend(dossiers, asJournal(journal), batch)
  return plan.kind === 'append' ? [] : plan.problems.map((problem) => problem.code)
}
const at = (minute: number) => new Date(Date.UTC(2026, 7, 1, 8, minute)).toISOString()
const done = (text: string, more: { wrote?: string; without?: string } = {}, minute?: number): NewEntry => ({
  ...entryOf({ kind: 'step-done', step: ref(text), ...more }),
  ...(minute === undefined ? {} : { at: at(minute) }),
})
const reading = (step: string, value: number): EntryBody => ({
  kind: 'reading',
  quantity: step,
  value,
  unit: '',
  step: ref(step),
})
const findingsOf = (dossiers: JobDossiers, ...bodies: EntryBody[]) =>
  jobFindings(dossiers, replay(dossiers, asJournal(bodies.map((body) => entryOf(body)))))

describe('a step that asks for something', () => {
  test('is not ticked without its figure, nor without its words', () => {
    expect(codes(gorseJob, [], done('battery-rest'))).toEqual(['step-asks'])
    expect(codes(gorseJob, [entryOf(reading('battery-rest', 12.6))], done('battery-rest'))).toEqual([])
    expect(codes(gorseJob, [], done('codes'))).toEqual(['step-asks'])
    expect(codes(gorseJob, [], done('codes', { wrote: '  ' }))).toEqual(['step-asks'])
    expect(codes(gorseJob, [], done('codes', { wrote: 'none' }))).toEqual([])
  })

  test('is declined with a reason of a few words, which stays beside the tick', () => {
    for (const without of ['no', 'later', 'a b c', '............'])
      expect(codes(gorseJob, [], done('battery-rest', { without })), without).toEqual(['step-asks'])
    const entry = done('battery-rest', { without: 'no meter in the hut' })
    expect(codes(gorseJob, [], entry)).toEqual([])
    expect(replay(gorseJob, [entry]).stepsDone['battery-rest']).toMatchObject({ without: 'no meter in the hut' })
  })

  test('what take-in writes down elsewhere counts', () => {
    const told = entryOf({ kind: 'told', text: 'what it may mean', to: 'the owner' })
    expect(codes(gorseJob, [], done('told'))).toEqual(['step-asks'])
    expect(codes(gorseJob, [told], done('told'))).toEqual([])
    const aim = entryOf({ kind: 'answered', question: 'aim', value: 'stumbles', replaces: null })
    expect(codes(gorseJob, [aim], done('aim'))).toEqual([])
  })

  test('holds its station: nobody closes a job from take-in to hand-back with nothing read', () => {
    const closed = stations.filter(
      (station) => codes(gorseJob, [], entryOf({ kind: 'station-done', station })).length === 0,
    )
    for (const station of ['take-in', 'make-safe', 'set-up', 'wake', 'prove', 'hand-back'] as const)
      expect(closed).not.toContain(station)
    const ticks = stations.flatMap((station) =>
      stationWork(gorseJob, replay(gorseJob, []), station)
        .flatMap((item) => entriesOfWork(item, gorseJob, replay(gorseJob, [])).slice(-1))
        .map((body) => entryOf(body)),
    )
    const taken = ticks.filter((tick) => codes(gorseJob, [], tick).length === 0)
    expect(taken.length).toBeLessThan(ticks.length)
  })
})

test('a reason is a few words', () => {
  expect(['', 'ok', 'ok ok', 'x y z w', 'because'].some((text) => reasonIsGiven(text))).toBe(false)
  expect(reasonIsGiven('coil is on the bench')).toBe(true)
  expect(reasonIsGiven('Spule liegt ausgebaut daneben')).toBe(true)
})

describe('a wait that runs', () => {
  test('holds up what waits for it, until it is over or somebody says why', () => {
    const asleep = done('asleep', {}, 0)
    expect(codes(gorseJob, [asleep], done('battery-off', {}, 1))).toEqual(['wait-open'])
    expect(codes(gorseJob, [asleep], done('battery-off', {}, 3))).toEqual([])
    const why = { without: 'it stood over night, key out' }
    expect(codes(gorseJob, [asleep], done('battery-off', why, 1))).toEqual([])
  })

  test('a hot cover stays on until it has cooled', () => {
    const skua: JobDossiers = { machine: shippedMachine('pellick-skua-960'), kit: shippedKit('quernby-learner') }
    const cool = done('cool', {}, 0)
    const lid: NewEntry = { ...entryOf({ kind: 'cover-off', cover: ref('engine-lid') }), at: at(10) }
    expect(codes(skua, [cool], lid)).toEqual(['wait-open'])
    expect(codes(skua, [cool], { ...lid, at: at(31) })).toEqual([])
  })
})

test('a tank with its fuel line open is never left off, whatever the reason', () => {
  const off = entryOf({ kind: 'cover-off', cover: ref('tank') })
  const left = entryOf({ kind: 'left-off', cover: ref('tank'), reason: 'the owner wants it that way' })
  expect(codes(kittiwake, [off], left)).toEqual(['fuel-open'])
})

describe('figures out of their range', () => {
  test.each([
    ['battery-rest', 11.2, 'reading-off', 'fix'],
    ['charging', 16.1, 'reading-off', 'fix'],
    ['idle-before', 5200, 'reading-note', 'note'],
    ['idle', 5200, 'reading-stop', 'stop'],
  ] as const)('%s at %d is %s, and stands on the hand-back', (step, value, rule, severity) => {
    const found = findingsOf(gorseJob, reading(step, value)).find((finding) => finding.rule === rule)
    expect(found).toMatchObject({ severity })
    expect(found?.reason).toContain(String(value))
    const state = replay(gorseJob, asJournal([entryOf(reading(step, value))]))
    const sheet = handbackSheet(gorseJob, { title: 'x', createdAt: at(0) }, state)
    if (severity !== 'note') expect(sheet.unfinished.join(' ')).toContain(String(value))
  })

  test('the last figure counts, and one in its range is none', () => {
    const rules = findingsOf(gorseJob, reading('idle', 5200), reading('idle', 1400)).map((finding) => finding.rule)
    expect(rules).not.toContain('reading-stop')
  })

  test('a pedal that failed its proof is never lifted', () => {
    const stops = openStops(findingsOf(ute, reading('pedal-proof', 180)))
    const stop = stops.find((finding) => finding.rule === 'proof-failed')
    expect(stop).toMatchObject({ liftable: false })
    const lift = entryOf(
      { kind: 'stop-lifted', finding: stop?.key ?? '', reason: 'we drive carefully today' },
      { by: 'Runa' },
    )
    expect(codes(ute, [entryOf(reading('pedal-proof', 180))], lift)).toEqual(['never-lifted'])
    expect(openStops(findingsOf(ute, reading('pedal-proof', 60))).map((one) => one.rule)).not.toContain('proof-failed')
  })
})

describe('what the hand did to the wires', () => {
  const join: EntryBody = {
    kind: 'connected',
    kitEnd: ref('throttle'),
    to: { connector: ref('throttle'), cavity: 2 },
    method: 'piercing screw tap',
  }

  test('a joint made with the battery on is found; with it off it is not', () => {
    const rules = (...bodies: EntryBody[]) => findingsOf(gorseJob, ...bodies).map((finding) => finding.rule)
    expect(rules(join)).toContain('joined-live')
    expect(rules({ kind: 'step-done', step: ref('battery-off') }, join)).not.toContain('joined-live')
  })

  test('a wire pierced by mistake stays on the record until it is sealed, and on the hand-back after', () => {
    const entries = [join, { kind: 'disconnected', kitEnd: ref('throttle') } satisfies EntryBody].map((body) =>
      entryOf(body),
    )
    const state = replay(gorseJob, asJournal(entries))
    const open = jobFindings(gorseJob, state).find((finding) => finding.rule === 'puncture-open')
    expect(open).toMatchObject({ severity: 'fix', at: { connector: 'throttle', cavity: 2 } })
    const sealed = [...entries, entryOf({ kind: 'dealt-with', found: entries[1].id, how: 'sealed sleeve' })]
    const after = replay(gorseJob, asJournal(sealed))
    expect(jobFindings(gorseJob, after).map((finding) => finding.rule)).not.toContain('puncture-open')
    const sheet = handbackSheet(gorseJob, { title: 'x', createdAt: at(0) }, after)
    expect(sheet.earlierWork.join(' ')).toMatch(/Pierced in this job: Throttle lead.*piercing screw tap.*sealed sleeve/)
    // Undone, the joint was never taken off.
    const undone = replay(gorseJob, asJournal([...entries, entryOf({ kind: 'undo', undoes: entries[1].id })]))
    expect(undone.found).toEqual([])
  })

  test('a fuse larger than its wire bears is a stop, the kit’s own is none', () => {
    const skua: JobDossiers = { machine: shippedMachine('pellick-skua-960'), kit: shippedKit('quernby-learner') }
    const ring = (fuseA?: number): EntryBody => ({
      kind: 'connected',
      kitEnd: ref('relay-feed'),
      to: { stud: ref('battery-positive') },
      ...(fuseA === undefined ? {} : { fuseA }),
    })
    const rules = (body: EntryBody) => findingsOf(skua, body).map((finding) => finding.rule)
    expect(rules(ring(40))).toContain('fuse-over-wire')
    expect(rules(ring())).not.toContain('fuse-over-wire')
    expect(rules(ring())).not.toContain('fuse-under-load')
    expect(rules(ring(1))).toContain('fuse-under-load')
    const [small] = findingsOf(skua, ring(1)).filter((finding) => finding.rule === 'fuse-under-load')
    expect(small.reason).toContain('A fuse of 1 A for 1.25 A: it wants 1.69 A or more.')
    expect(small.remedy).toContain("kit's own")
    // Taken to another stud, it is still in the lead.
    const moved = findingsOf(skua, ring(40), { kind: 'disconnected', kitEnd: ref('relay-feed') }, ring())
    expect(moved.map((finding) => finding.rule)).toContain('fuse-over-wire')
    // Changed at the same stud: what is in it last counts.
    expect(findingsOf(skua, ring(40), ring(1)).map((finding) => finding.rule)).not.toContain('fuse-over-wire')
  })

  test('the halves of a cut wire changed over are recorded and found', () => {
    const saloon: JobDossiers = { machine: shippedMachine('corvane-marlow-29'), kit: shippedKit('thistle-a2') }
    const half = (kitEnd: string, which: 'ecu' | 'device'): EntryBody => ({
      kind: 'connected',
      kitEnd: ref(kitEnd),
      to: { connector: ref('airflow'), cavity: 3, half: which },
      method: 'solder and sleeve',
    })
    const rules = findingsOf(saloon, half('maf-in', 'ecu'), half('maf-out', 'device')).map((finding) => finding.rule)
    expect(rules.filter((rule) => rule === 'cut-swapped')).toHaveLength(2)
  })
})

test('nothing captured is printed as captured', () => {
  const sheet = handbackSheet(gorseJob, { title: 'x', createdAt: at(0) }, replay(gorseJob, []))
  const value = (name: string) => sheet.settings.find((setting) => setting.name === name)?.value
  expect(value('Throttle open')).toBe('not captured')
  const set = entryOf({ kind: 'setting', setting: ref('throttle-open'), value: '4.1', replaces: null })
  const after = handbackSheet(gorseJob, { title: 'x', createdAt: at(0) }, replay(gorseJob, asJournal([set])))
  expect(after.settings.find((setting) => setting.name === 'Throttle open')?.value).toBe('4.1 V')
})

test('a two-stroke gets no mixture trims, with whatever kit', () => {
  const rime: JobDossiers = {
    machine: { ...shippedMachine('pellick-rime-790'), target: gorseJob.machine.target },
    kit: shippedKit('quernby-p1'),
  }
  const loaded = entryOf({ kind: 'trim-loaded', name: 'x.csv', cells: [{ rpm: 1500, load: 0, old: 0, new: 2 }] })
  expect(codes(rime, [], loaded)).toEqual(['no-trim'])
  expect(codes(gorseJob, [], loaded)).toEqual([])
})

test('a journal of the version before: waking included the set-up; by itself the new station is open', () => {
  const woken = entryOf({ kind: 'station-done', station: 'wake' })
  const before: JournalEntry = { ...woken, seq: 1, receivedAt: at(0), v: 1 }
  const old = replay(gorseJob, [before])
  expect(old.stationsDone).toHaveProperty('set-up')
  expect(replay(gorseJob, asJournal([woken])).stationsDone).not.toHaveProperty('set-up')
})

test('set up stands before wake, ties after it', () => {
  const order = stations.filter((station) => stepsOf(gorseJob, station).length > 0)
  expect(order.indexOf('set-up')).toBe(order.indexOf('wake') - 1)
  expect(order.indexOf('tie-down')).toBe(order.indexOf('wake') + 1)
  expect(jobSteps(gorseJob).findIndex((step) => step.marks === 'ties')).toBeGreaterThan(
    jobSteps(gorseJob).findIndex((step) => step.id === 'authority'),
  )
})
