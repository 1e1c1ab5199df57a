import { providePlanners, replay, workedOut, type JobDossiers, type NewEntry } from '@tidy-badger/core/jobs'
import { startPlanning } from '@tidy-badger/core/planning'
import type { Erratum } from '@tidy-badger/core/wiring'
import { act, renderHook, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { asJournal } from '../../../core/src/jobs/journalCase.ts'
import { wholeJob } from '../../../core/src/jobs/wholeJobCase.ts'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { useWorkedOut, workOutBetween } from './useWorkedOut.ts'
import '../testing/patience.ts'

afterEach(startPlanning)

/** Documents that no other test has planned with. */
const newDossiers = (): JobDossiers =>
  structuredClone({ machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') })
const dossiers = newDossiers()
const written = wholeJob(dossiers, 'lay-loom')

/** The job with so many of its entries. */
function planned(id: string, entries: readonly NewEntry[], of = dossiers) {
  const read = asJournal(entries)
  return { job: { id }, dossiers: of, entries: read, state: replay(of, read) }
}
const none: readonly Erratum[] = []
const [end] = dossiers.kit.ends
const known: readonly Erratum[] = end
  ? [
      {
        id: 'x',
        machine: dossiers.machine.id,
        kit: dossiers.kit.id,
        kitEnd: end.id,
        says: 'pink',
        is: 'orange',
        by: 'Runa',
        at: '2026-06-01T08:00:00.000Z',
      },
    ]
  : []

interface Given {
  job: ReturnType<typeof planned> | null
  errata: readonly Erratum[]
}
function shown(job: Given['job']) {
  return renderHook(({ job, errata }: Given) => useWorkedOut(job, errata), { initialProps: { job, errata: none } })
}
/** From now on whoever asks for a plan is told otherwise. */
const unplanned = (told: () => never) => providePlanners({ planAccess: told, planRoutes: told })
const rest = () => act(async () => undefined)

describe('an open job', () => {
  test('is nothing while it is not here, and stands once it is worked out', async () => {
    const { result, rerender } = shown(null)
    expect(result.current).toBeNull()
    const job = planned('a', written)
    rerender({ job, errata: none })
    expect(result.current).toBeNull()
    await waitFor(() => expect(result.current).not.toBeNull())
    expect(result.current).toEqual({ planned: job, errata: none, worked: workedOut(dossiers, job.state, none) })
  })

  test('a tick is worked out at once', async () => {
    const { result, rerender } = shown(planned('a', written.slice(0, -3)))
    await waitFor(() => expect(result.current).not.toBeNull())
    const ticked = planned('a', written)
    rerender({ job: ticked, errata: none })
    expect(result.current?.planned).toBe(ticked)
    expect(result.current?.worked).toEqual(workedOut(dossiers, ticked.state, none))
    await rest()
    expect(result.current?.planned).toBe(ticked)
  })

  test('what is known of its sheets comes later, and what was shown stands meanwhile', async () => {
    const job = planned('a', written)
    const { result, rerender } = shown(job)
    await waitFor(() => expect(result.current).not.toBeNull())
    const before = result.current
    rerender({ job, errata: known })
    expect(result.current?.worked).toBe(before?.worked)
    expect(result.current?.errata).toBe(none)
    await waitFor(() => expect(result.current?.errata).toBe(known))
    expect(result.current?.worked.findings.map(({ rule }) => rule)).toContain('sheet-erratum')
    expect(before?.worked.findings.map(({ rule }) => rule)).not.toContain('sheet-erratum')
  })

  test('another job is not shown as the one before', async () => {
    const { result, rerender } = shown(planned('a', written))
    await waitFor(() => expect(result.current).not.toBeNull())
    rerender({ job: planned('b', []), errata: none })
    expect(result.current).toBeNull()
    await waitFor(() => expect(result.current?.planned.job.id).toBe('b'))
    rerender({ job: null, errata: none })
    expect(result.current).toBeNull()
  })
})

describe('between what the screen has to do', () => {
  test('nobody who has gone is worked for', async () => {
    let pieces = 0
    const fresh = newDossiers()
    const gone = () => ++pieces > 0
    const worked = await workOutBetween(fresh, replay(fresh, []), none, gone, 0)
    expect(worked).toBeNull()
    expect(pieces).toBe(1)
  })

  test('a plan that nobody has made waits for what makes plans', async () => {
    const fresh = newDossiers()
    let asked = 0
    unplanned(() => {
      asked++
      throw Promise.resolve().then(startPlanning)
    })
    const worked = await workOutBetween(fresh, replay(fresh, []), none, () => false)
    expect(asked).toBe(1)
    expect(worked).toEqual(workedOut(dossiers, replay(dossiers, []), none))
  })

  test('what cannot be worked out is an error', async () => {
    const fresh = newDossiers()
    unplanned(() => {
      throw new Error('no planner')
    })
    await expect(workOutBetween(fresh, replay(fresh, []), none, () => false)).rejects.toThrow('no planner')
  })
})
