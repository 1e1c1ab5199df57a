import { describe, expect, test } from 'vitest'
import { isJoined, joinKits, memberOf, stations, type Purpose } from '../dossiers/index.ts'
import { beginsWith, vehicleOf, type VehicleJob } from '../vehicles/index.ts'
import { seededRandom } from '../shared/index.ts'
import { fittings, shippedKit, shippedMachine, togetherFittings } from '../wiring/shippedCase.ts'
import { touchedNets, traceSignal } from '../wiring/index.ts'
import { builtConnections } from './jobMeter.ts'
import { jobFindings } from './jobFindings.ts'
import { planAppend, replay } from './jobJournal.ts'
import type { EntryBody, NewEntry } from './model.ts'
import type { JobDossiers } from './state.ts'
import { isStationDone, stationProgress } from './stationProgress.ts'
import { wholeJob, wholeJobOf } from './wholeJobCase.ts'

const day = 24 * 3_600_000

/** A job on file, as the yard would have it. */
function onFile(id: string, dossiers: JobDossiers, entries: readonly NewEntry[], nth = 0): VehicleJob {
  const state = replay(dossiers, entries)
  return {
    ...{ id, title: id, dossiers, state },
    finished: isStationDone(dossiers, state, 'hand-back'),
    openedAt: new Date(Date.UTC(2026, 4, 1) + nth * day).toISOString(),
    changedAt: entries.length > 0 ? new Date(Date.UTC(2026, 4, 1) + nth * day + day / 2).toISOString() : null,
  }
}

/** A job that takes over all that is in a machine, from its first entry to its last. */
function takenOver(dossiers: JobDossiers, before: readonly VehicleJob[], purpose: Purpose): NewEntry[] {
  const { fitted } = vehicleOf(before)
  const begun: EntryBody = { kind: 'opened', purpose, ...(beginsWith(before, fitted) as object) } as EntryBody
  const first: NewEntry = { id: 'begun', by: 'Ilse', at: '2026-05-31T07:00:00.000Z', ...begun }
  return [first, ...wholeJobOf(dossiers, [first])]
}

/** The kits of a fitting again, as those that come off: what was dropped or never joined is not among them. */
function kitsFitted(dossiers: JobDossiers, before: readonly VehicleJob[]): JobDossiers | null {
  const { fitted } = vehicleOf(before)
  const kits = fitted.map(({ as }) =>
    isJoined(dossiers.kit) ? memberOf(dossiers.kit, `${as}:x`)?.member.kit : dossiers.kit,
  )
  const known = kits.flatMap((kit) => (kit ? [kit] : []))
  return known.length === 0 ? null : { machine: dossiers.machine, kit: joinKits(known) }
}

/** Every circuit of the machine reads as its dossier has it, and nothing is open. */
function expectStock(dossiers: JobDossiers, before: readonly VehicleJob[]): void {
  const stock = kitsFitted(dossiers, before)
  if (!stock) return
  const entries = takenOver(stock, before, 'stock')
  const planned = planAppend(stock, [], entries)
  expect(planned.kind === 'append' ? [] : planned.problems, stock.kit.id).toEqual([])
  const state = replay(stock, entries)
  expect(state.held).toEqual([])
  expect(jobFindings(stock, state).filter(({ severity }) => severity !== 'note')).toEqual([])
  expect(stationProgress(stock, state).filter(({ done }) => !done)).toEqual([])
  const now = vehicleOf([...before, onFile('stock', stock, entries, 100)])
  expect(now.fitted).toEqual([])
  expect(now.connections).toEqual([])
  expect(now.punctures.filter(({ sealed }) => !sealed)).toEqual([])
  expect(now.cuts.filter(({ joined }) => !joined)).toEqual([])
  expect(now.cameOff).toHaveLength(vehicleOf(before).fitted.length)
  const { machine, kit } = stock
  const made = builtConnections(state).filter(({ to }) => 'connector' in to || 'stud' in to)
  for (const net of touchedNets(machine, kit, state.began))
    expect(traceSignal(machine, kit, made, net)).toEqual(traceSignal(machine, kit, [], net))
}

