import { proofPage } from '@tidy-badger/core/handover'
import { replay, type EntryBody, type JournalEntry } from '@tidy-badger/core/jobs'
import { laddersByUse, usualLimits } from '@tidy-badger/core/levels'
import { expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { demoJobs } from './demoList.ts'
import { demoLadders, demoPulls } from './demoProof.ts'

function shown(id: string) {
  const demo = demoJobs.find((one) => one.id === id)
  if (!demo?.proof || typeof demo.kit !== 'string') throw new Error(`no proof of ${id}`)
  const dossiers = { machine: shippedMachine(demo.machine ?? ''), kit: shippedKit(demo.kit) }
  const bodies: EntryBody[] = [
    ...demoPulls(dossiers, demo.proof, 'before'),
    ...demoLadders(dossiers, demo.proof),
    ...demoPulls(dossiers, demo.proof, 'after'),
  ]
  const at = '2026-06-01T08:00:00.000Z'
  const entries = bodies.map((body, i): JournalEntry => ({
    id: `e-${i}`,
    at,
    by: 'Runa',
    device: 'd',
    ...body,
    seq: i + 1,
    receivedAt: at,
    v: 1,
  }))
  const state = replay(dossiers, entries)
  const levels = dossiers.kit.levels?.length ?? 0
  return {
    page: proofPage(dossiers, { title: demo.title }, state),
    ladders: laddersByUse(levels, usualLimits(dossiers.machine), state.levelRuns[''] ?? []),
  }
}

test('the harvester’s claim is met, by its brake', () => {
  const { page, ladders } = shown('demo-cutter')
  expect(page.comparison?.claim).toBe('met')
  expect(page.pulls.filter(({ counts }) => counts)).toHaveLength(8)
  expect(ladders).toMatchObject([{ use: 'unladen', highestAllowed: 3, because: [] }])
})
test('the tow truck’s ladder ends lower with a trailer than without', () => {
  const { page, ladders } = shown('demo-hut-tow')
  expect(page.comparison?.shown).toBe(true)
  const [unladen, towing] = ladders
  expect(towing?.use).toBe('towing')
  expect(unladen?.highestAllowed ?? -1).toBeGreaterThan(towing?.highestAllowed ?? -1)
})
test('what is claimed of the V8’s engine is not shown at its wheels', () => {
  const { page } = shown('demo-pass-haul')
  expect(page.comparison?.claim).toBe('not shown')
  expect(page.notes.join(' ')).toMatch(/without a loss that was measured/)
})
