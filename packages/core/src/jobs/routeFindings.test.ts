import { asWritten } from '../shared/index.ts'
import { ref } from '../shared/refCase.ts'
import { handbackSheet } from '../handover/index.ts'
import { mountPlaceOf } from './mountPlace.ts'
import { groundCard, supplyFindings } from './supplyFindings.ts'
import type { JobDossiers, JobState } from './state.ts'
import { openStops } from '../findings/index.ts'
import { checkReferences, planAppend, replay } from './jobJournal.ts'
import { describe, expect, test } from 'vitest'
import type { Kit, Machine } from '../dossiers/index.ts'
import { fittings, shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { asJournal, entryOf, gorseJob } from './journalCase.ts'
import { jobFindings } from './jobFindings.ts'
import { feedsOf } from './jobFeeds.ts'
import { loomPassages, plannedLoom, plannedPassages } from './jobRoute.ts'
import { consumables } from './materials.ts'
import type { EntryBody, NewEntry } from './model.ts'
import { lockCard, routeFindings } from './routeFindings.ts'
import { entriesOfWork, stationWork } from './workItems.ts'

const stateOf = (dossiers: JobDossiers, ...bodies: EntryBody[]) =>
  replay(
    dossiers,
    bodies.map((body) => entryOf(body)),
  )
const found = (dossiers: JobDossiers, state: JobState) => [
  ...routeFindings(dossiers, state),
  ...supplyFindings(dossiers, state),
]
const rulesOf = (dossiers: JobDossiers, ...bodies: EntryBody[]) =>
  found(dossiers, stateOf(dossiers, ...bodies)).map((finding) => finding.rule)
const calder: JobDossiers = { machine: shippedMachine('tarnbrook-calder-1130'), kit: shippedKit('quernby-learner') }
const place = (value: string): EntryBody => ({ kind: 'mount-place-chosen', value: ref(value), replaces: null })
const lampItself: EntryBody = { kind: 'feeding-practice-chosen', value: 'lamp circuit directly', replaces: null }
const routed = (part: string, ...passages: string[]): EntryBody =>
  asWritten<EntryBody>({ kind: 'routed', part, passages, replaces: null })
const withKit = (dossiers: JobDossiers, change: (kit: Kit) => void): JobDossiers => {
  const kit = structuredClone(dossiers.kit)
  change(kit)
  return { ...dossiers, kit }
}
const withMachine = (dossiers: JobDossiers, change: (machine: Machine) => void): JobDossiers => {
  const machine = structuredClone(dossiers.machine)
  change(machine)
  return { ...dossiers, machine }
}
const branchOf = (kit: Kit, id: string) => {
  const end = kit.ends.find((item) => item.id === id)
  if (!end) throw new Error(`no end ${id}`)
  return end
}

describe.each(fittings.map((fitting) => ({ ...fitting })))('$name', (dossiers) => {
  test('from the best place everything reaches, and nothing is wrong', () => {
    const fresh = replay(dossiers, [])
    expect(found(dossiers, fresh)).toEqual([])
    expect(plannedLoom(dossiers, fresh)?.branches.every((branch) => branch.reach === 'reaches')).toBe(true)
  })

  test('laid, mounted and tied by the ticks of its steps, nothing is wrong either', () => {
    const entries: NewEntry[] = []
    for (const station of ['lay-loom', 'tie-down'] as const)
      for (const item of stationWork(dossiers, replay(dossiers, entries), station))
        entries.push(...entriesOfWork(item, dossiers, replay(dossiers, entries)).map((body) => entryOf(body)))
    const state = replay(dossiers, entries)
    expect(state.held).toEqual([])
    expect(found(dossiers, state)).toEqual([])
    expect(state.mounted).toMatchObject({ trial: false })
    const loom = plannedLoom(dossiers, state)
    expect(Object.keys(state.routes).sort()).toEqual(
      (loom ? plannedPassages(loom) : []).map((item) => item.part).sort(),
    )
    for (const passage of loomPassages(dossiers, state)) expect(state.ties).toHaveProperty(passage)
  })
})

describe('what the plan leaves open', () => {
  test('a lead that does not reach says by how much and how long the extension is', () => {
    const short = withKit(gorseJob, (kit) => (branchOf(kit, 'coil').branchM = 0.2))
    const there = stateOf(short, place('rack-plate'))
    const finding = found(short, there).find((item) => item.rule === 'lead-short')
    expect(finding).toMatchObject({ rule: 'lead-short', severity: 'fix', at: { kitEnd: 'coil' } })
    expect(finding?.reason).toMatch(/^Coil pair is \d+ mm short from under the rear rack\.$/)
    expect(finding?.remedy).toMatch(/^Extend it by 0\.\d\d m/)
    expect(consumables(short, there).some((item) => item.name.startsWith('Wire for coil pair'))).toBe(true)
  })

  test('a wideband lead that does not reach stops the job and is never extended', () => {
    const short = withKit(calder, (kit) => {
      for (const end of kit.ends) if (end.type === 'plug' && end.far === 'sensor') end.branchM = 0.3
    })
    const state = replay(short, [])
    const finding = found(short, state).find((item) => item.rule === 'lead-never')
    expect(finding?.severity).toBe('stop')
    expect(finding?.remedy).toContain('never an extension')
    expect(plannedLoom(short, state)?.extensions).toBe(0)
    expect(openStops(jobFindings(short, state)).map((stop) => stop.rule)).toContain('lead-never')
  })

  test('a place that is too small, and one nothing leads to', () => {
    expect(rulesOf(gorseJob, place('bar-mount'))).toContain('place-unfit')
    const cut = withMachine(gorseJob, (machine) => {
      machine.passages = machine.passages?.filter((passage) => passage.from !== 'rack' && passage.to !== 'rack')
    })
    expect(rulesOf(cut, place('rack-plate'))).toContain('place-unfit')
    // Left to itself the plan takes a place that something leads to.
    expect(rulesOf(cut)).not.toContain('place-unfit')
  })

  test('a passage with too little room', () => {
    const shut = withMachine(gorseJob, (machine) => {
      for (const passage of machine.passages ?? []) if (passage.id === 'spine-body-left') passage.freeMm2 = 14
    })
    expect(rulesOf(shut)).toContain('bundle-over')
  })

  test('a thin long feed loses too much', () => {
    const thin = withKit(calder, (kit) => {
      const feed = branchOf(kit, 'relay-feed')
      if (feed.type === 'ring') Object.assign(feed, { areaMm2: 0.35, branchM: 8 })
    })
    expect(rulesOf(thin)).toContain('feed-drop')
  })
})

describe('as built', () => {
  test('laid along the exhaust instead of round it', () => {
    const findings = found(gorseJob, stateOf(gorseJob, routed('coil', 'spine-coil-rail', 'coil-rail-frame-left')))
    const hot = findings.filter((finding) => finding.rule === 'route-hot')
    expect(hot.length).toBeGreaterThan(0)
    expect(hot[0].at).toMatchObject({ kitEnd: 'coil', passage: 'coil-rail-frame-left' })
    expect(hot[0].remedy).toContain('sleeve')
  })

  test('under the bar the seat presses on', () => {
    expect(rulesOf(gorseJob, routed('trunk', 'rack-under-seat', 'under-seat-airbox', 'airbox-spine'))).toEqual([
      'route-hazard',
    ])
  })

  test('another harmless way is a note', () => {
    const skua: JobDossiers = { machine: shippedMachine('pellick-skua-960'), kit: shippedKit('quernby-learner') }
    const planned = plannedLoom(skua, replay(skua, []))?.branches.find((branch) => branch.end.id === 'relay-feed')
    const passages = planned?.stretches.map((stretch) => stretch.passage) ?? []
    expect(rulesOf(skua, routed('relay-feed', ...passages, 'battery-top-seat'))).toContain('route-differs')
  })

  test('behind the airbag it is a stop', () => {
    const truck: JobDossiers = { machine: shippedMachine('hallam-voss-packhorse-62'), kit: shippedKit('wren-selector') }
    const state = stateOf(truck, routed('ground', 'column-cab'))
    const barred = jobFindings(truck, state).find((finding) => finding.rule === 'route-barred')
    expect(barred).toMatchObject({ severity: 'stop', liftable: true })
  })

  test('a way that does not hang together', () => {
    expect(rulesOf(gorseJob, routed('coil', 'rear-rack-rack'))).toContain('route-gap')
  })

  test('40 mm short at full lock, as measured; mended, it is gone', () => {
    const lock = (value: number): EntryBody => ({
      kind: 'reading',
      quantity: 'to spare at the right lock',
      value,
      unit: 'mm',
      card: lockCard(ref('dial'), 'right'),
    })
    const [finding] = found(calder, stateOf(calder, lock(-40)))
    expect(finding).toMatchObject({ rule: 'short-at-lock', severity: 'stop', at: { kitEnd: 'dial' } })
    expect(finding.reason).toBe('Dial plug is 40 mm short at the right lock.')
    expect(rulesOf(calder, lock(-40), lock(15))).toEqual([])
  })

  test('tied here and not there', () => {
    const passages = loomPassages(gorseJob, replay(gorseJob, []))
    expect(rulesOf(gorseJob, { kind: 'tied', passage: passages[0] })).toEqual(
      passages.slice(1).map(() => 'loom-untied'),
    )
  })
})

describe('feed and ground', () => {
  const dial: JobDossiers = { machine: gorseJob.machine, kit: shippedKit('lowlamp-dial') }
  const reading = (card: string, value: number): EntryBody => ({
    kind: 'reading',
    quantity: 'x',
    value,
    unit: 'V',
    card,
  })

  test('a feed that stays live after the key is a stop, one that nobody uses is not', () => {
    expect(rulesOf(dial, reading('feed.lamps.dead', 12.4))).toEqual(['feed-test'])
    expect(rulesOf(dial, reading('feed.lamps.dead', 12.4), reading('feed.lamps.dead', 0))).toEqual([])
    expect(rulesOf(dial, reading('feed.high-beam.dead', 12.4))).toEqual([])
  })

  test('a bad ground names the second place to try', () => {
    const [finding] = found(dial, stateOf(dial, reading(groundCard(ref('ground')), 240)))
    expect(finding.rule).toBe('ground-drop')
    expect(finding.remedy).toContain('frame ground cluster')
    expect(rulesOf(dial, reading(groundCard(ref('ground')), 60))).toEqual([])
  })

  test('the school changes the plan and its materials', () => {
    const relay = feedsOf(dial, replay(dial, []))[0]
    const lamp = feedsOf(dial, stateOf(dial, lampItself))[0]
    expect([relay.kind, lamp.kind]).toEqual(['relay', 'lamp tap'])
    const names = (state: ReturnType<typeof replay>) => consumables(dial, state).map((item) => item.name)
    expect(names(replay(dial, []))).toContain('Relay with diode')
    expect(names(stateOf(dial, lampItself))).not.toContain('Relay with diode')
  })
})

describe('the journal', () => {
  test('two people who say where a branch lies: the later is told what it replaces', () => {
    const first = entryOf(routed('coil', 'spine-coil-rail'))
    const journal = asJournal([first])
    const late = planAppend(gorseJob, journal, [entryOf(routed('coil', 'airbox-frame-left'))])
    expect(late).toMatchObject({ kind: 'conflict', problems: [{ code: 'stale-base' }] })
    const knowing = planAppend(gorseJob, journal, [
      entryOf({
        kind: 'routed',
        part: ref('coil'),
        passages: [ref('airbox-frame-left')],
        replaces: [ref('spine-coil-rail')],
      }),
    ])
    expect(knowing.kind).toBe('append')
  })

  test.each([
    [routed('coil', 'nowhere'), 'passages.0', 'is no passage of the Gorse 430'],
    [routed('wing'), 'part', 'is no end of the P1 loom'],
    [{ kind: 'tied', passage: 'nowhere' }, 'passage', 'is no passage'],
    [{ kind: 'mounted', place: 'pipe-boss', trial: true }, 'place', 'is no place for a module'],
    [
      { kind: 'far-place-chosen', use: 'sensor', value: 'rack-plate', replaces: null },
      'value',
      'is no place for a sensor',
    ],
  ] as [EntryBody, string, string][])('%j is refused with its path', (body, path, says) => {
    const [problem] = checkReferences(gorseJob, entryOf(body), 'entries.0')
    expect(problem.path).toBe(`entries.0.${path}`)
    expect(problem.message).toContain(says)
  })
})

describe('where the module sits is one truth', () => {
  const held = (place: string, trial = true): EntryBody => ({ kind: 'mounted', place: ref(place), trial })
  const choose = (value: string | null, replaces: string | null = null): EntryBody =>
    asWritten<EntryBody>({ kind: 'mount-place-chosen', value, replaces })
  const sits = (...bodies: EntryBody[]) => {
    const state = stateOf(gorseJob, ...bodies)
    return { plan: mountPlaceOf(gorseJob, state)?.id, loom: plannedLoom(gorseJob, state)?.place.id, state }
  }
  const moved = (...bodies: EntryBody[]) => rulesOf(gorseJob, ...bodies).includes('module-elsewhere')

  test('held somewhere else than planned, plan, loom and findings go by where it is', () => {
    const planned = sits().plan
    const other = planned === 'seat-box' ? 'rack-plate' : 'seat-box'
    expect(sits(held(other))).toMatchObject({ plan: other, loom: other })
    expect(sits(held(other), held(other, false)).plan).toBe(other)
    expect(moved(held(other))).toBe(false)
  })

  test('another place chosen after that is where it is to go, and it is a finding until it is there', () => {
    expect(sits(held('rack-plate'), choose('seat-box'))).toMatchObject({ plan: 'seat-box', loom: 'seat-box' })
    expect(moved(held('rack-plate'), choose('seat-box'))).toBe(true)
    expect(moved(held('rack-plate'), choose('seat-box'), held('seat-box'))).toBe(false)
    expect(moved(choose('seat-box'), held('rack-plate'))).toBe(false)
  })

  test('the hand-back says the same place', () => {
    const { state } = sits(held('rack-plate'), held('rack-plate', false))
    const name = gorseJob.machine.places?.find(({ id }) => id === 'rack-plate')?.name ?? 'none'
    expect(
      JSON.stringify(handbackSheet(gorseJob, { title: 'Quad', createdAt: '2026-06-01T08:00:00.000Z' }, state)),
    ).toContain(name)
  })
})
