import { describe, expect, test } from 'vitest'
import { joinKits, type Machine } from '../dossiers/index.ts'
import { asJournal, entryOf } from './journalCase.ts'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { plannedLooms, replay } from './index.ts'

const kits = [shippedKit('quernby-p4-eight'), shippedKit('quernby-learner')]
const four = shippedMachine('ostrel-kittiwake-640')
/** The machine with so much room in every passage. */
const withRoom = (freeMm2: number): Machine => ({
  ...four,
  passages: (four.passages ?? []).map((passage) => ({ ...passage, freeMm2 })),
})
const bundlesOf = (machine: Machine) =>
  plannedLooms({ machine, kit: joinKits(kits) }, replay({ machine, kit: joinKits(kits) }, [])).map(
    ({ loom }) => loom?.bundles ?? [],
  )

describe('what lies in a passage narrows it for the next loom', () => {
  test('the room a loom finds is what the one before it left', () => {
    const [first = [], second = []] = bundlesOf(withRoom(500))
    const both = second.filter(({ passage }) => first.some((bundle) => bundle.passage === passage))
    expect(both.length).toBeGreaterThan(0)
    for (const { passage, freeMm2 } of both) {
      const before = first.find((bundle) => bundle.passage === passage)
      expect(Number(freeMm2), passage).toBeLessThan(500)
      // As laid along its whole length; at its thickest it is no thicker than what was taken off.
      expect(Number(freeMm2), passage).toBeLessThanOrEqual(500 - Number(before?.areaMm2) + 0.1)
    }
    for (const { freeMm2 } of first) expect(freeMm2).toBe(500)
  })

  test('where there is room for one and not for both, the second goes another way, or it is said of it', () => {
    const [first = [], second = []] = bundlesOf(withRoom(500))
    const shared = second.find(({ passage }) => first.some((bundle) => bundle.passage === passage))
    const before = first.find(({ passage }) => passage === shared?.passage)
    if (!shared || !before) throw new Error('no passage in common')
    const tight = withRoom(500)
    for (const passage of tight.passages ?? [])
      if (passage.id === shared.passage) passage.freeMm2 = Math.ceil(500 - Number(shared.freeMm2))
    const [, narrow = []] = bundlesOf(tight)
    expect(narrow.find(({ passage }) => passage === shared.passage)?.over ?? true).toBe(true)
    for (const { over, areaMm2, freeMm2 } of narrow) expect(over).toBe(areaMm2 > Number(freeMm2))
  })

  test('a machine that says nothing about room stays what it is', () => {
    const looms = plannedLooms(
      { machine: four, kit: joinKits(kits) },
      replay({ machine: four, kit: joinKits(kits) }, []),
    )
    for (const { dossiers } of looms) expect(dossiers.machine).toBe(four)
  })

  test('a kit that was there before takes what it was laid in, not what a plan would take', () => {
    const machine = withRoom(500)
    const dossiers = { machine, kit: joinKits(kits.slice(1), kits.slice(0, 1)) }
    const [own] = plannedLooms(dossiers, replay(dossiers, [])).slice(-1)
    const used = own?.loom?.bundles[0]?.passage
    if (!used) throw new Error('no loom')
    const opened = entryOf({
      kind: 'opened',
      purpose: 'fit',
      ...{ cameFrom: [], mounts: [], connections: [], settings: [] },
      routes: kits[0]?.ends.map(({ id }) => ({ part: `quernby-p4-eight:${id}` as typeof id, passages: [] })) ?? [],
    })
    const after = plannedLooms(dossiers, replay(dossiers, asJournal([opened])))
    const free = (looms: ReturnType<typeof plannedLooms>) =>
      looms.at(-1)?.loom?.bundles.find(({ passage }) => passage === used)?.freeMm2
    expect(Number(free(after))).toBeGreaterThanOrEqual(Number(free(plannedLooms(dossiers, replay(dossiers, [])))))
  })
})