describe('back to stock', () => {
  test.each([...fittings.filter(({ name }) => !name.includes(',')), ...togetherFittings])(
    'everything that $name put in comes off, wires whole and sealed, every circuit as the dossier has it',
    ({ machine, kit }) => {
      const dossiers = { machine, kit }
      expectStock(dossiers, [onFile('fit', dossiers, wholeJob(dossiers))])
    },
  )

  test('a hundred half-finished fittings, cut short anywhere at hook-up', () => {
    const random = seededRandom(7)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random.uniform() * list.length)]
    const all = [...fittings, ...togetherFittings]
    let taken = 0
    for (let round = 0; round < 100; round++) {
      const { machine, kit } = pick(all)
      const dossiers = { machine, kit }
      const whole = wholeJob(dossiers, 'hook-up')
      const start = whole.findIndex(({ kind }) => kind === 'connected')
      const entries = whole.slice(0, start + 1 + Math.floor(random.uniform() * (whole.length - start - 1)))
      const before = [onFile('fit', dossiers, entries)]
      if (kitsFitted(dossiers, before)) taken++
      expectStock(dossiers, before)
    }
    expect(taken).toBeGreaterThan(80)
  })

  test('while something is joined, cut or pierced the machine is not handed back', () => {
    const dossiers = { machine: shippedMachine('corvane-marlow-29'), kit: shippedKit('thistle-a2') }
    const before = [onFile('fit', dossiers, wholeJob(dossiers))]
    const entries = takenOver(dossiers, before, 'stock')
    for (const kind of ['disconnected', 'cut-joined'] as const) {
      const missing = entries.findLast((entry) => entry.kind === kind)
      const rest = entries.filter((entry) => entry !== missing)
      const state = replay(dossiers, rest)
      expect(jobFindings(dossiers, state).some(({ rule }) => rule.startsWith('stock-'))).toBe(true)
      expect(isStationDone(dossiers, state, 'hand-back')).toBe(false)
    }
    const unsealed = entries.filter(({ kind }) => kind !== 'puncture-sealed')
    const found = jobFindings(dossiers, replay(dossiers, unsealed)).filter(({ rule }) => rule === 'stock-puncture')
    expect(found.length).toBeGreaterThan(0)
    expect(
      vehicleOf([...before, onFile('stock', dossiers, unsealed, 90)])
        .open.map(({ what }) => what)
        .join(' '),
    ).toContain('Puncture not sealed')
  })

  test('a wire is not sealed while something is joined there, nor a cavity without one', () => {
    const dossiers = { machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }
    const entries = wholeJob(dossiers, 'hook-up')
    const made = replay(dossiers, entries).connections.find(({ to }) => 'cavity' in to)
    if (!made || !('cavity' in made.to)) throw new Error('nothing is tapped')
    const { connector, cavity } = made.to
    const seal = (at: number): NewEntry[] => [
      ...entries,
      { id: 'x', kind: 'puncture-sealed', connector, cavity: at, how: 'taped' },
    ]
    expect(replay(dossiers, seal(cavity)).sealed).toEqual([])
    expect(replay(dossiers, seal(cavity)).held.map(({ why }) => why)).toEqual([expect.stringContaining('take it off')])
    expect(planAppend(dossiers, [], seal(99)).kind).toBe('unknown')
  })
})

describe('a machine on file', () => {
  const dossiers = { machine: shippedMachine('pellick-skua-960'), kit: shippedKit('quernby-learner') }
  const fit = onFile('fit', dossiers, wholeJob(dossiers))

  test('what is in it is what its jobs left there, each by the job that fitted it', () => {
    const now = vehicleOf([fit])
    expect(now.fitted).toEqual([
      expect.objectContaining({ kit: 'quernby-learner', jobId: 'fit', place: expect.any(String) as string }),
    ])
    expect(now.connections).toHaveLength(fit.state.connections.length)
    expect(now.open.map(({ what }) => what)).toEqual([expect.stringContaining('ten hours')])
  })

  test('a look, and tuning anew, take over all of it, change nothing of it, and the look is no longer due', () => {
    for (const purpose of ['retune', 'look'] as const) {
      const entries = takenOver(dossiers, [fit], purpose)
      expect(planAppend(dossiers, [], entries)).toMatchObject({ kind: 'append' })
      const job = onFile(purpose, dossiers, entries, 30)
      expect(job.finished).toBe(true)
      expect(jobFindings(dossiers, replay(dossiers, entries)).filter(({ severity }) => severity === 'stop')).toEqual([])
      const [before, after] = [vehicleOf([fit]), vehicleOf([fit, job])]
      expect(after.fitted).toEqual(before.fitted)
      expect(after.connections).toEqual(before.connections)
      expect(after.open.length).toBe(purpose === 'look' ? 0 : 1)
    }
  })

  test('a second job beside an unfinished one, and what it left open', () => {
    const dial = { machine: dossiers.machine, kit: shippedKit('lowlamp-dial') }
    const second = onFile('dial', dial, wholeJob(dial, stations[stations.indexOf('hook-up')]), 40)
    const now = vehicleOf([fit, second])
    expect(now.fitted.map(({ kit }) => kit)).toEqual(['quernby-learner', 'lowlamp-dial'])
    expect(now.open.map(({ what }) => what)).toContain('Job not finished: dial')
  })
})
