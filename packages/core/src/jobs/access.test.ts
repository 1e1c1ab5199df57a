import type { CoverId } from '../dossiers/index.ts'
import { ref } from '../shared/refCase.ts'
import type { JobDossiers, JobState } from './state.ts'
import { checkReferences, planAppend, replay } from './jobJournal.ts'
import { describe, expect, test } from 'vitest'
import { fittings, shippedKit, shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { mountPlaceOf, mountPlaceWhy, routesOf } from './mountPlace.ts'
import { accessOf, alsoCost, jobTargets } from './jobAccess.ts'
import { plannedLoom } from './jobRoute.ts'
import { asJournal, entryOf, gorseJob } from './journalCase.ts'
import { daySpread, jobDay, jobTasks } from './jobTasks.ts'
import { consumables, missingTools, tiesOf, toolsNeeded } from './materials.ts'
import { learntDay, learntTimes, measuredMinutes } from './measuredMinutes.ts'
import type { EntryBody, NewEntry } from './model.ts'
import { timeReport } from './timeReport.ts'
import { timersOf } from './timers.ts'
import { trayBars, trayOf } from './tray.ts'
import { variantQuestions } from './variantQuestions.ts'
import { stepsOf } from './jobSteps.ts'
import { entriesOfWork, stationWork } from './workItems.ts'
import { batteryPracticeOf, batteryPracticesFor, findTarget } from '../access/index.ts'

const stateOf = (dossiers: JobDossiers, ...bodies: EntryBody[]) =>
  replay(
    dossiers,
    bodies.map((body) => entryOf(body)),
  )
const names = (dossiers: JobDossiers, station: Parameters<typeof stationWork>[2], ...bodies: EntryBody[]) =>
  stationWork(dossiers, stateOf(dossiers, ...bodies), station).map((item) => item.id)
const longhaul: JobDossiers = { machine: shippedMachine('hallam-voss-longhaul-69'), kit: shippedKit('thistle-d5') }
const kittiwake: JobDossiers = { machine: shippedMachine('ostrel-kittiwake-640'), kit: shippedKit('quernby-p4-eight') }

describe.each(fittings.map((fitting) => ({ ...fitting })))('$name', (dossiers) => {
  const fresh = replay(dossiers, [])

  test('everything the job needs can be reached, and goes back', () => {
    const plan = accessOf(dossiers, fresh)
    expect(plan?.unknown).toEqual([])
    expect(plan?.exact).toBe(true)
    expect(plan?.targets.length).toBeGreaterThan(2)
  })

  test('work from first to last tick leaves an empty tray and nothing waiting in a ring', () => {
    const entries: NewEntry[] = []
    for (const station of ['make-safe', 'open-up', 'set-up', 'wake', 'close-up'] as const)
      for (const item of stationWork(dossiers, replay(dossiers, entries), station)) {
        const [tick] = entriesOfWork(item, dossiers, replay(dossiers, entries)).slice(-1)
        entries.push(entryOf(tick))
      }
    const state = replay(dossiers, entries)
    expect(state.held).toEqual([])
    expect(trayOf(dossiers, state)).toEqual([])
    for (const station of ['make-safe', 'open-up', 'set-up', 'wake', 'close-up'] as const)
      expect(stationWork(dossiers, state, station).filter((item) => !item.done)).toEqual([])
    const day = jobDay(dossiers, fresh)
    expect(day.schedule.minutes).toBeGreaterThan(60)
    expect(day.schedule.minutes).toBeLessThan(600)
  })

  test('battery off comes after the seat, the cold engine before what is hot', () => {
    const { tasks, schedule } = jobDay(dossiers, fresh)
    const at = new Map(schedule.slots.map((slot) => [slot.task, slot]))
    const start = (id: string) => at.get(id)?.start ?? -1
    const off = tasks.find((task) => task.id === 'step.battery-off' || task.id === 'step.battery-out')
    for (const { cover, beforeBattery } of accessOf(dossiers, fresh)?.removals ?? []) {
      if (off && beforeBattery) expect(at.get(`off.${cover.id}`)?.end).toBeLessThanOrEqual(start(off.id))
      if (off && !beforeBattery) expect(start(`off.${cover.id}`)).toBeGreaterThanOrEqual(at.get(off.id)?.end ?? 0)
      if (cover.hot) expect(start(`off.${cover.id}`)).toBeGreaterThanOrEqual(at.get('wait.cool')?.end ?? 0)
    }
  })

  test('every tool of every cover is laid out, ties are counted', () => {
    const tools = toolsNeeded(dossiers, fresh).map((need) => need.tool)
    for (const tool of accessOf(dossiers, fresh)?.tools ?? []) expect(tools).toContain(tool)
    const ties = consumables(dossiers, fresh).find((item) => item.name.startsWith('Cable ties'))
    expect(ties?.amount ?? 0).toBe(plannedLoom(dossiers, fresh)?.ties.count)
    const { passages: _passages, ...unknown } = dossiers.machine
    const without = { ...dossiers, machine: unknown }
    expect(consumables(without, fresh).find((item) => item.name.startsWith('Cable ties'))?.amount).toBe(
      tiesOf(dossiers.kit),
    )
    for (const item of consumables(dossiers, fresh)) expect(item.amount).toBeGreaterThan(0)
  })
})

describe('where covers stand among the work', () => {
  test('what hides the battery at make-safe, before it comes off; the others at open-up', () => {
    const safe = names(gorseJob, 'make-safe')
    expect(safe.indexOf('off.seat')).toBe(safe.indexOf('step.battery-rest') - 1)
    expect(names(gorseJob, 'open-up')).toEqual(['off.side-right', 'off.tank-cover'])
  })

  test('tank and airbox are back before the engine is woken, the rest at close-up', () => {
    expect(names(kittiwake, 'set-up').slice(0, 4)).toEqual(['on.airbox', 'on.airbox-lid', 'on.tank', 'step.homes'])
    expect(names(kittiwake, 'close-up').slice(0, 4)).toEqual([
      'on.seat',
      'on.side-right',
      'on.side-left',
      'step.steering',
    ])
  })

  test('a cover taken off though nobody planned it is on the list of what goes back', () => {
    expect(names(gorseJob, 'close-up', { kind: 'cover-off', cover: ref('side-left') })).toContain('on.side-left')
  })

  test('earlier work is taken off at open-up, reached and timed', () => {
    const found: EntryBody = { kind: 'found', what: 'bypass', text: 'old loom', about: { connector: ref('oxygen') } }
    const state = stateOf(gorseJob, found)
    expect(jobTargets(gorseJob, state).map((target) => target.id)).toContain('oxygen')
    const [item] = stationWork(gorseJob, state, 'open-up').filter((work) => work.kind === 'own')
    expect(item.minutes.likely).toBe(9)
    expect(accessOf(gorseJob, state)?.removals.map((removal) => removal.cover.id)).toContain('side-left')
    const done = replay(gorseJob, [
      ...[entryOf(found, { id: 'f' })],
      entryOf({ kind: 'dealt-with', found: 'f', how: 'off' }),
    ])
    expect(stationWork(gorseJob, done, 'open-up').at(-1)?.done).toBeDefined()
  })

  test('the kit’s baseline stands before the engine is off', () => {
    const steps = stepsOf(gorseJob, 'make-safe').map((step) => step.id)
    expect(steps.indexOf(ref('baseline'))).toBeLessThan(steps.indexOf(ref('cool')))
    expect(steps.indexOf(ref('feeds'))).toBeLessThan(steps.indexOf(ref('battery-off')))
    expect(steps).not.toContain('pressure')
  })
})

describe('schools', () => {
  test('one battery leaves two schools, two batteries one; positive first is none', () => {
    for (const machine of shippedMachines) {
      const open = batteryPracticesFor(machine)
      expect(open).toEqual(
        (machine.batteries?.length ?? 0) > 1 ? ['both negatives off'] : ['negative off', 'battery out'],
      )
      expect(batteryPracticeOf(machine)).toBe(open[0])
    }
  })

  test('the school decides which step is shown', () => {
    const out: EntryBody = { kind: 'battery-practice-chosen', value: 'battery out', replaces: null }
    expect(names(gorseJob, 'make-safe', out)).toContain('step.battery-out')
    expect(names(gorseJob, 'make-safe', out)).not.toContain('step.battery-off')
    expect(stateOf(gorseJob, out, { kind: 'step-done', step: ref('battery-out') }).power).toBe('off')
  })

  test('the module goes to the best place by the comparison, whatever the sheet says first, and a person may say otherwise', () => {
    const dial: JobDossiers = { machine: gorseJob.machine, kit: shippedKit('lowlamp-dial') }
    expect(mountPlaceOf(dial)?.id).toBe('bar-mount')
    for (const { machine, kit } of fittings) {
      const dossiers = { machine, kit }
      const fresh = replay(dossiers, [])
      const routes = routesOf(dossiers, fresh)
      expect(mountPlaceOf(dossiers)?.id).toBe(routes?.ok && routes.value.places[0].place.id)
      expect(mountPlaceWhy(dossiers, fresh)).toMatch(/^(Best of|The only)/)
    }
    const state = stateOf(gorseJob, { kind: 'mount-place-chosen', value: ref('seat-box'), replaces: null })
    expect(mountPlaceOf(gorseJob, state)?.id).toBe('seat-box')
    const text = (chosen?: JobState) =>
      stepsOf(gorseJob, 'lay-loom', chosen).find((step) => step.id === 'trial-mount')?.text
    expect(text()).toContain('under the rear rack')
    expect(text(state)).toContain('beside the ECU')
  })
})

describe('what else, live', () => {
  test('what lies behind the same covers costs no cover more', () => {
    const coolant = findTarget(gorseJob.machine, 'coolant')
    if (!coolant) throw new Error('the sensor has gone')
    const cost = alsoCost(gorseJob, replay(gorseJob, []), [coolant])
    expect(cost?.covers).toEqual([])
    expect(cost?.minutes).toBeGreaterThan(0)
  })

  test('another plug brings its own covers and minutes', () => {
    const oxygen = findTarget(gorseJob.machine, 'oxygen')
    if (!oxygen) throw new Error('the sensor has gone')
    expect(alsoCost(gorseJob, replay(gorseJob, []), [oxygen])).toMatchObject({
      covers: ['Left side panel'],
      unknown: [],
    })
  })

  test('what was taken in as well is in the plan', () => {
    const state = stateOf(gorseJob, { kind: 'also-reached-chosen', value: ['connector:oxygen'], replaces: null })
    expect(accessOf(gorseJob, state)?.removals.map((removal) => removal.cover.id)).toContain('side-left')
  })
})

describe('the tray', () => {
  const seatOff: EntryBody = { kind: 'cover-off', cover: ref('seat') }

  test('holds what is off, last off first, until it is back', () => {
    const state = stateOf(gorseJob, seatOff, { kind: 'cover-off', cover: ref('tank-cover') })
    expect(trayOf(gorseJob, state).map((item) => item.cover.id)).toEqual(['tank-cover', 'seat'])
    expect(trayOf(gorseJob, stateOf(gorseJob, seatOff, { kind: 'cover-on', cover: ref('seat') }))).toEqual([])
  })

  test('a second tick changes nothing; off again after on is in the tray again', () => {
    expect(trayOf(gorseJob, stateOf(gorseJob, seatOff, seatOff))).toHaveLength(1)
    expect(
      trayOf(gorseJob, stateOf(gorseJob, seatOff, { kind: 'cover-on', cover: ref('seat') }, seatOff)),
    ).toHaveLength(1)
  })

  test('what never came off cannot go on; what is back cannot be left off', () => {
    expect(stateOf(gorseJob, { kind: 'cover-on', cover: ref('seat') }).held).toMatchObject([
      { why: 'It was never written down as taken off.' },
    ])
    const left: EntryBody = { kind: 'left-off', cover: ref('seat'), reason: 'torn' }
    expect(stateOf(gorseJob, left).held).toHaveLength(1)
    expect(trayBars(gorseJob, stateOf(gorseJob, seatOff, left), 'close-up')).toBeNull()
  })

  test('bars waking while the tank is off, and closing while anything is', () => {
    const tankOff = stateOf(kittiwake, seatOff, { kind: 'cover-off', cover: ref('tank') })
    expect(trayBars(kittiwake, tankOff, 'wake')).toContain('The engine must not run without it: tank is still off.')
    expect(trayBars(kittiwake, stateOf(kittiwake, seatOff), 'wake')).toBeNull()
    expect(trayBars(kittiwake, stateOf(kittiwake, seatOff), 'close-up')).toContain("Still in the tray: rider's seat.")
    const plan = planAppend(gorseJob, asJournal([entryOf(seatOff)]), [
      entryOf({ kind: 'station-done', station: 'close-up' }),
    ])
    expect(plan).toMatchObject({ kind: 'conflict', problems: [{ code: 'tray-not-empty' }] })
  })

  test('an undone cover-off with the cover on again is held, not lost', () => {
    const off = entryOf(seatOff)
    const entries = [off, entryOf({ kind: 'cover-on', cover: ref('seat') }), entryOf({ kind: 'undo', undoes: off.id })]
    expect(replay(gorseJob, entries).held).toHaveLength(1)
  })
})

describe('waits', () => {
  const at = (minute: number) => new Date(Date.UTC(2026, 7, 1, 8, minute)).toISOString()

  test('start with the step that sets them off, and with a hand', () => {
    const entries: NewEntry[] = [
      { id: 'a', at: at(0), kind: 'step-done', step: ref('cool') },
      { id: 'b', at: at(5), kind: 'timer-started', what: 'sealant', minutes: 10 },
      { id: 'c', at: at(6), kind: 'timer-started', what: 'nothing', minutes: 10 },
      { id: 'd', at: at(7), kind: 'timer-stopped', timer: 'c' },
    ]
    expect(timersOf(gorseJob, replay(gorseJob, entries))).toEqual([
      { entry: 'b', what: 'sealant', startedAt: at(5), endsAt: at(15), byHand: true },
      { entry: 'a', what: 'until the hot parts can be touched', startedAt: at(0), endsAt: at(30), byHand: false },
    ])
  })

  test('cooling runs beside other work and does not lengthen the day where there is enough of it', () => {
    const day = jobDay(kittiwake, replay(kittiwake, []))
    const cool = day.schedule.slots.find((slot) => slot.task === 'wait.cool')
    const beside = day.schedule.slots.filter(
      (slot) => slot.who.length > 0 && slot.start < (cool?.end ?? 0) && slot.end > (cool?.start ?? 0),
    )
    expect(beside.length).toBeGreaterThan(2)
    expect(day.schedule.critical).not.toContain('wait.cool')
  })

  test('two batteries: the after-run is waited out before they come off', () => {
    const day = jobDay(longhaul, replay(longhaul, []))
    const of = (id: string) => day.schedule.slots.find((slot) => slot.task === id)
    expect(of('step.battery-off')?.start).toBeGreaterThanOrEqual(of('wait.asleep')?.end ?? Infinity)
    expect((of('wait.asleep')?.end ?? 0) - (of('wait.asleep')?.start ?? 0)).toBeCloseTo(15, 9)
  })
})

describe('times', () => {
  const start = Date.UTC(2026, 7, 1, 8)
  const journal = (...made: [number, string, EntryBody][]) =>
    asJournal(
      made
        .map(([, by, body]) => entryOf(body, { by }))
        .map((entry, i) => ({
          ...entry,
          at: new Date(start + made[i][0] * 60_000).toISOString(),
        })),
    )

  test('the time of a tick is that since the same person’s last entry', () => {
    const entries = journal(
      [0, 'Runa', { kind: 'note', text: 'begun' }],
      [1, 'Tomas', { kind: 'note', text: 'begun' }],
      [4, 'Runa', { kind: 'cover-off', cover: ref('seat') }],
      [9, 'Tomas', { kind: 'cover-off', cover: ref('side-right') }],
      [10, 'Runa', { kind: 'connected', kitEnd: ref('crank'), to: { connector: ref('crank'), side: 'factory' } }],
      [12, 'Runa', { kind: 'tugged', kitEnd: ref('crank') }],
    )
    expect(measuredMinutes(entries, gorseJob)).toEqual([
      { key: 'off.seat', by: 'Runa', minutes: 4, station: 'open-up' },
      { key: 'off.side-right', by: 'Tomas', minutes: 8, station: 'open-up' },
      { key: 'end.crank', by: 'Runa', minutes: 8, station: 'hook-up' },
    ])
  })

  test('breaks, ticks in one go and undone ticks do not count', () => {
    const off = entryOf({ kind: 'cover-off', cover: ref('tank-cover') }, { by: 'Runa' })
    const entries = [
      ...journal(
        [0, 'Runa', { kind: 'note', text: 'begun' }],
        [90, 'Runa', { kind: 'cover-off', cover: ref('seat') }],
        [90.05, 'Runa', { kind: 'cover-off', cover: ref('side-right') }],
      ),
      ...asJournal([
        { ...off, at: new Date(start + 95 * 60_000).toISOString() },
        entryOf({ kind: 'undo', undoes: off.id }),
      ]),
    ]
    expect(measuredMinutes(entries, gorseJob)).toEqual([])
  })

  test('finished jobs move the times, with their number shown', () => {
    const samples = [14, 12, 16].map((minutes, i) => ({ job: `j${i}`, key: 'off.tank-cover', minutes }))
    const learnt = learntTimes(gorseJob, [...samples, { job: 'x', key: 'off.wing', minutes: 3 }])
    expect([...learnt.keys()]).toEqual(['off.tank-cover'])
    expect(learnt.get('off.tank-cover')).toMatchObject({ n: 3 })
    expect(learnt.get('off.tank-cover')?.likely).toBeCloseTo(9.2, 0)
    const task = jobTasks(gorseJob, replay(gorseJob, []), learnt).find((item) => item.id === 'off.tank-cover')
    expect(task).toMatchObject({ learntFrom: 3 })
  })

  test('what is done is no longer to do', () => {
    const before = daySpread(jobDay(gorseJob, replay(gorseJob, [])))
    const after = daySpread(jobDay(gorseJob, stateOf(gorseJob, { kind: 'station-done', station: 'make-safe' })))
    expect(after.left.p50).toBeLessThan(before.left.p50 - 20)
    expect(after.whole.p50).toBeCloseTo(before.whole.p50, 0)
    expect(before.left.p90).toBeGreaterThan(before.left.p50)
  })

  test('a wait that ran out in a gap is no work, nor is a pause', () => {
    const entries = journal(
      [0, 'Runa', { kind: 'step-done', step: ref('cool') }],
      [34, 'Runa', { kind: 'cover-off', cover: ref('tank-cover') }],
      [35, 'Runa', { kind: 'timer-started', what: 'sealant', minutes: 10 }],
      [48, 'Runa', { kind: 'cover-off', cover: ref('side-right') }],
      [90, 'Runa', { kind: 'cover-off', cover: ref('seat') }],
    )
    expect(measuredMinutes(entries, gorseJob).map(({ key, minutes }) => [key, minutes])).toEqual([
      ['off.tank-cover', 4],
      ['off.side-right', 3],
    ])
  })

  test('learnt times reach the choice of ways: a cover that takes long is gone round', () => {
    const plan = accessOf(longhaul, replay(longhaul, []))
    const only = (cover: CoverId) => plan?.targets.filter((item) => item.covers.includes(cover)).length === 1
    const target = plan?.targets.find((item) => item.otherwise && item.covers.some(only))
    const cover = target?.covers.find(only)
    if (!target || !cover) throw new Error('the V8 has a plug with a way and a cover of its own')
    const slow = { best: 250, likely: 300, worst: 400 }
    const learnt = new Map([`off.${cover}`, `on.${cover}`].map((key) => [key, slow] as const))
    const other = accessOf({ ...longhaul, learnt }, replay(longhaul, []))
    expect(other?.targets.find((item) => item.target.id === target.target.id)?.way.id).not.toBe(target.way.id)
  })

  test('one odd figure moves a time little, and a time is never a hard limit', () => {
    const learnt = learntTimes(gorseJob, [{ job: 'a', key: 'off.seat', minutes: 40 }]).get('off.seat')
    expect(learnt?.likely).toBeLessThan(4)
    const day = jobDay(gorseJob, replay(gorseJob, []), new Map(learnt ? [['off.seat', learnt]] : []))
    expect(day.tasks.find((task) => task.id === 'off.seat')?.learntFrom).toBe(1)
  })

  test('nine days in ten take 1.15 to 1.4 times the half of them, on every fitting; jobs that agree make it surer', () => {
    for (const { machine, kit } of fittings) {
      const { whole } = daySpread(jobDay({ machine, kit }, replay({ machine, kit }, [])))
      expect(whole.p90 / whole.p50, `${kit.id} on ${machine.id}`).toBeGreaterThan(1.15)
      expect(whole.p90 / whole.p50, `${kit.id} on ${machine.id}`).toBeLessThan(1.4)
    }
    const alike = Array.from({ length: 12 }, (_, i) => ({ job: `j${i}`, key: 'off.tank-cover', minutes: 7 }))
    const apart = alike.map((sample, i) => ({ ...sample, minutes: i % 2 ? 3.5 : 14 }))
    expect(learntDay(gorseJob, alike).sigma).toBeLessThan(learntDay(gorseJob, []).sigma)
    expect(learntDay(gorseJob, apart).sigma).toBeGreaterThan(learntDay(gorseJob, []).sigma)
  })

  test('the day goes to the hand-back, and holds what the way of the loom takes', () => {
    const learner: JobDossiers = { machine: shippedMachine('pellick-skua-960'), kit: shippedKit('quernby-learner') }
    const tasks = jobTasks(learner, replay(learner, []))
    const ids = tasks.map((task) => task.id)
    for (const id of ['boss.off', 'boss.weld', 'boss.cool', 'boss.on', 'ride', 'step.road', 'step.explain'])
      expect(ids).toContain(id)
    const task = (id: string) => tasks.find((item) => item.id === id)
    expect(task('end.relay-feed')?.after).toContain('end.ground')
    expect(task('fuse.relay-feed')?.after).toEqual(expect.arrayContaining(['end.relay-feed', 'end.ground']))
    expect(tasks.some((item) => item.id.startsWith('bulkhead.'))).toBe(true)
    const ends = new Set<string>(tasks.map((item) => item.station))
    for (const station of ['trim', 'prove', 'hand-back']) expect(ends).toContain(station)
  })

  test('the report adds up', () => {
    const entries = journal(
      [0, 'Runa', { kind: 'note', text: 'begun' }],
      [9, 'Runa', { kind: 'cover-off', cover: ref('seat') }],
    )
    const report = timeReport(gorseJob, entries)
    expect(report.takenMin).toBe(9)
    expect(report.rows.reduce((sum, row) => sum + row.plannedMin, 0)).toBeCloseTo(report.plannedMin, 6)
    expect(report.slow).toMatchObject([{ name: 'Seat off', takenMin: 9 }])
  })
})

describe('kit and tools', () => {
  test('a substitute from the shelf where the kit allows it, refused where it does not', () => {
    const check = (part: string) =>
      checkReferences(
        gorseJob,
        entryOf({ kind: 'part-checked', part: ref(part), state: 'from stock', instead: 'x' }),
        'entries.0',
      )
    expect(check('ties')).toEqual([])
    expect(check('terminator')).toMatchObject([{ code: 'no-substitute', path: 'entries.0.state' }])
  })

  test('a missing tool is named with what it is for', () => {
    const state = stateOf(gorseJob, { kind: 'tool-checked', tool: 'hex socket 4', state: 'missing' })
    expect(missingTools(gorseJob, state)).toEqual([{ tool: 'hex socket 4', for: ['Tank cover'], state: 'missing' }])
  })
})

describe('questions of the year', () => {
  const of = (machine: string, kit: string) => variantQuestions(shippedMachine(machine), shippedKit(kit))

  test('the later quad has a speed sensor, and the spare lead is used', () => {
    expect(of('pellick-gorse-430', 'quernby-p1')).toMatchObject([
      { id: 'from-2021', changes: [expect.stringMatching(/^Speed lead: .+ instead of capped\.$/)] },
    ])
  })

  test('a year that changes nothing for this kit need not be asked', () => {
    expect(of('pellick-gorse-430', 'lowlamp-dial')[0].changes).toEqual([])
  })

  test('the other plug of the later truck is named', () => {
    expect(of('hallam-voss-longhaul-69', 'thistle-d5')[0].changes.join(' ')).toContain(
      'Rail pressure plug is another plug.',
    )
  })
})
