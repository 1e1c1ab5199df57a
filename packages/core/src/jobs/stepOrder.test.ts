import { ref } from '../shared/refCase.ts'
import { placesFor } from '../routing/index.ts'
import { replay } from './jobJournal.ts'
import type { JobDossiers } from './state.ts'
import { describe, expect, test } from 'vitest'
import { inSentence, orderSteps, parseKit, parseMachine, stations, type Step, walkSteps } from '../dossiers/index.ts'
import { seededRandom, asWritten, type Written } from '../shared/index.ts'
import { fittings, shippedKit, shippedKits, shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { accessOf, opensFuel } from './jobAccess.ts'
import { jobSteps } from './jobSteps.ts'
import { withBench } from './withBench.ts'
import { entryOf } from './journalCase.ts'
import type { EntryBody } from './model.ts'
import { entriesOfWork, stationWork } from './workItems.ts'

const ids = (dossiers: JobDossiers, station: Step['station']) =>
  stationWork(dossiers, replay(dossiers, []), station).map((item) => item.id)

describe.each(fittings.map((fitting) => ({ ...fitting })))('$name', (dossiers) => {
  test.each(['negative off', 'battery out'] as const)('every step finds what it needs, %s', (battery) => {
    const state = replay(dossiers, [entryOf({ kind: 'battery-practice-chosen', value: battery, replaces: null })])
    expect(walkSteps(jobSteps(dossiers, state))).toEqual([])
  })

  test('covers: what a step must get at is bare when it comes, the engine runs with nothing off that it needs', () => {
    const off = new Set<string>()
    const { machine } = dossiers
    const state = replay(dossiers, [])
    const plan = accessOf(dossiers, state)
    for (const station of stations)
      for (const item of stationWork(dossiers, state, station)) {
        if (item.kind === 'cover-off') off.add(item.removal.cover.id)
        if (item.kind === 'cover-on') off.delete(item.closing.cover.id)
        if (item.kind !== 'step') continue
        for (const cover of item.step.needs?.covers ?? []) expect(off).toContain(cover)
        for (const target of item.step.needs?.reach ?? []) {
          const [id] = Object.values(target)
          const planned = plan?.targets.find((candidate) => candidate.target.id === id)
          expect(planned, `${item.step.id} reaches ${id}`).toBeDefined()
          for (const cover of planned?.covers ?? []) expect(off).toContain(cover)
        }
        if (item.step.engine === 'runs')
          for (const cover of machine.covers ?? [])
            if (cover.run) expect(off.has(cover.id), `${item.step.id} with ${cover.id} off`).toBe(false)
      }
    expect([...off]).toEqual([])
  })

  test('the control unit sleeps after the engine was shut off, the battery comes off after that, and nothing runs it between', () => {
    const steps = jobSteps(dossiers).map((step) => step.id)
    const order = ['cool', 'asleep', 'battery-off'].map((id) => steps.indexOf(ref(id)))
    expect(order).toEqual([...order].sort((a, b) => a - b))
    const last = jobSteps(dossiers).findLastIndex((step) => step.station === 'make-safe' && step.engine === 'runs')
    expect(last).toBeLessThan(order[0])
  })

  test('pressure is let down exactly where a fuel line is opened', () => {
    const opened = opensFuel(accessOf(dossiers, replay(dossiers, [])))
    expect(ids(dossiers, 'make-safe').includes('step.pressure')).toBe(opened)
  })
})

test('throttle set-up, pedal proof and bench supply come before the engine runs; authority after', () => {
  const at = (machine: string, kit: string, step: string) => {
    const steps = jobSteps({ machine: shippedMachine(machine), kit: shippedKit(kit) }).map((item) => item.id)
    return { step: steps.indexOf(ref(step)), start: steps.indexOf(ref('start')) }
  }
  for (const [machine, kit, step] of [
    ['ostrel-pika-449', 'wren-core-34', 'throttle-setup'],
    ['pellick-rime-790', 'wren-core-48', 'throttle-setup'],
    ['pellick-rime-790', 'wren-core-48', 'bench-power'],
    ['hallam-voss-shieling-21', 'thistle-d3', 'pedal-proof'],
    ['tarnbrook-calder-1130', 'quernby-learner', 'sensor-in'],
  ] as const) {
    const found = at(machine, kit, step)
    expect(found.step, `${step} on ${machine}`).toBeGreaterThanOrEqual(0)
    expect(found.step).toBeLessThan(found.start)
  }
  const core = at('pellick-gorse-430', 'quernby-p1', 'authority')
  expect(core.step).toBeGreaterThan(core.start)
})

test('on the harvester the header is down first, the ladder aside before its battery is read, both negatives off for it', () => {
  const dossiers = { machine: shippedMachine('grangeway-t9'), kit: shippedKit('thistle-d3-field') }
  const order = ids(dossiers, 'make-safe')
  expect(order.slice(0, 2)).toEqual(['off.header', 'step.park'])
  expect(order.indexOf('off.ladder')).toBeLessThan(order.indexOf('step.charging'))
  expect(order.indexOf('step.battery-rest')).toBeGreaterThan(order.indexOf('step.battery-off'))
})

test('what does not belong to a machine is not said of it', () => {
  const texts = (id: string) =>
    shippedMachine(id)
      .steps.map((step) => `${step.text} ${step.wait?.why ?? ''}`)
      .join(' ')
  expect(texts('grangeway-t9')).not.toMatch(/glow|[Ss]teering|dosing/)
  expect(texts('hallam-voss-shieling-21')).not.toMatch(/dosing/)
  expect(texts('hallam-voss-packhorse-62')).toMatch(/dosing/)
  for (const machine of shippedMachines)
    if (!machine.nets.some((net) => net.role === 'glow'))
      expect(
        machine.steps.some((step) => /glow/.test(step.text)),
        machine.id,
      ).toBe(false)
})

describe.each(fittings.map((fitting) => ({ ...fitting })))('the words of its steps, $name', (dossiers) => {
  test('say where the module goes, wherever that is', () => {
    const { machine, kit } = dossiers
    const sheet = kit.places?.find((item) => item.machine === machine.id)?.place
    for (const place of placesFor(machine, 'module')) {
      const state = replay(dossiers, [entryOf({ kind: 'mount-place-chosen', value: place.id, replaces: null })])
      const texts = jobSteps(dossiers, state).flatMap((step) =>
        step.marks === 'mount' && step.station === 'lay-loom' ? [step.text] : [],
      )
      for (const text of texts) if (place.id !== sheet) expect(text).toContain(inSentence(place.name))
    }
  })
})

test('tied as it is laid, the ties stand with the laying; else after the engine was woken', () => {
  const dossiers = { machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }
  const choice: EntryBody = {
    kind: 'tying-practice-chosen',
    value: 'each branch as it is laid',
    replaces: null,
  }
  const stationOf = (steps: readonly Step[]) => steps.find((step) => step.marks === 'ties')?.station
  expect(stationOf(jobSteps(dossiers))).toBe('tie-down')
  expect(stations.indexOf('tie-down')).toBeGreaterThan(stations.indexOf('wake'))
  expect(stationOf(jobSteps(dossiers, replay(dossiers, [entryOf(choice)])))).toBe('lay-loom')
})

test('what was put into openings is on its cover, which comes back before the engine runs', () => {
  for (const machine of shippedMachines)
    for (const cover of machine.covers ?? []) {
      expect(`${cover.caution ?? ''} ${cover.how ?? ''}`, `${machine.id} ${cover.id}`).not.toMatch(/[Tt]owel/)
      if (cover.stuffed) expect(cover.run).toBe(true)
    }
})

test('with a kit made for another machine the steps are in order too, and say nothing of its own machine', () => {
  for (const machine of shippedMachines)
    for (const kit of shippedKits) {
      const steps = jobSteps({ machine, kit })
      expect(walkSteps(steps), `${kit.id} on ${machine.id}`).toEqual([])
      if (kit.fits.includes(machine.id)) continue
      for (const step of steps) if (step.marks === 'route') expect(step.text).toContain('the passages the plan shows')
    }
})

test('the bench supply a step names is the one that is computed', () => {
  const steps = jobSteps(withBench({ machine: shippedMachine('pellick-rime-790'), kit: shippedKit('wren-core-48') }))
  expect(steps.find((step) => step.id === 'bench-power')?.text).toMatch(/12\.5 to 13\.5 V, \d+ A/)
  for (const { machine, kit } of fittings)
    for (const step of jobSteps({ machine, kit })) expect(step.text).not.toMatch(/[{}]/)
})

describe('an order that is not possible is an error of the dossier', () => {
  const machine = shippedMachine('pellick-gorse-430')
  const codes = (document: unknown, parse: typeof parseMachine | typeof parseKit) => {
    const parsed = parse(document)
    return parsed.ok ? [] : parsed.problems.map((problem) => problem.code)
  }

  test('a ring of steps, one that needs the battery nobody brings back, one that waits for a later station', () => {
    const step = (id: string, more: Partial<Written<Step>>) =>
      asWritten<Step>({ id, station: 'wake', text: id, ...more })
    const withSteps = (...more: Step[]) => ({ ...machine, steps: [...machine.steps, ...more] })
    expect(codes(withSteps(step('a', { after: ['b'] }), step('b', { after: ['a'] })), parseMachine)).toContain(
      'impossible-order',
    )
    expect(codes(withSteps(step('a', { needs: { power: 'off' } })), parseMachine)).toContain('impossible-order')
    expect(codes(withSteps(step('a', { station: 'prove', needs: { unstarted: true } })), parseMachine)).toContain(
      'impossible-order',
    )
    expect(codes(withSteps(step('a', { after: ['codes-after'] })), parseMachine)).toContain('impossible-order')
    expect(codes(withSteps(step('a', { needs: { power: 'on' } })), parseMachine)).toEqual([])
  })

  test('of a kit, whatever machine it is on', () => {
    const kit = shippedKit('wren-core-34')
    const late = kit.steps.map((step) =>
      step.id === 'throttle-setup' ? { ...step, station: 'tie-down' as const } : step,
    )
    expect(codes({ ...kit, steps: late }, parseKit)).toContain('impossible-order')
  })
})

test('on random steps: what is ordered holds, and what is called impossible has no order at all', () => {
  let possible = 0
  let impossible = 0
  for (let seed = 1; seed <= 400; seed++) {
    const random = seededRandom(seed)
    const chance = (share: number) => random.uniform() < share
    const steps = Array.from({ length: 2 + (seed % 4) }, (_, i) =>
      asWritten<Step>({
        id: `s${i}`,
        station: 'set-up',
        text: 'x',
        ...(chance(0.3) ? { power: chance(0.5) ? 'on' : 'off' } : {}),
        ...(chance(0.3) ? { engine: 'runs' } : {}),
        ...(chance(0.15) ? { fuel: 'down' } : {}),
        ...(chance(0.5)
          ? {
              needs: {
                ...(chance(0.6) ? { power: chance(0.5) ? 'on' : 'off' } : {}),
                unstarted: chance(0.4),
                shutOff: chance(0.1),
              },
            }
          : {}),
        ...(chance(0.3)
          ? { after: [`s${Math.floor(random.uniform() * (2 + (seed % 4)))}`].filter((id) => id !== `s${i}`) }
          : {}),
      }),
    )
    const ordered = orderSteps(steps)
    if (ordered.ok) {
      possible++
      expect(walkSteps(ordered.value), `seed ${seed}`).toEqual([])
      expect(ordered.value).toHaveLength(steps.length)
    } else {
      impossible++
      expect(
        permutations(steps).some((order) => walkSteps(order).length === 0),
        `seed ${seed}`,
      ).toBe(false)
    }
  }
  expect(possible).toBeGreaterThan(50)
  expect(impossible).toBeGreaterThan(50)
})

function permutations(steps: readonly Step[]): Step[][] {
  if (steps.length <= 1) return [[...steps]]
  return steps.flatMap((step, i) =>
    permutations([...steps.slice(0, i), ...steps.slice(i + 1)]).map((rest) => [step, ...rest]),
  )
}

test('ticked in the order shown, nothing of it is held', () => {
  for (const { machine, kit } of fittings) {
    const dossiers = { machine, kit }
    const entries = stations.flatMap((station) =>
      stationWork(dossiers, replay(dossiers, []), station)
        .flatMap((item) => entriesOfWork(item, dossiers, replay(dossiers, [])).slice(-1))
        .map((body) => entryOf(body)),
    )
    expect(replay(dossiers, entries).held).toEqual([])
  }
})
