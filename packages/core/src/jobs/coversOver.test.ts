import { ref } from '../shared/refCase.ts'
import { replay } from './jobJournal.ts'
import type { JobDossiers } from './state.ts'
import { describe, expect, test } from 'vitest'
import { coversOver } from '../access/index.ts'
import { supplyOf } from '../electrical/index.ts'
import { fittings, shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { accessOf, alsoCost } from './jobAccess.ts'
import { loomPassages } from './jobRoute.ts'

const kittiwake = shippedMachine('ostrel-kittiwake-640')

describe.each(fittings.map((fitting) => ({ ...fitting })))('$name', (dossiers) => {
  test('what lies over the way of the loom comes off, and says so', () => {
    const removals = accessOf(dossiers, replay(dossiers, []))?.removals ?? []
    const lain = loomPassages(dossiers, replay(dossiers, []))
    // A box that sits at its own plug is laid along nothing.
    expect(lain.length > 0 || supplyOf(dossiers.kit).kind === 'reference').toBe(true)
    for (const passage of dossiers.machine.passages ?? [])
      if (lain.includes(passage.id))
        for (const id of coversOver(dossiers.machine, passage)) {
          const removal = removals.find(({ cover }) => cover.id === id)
          expect(removal?.reaches).toContain(`the loom ${passage.name}`)
        }
  })
})

describe('covers over passages', () => {
  const dial = shippedKit('lowlamp-dial')

  test('a lead along the spar takes the tank off though no plug of the kit lies under it', () => {
    const onFour = { machine: kittiwake, kit: dial }
    const off = (job: JobDossiers) => accessOf(job, replay(job, []))?.removals.map(({ cover }) => cover.id)
    expect(off(onFour)).toContain('tank')
    const { passages: _, ...bare } = kittiwake
    expect(off({ machine: bare, kit: dial })).not.toContain('tank')
    const down = alsoCost(onFour, replay(onFour, []), [])
    expect(down?.covers).toEqual([])
    expect(down?.minutes).toBe(0)
  })

  test('written down for a passage, else what every way to its ends takes off; of several things at a spot all count', () => {
    const machine = kittiwake
    const passage = (id: string) => {
      const found = machine.passages?.find((item) => item.id === id)
      if (!found) throw new Error(id)
      return found
    }
    expect(coversOver(machine, passage('spar-left-low-1'))).toEqual(['tank', 'airbox-lid', 'airbox'])
    expect(coversOver(machine, passage('seat-spar-left'))).toEqual(['seat'])
    expect(coversOver(machine, { ...passage('seat-spar-left'), under: [] })).toEqual([])
    // Two ways with nothing in common take off nothing that is certain.
    const skua = shippedMachine('pellick-skua-960')
    expect(
      coversOver(skua, { id: ref('x'), name: 'x', from: ref('throttle'), to: ref('engine'), hazards: [] }),
    ).toEqual([])
    expect(coversOver(skua, { id: ref('x'), name: 'x', from: ref('tunnel'), to: ref('tail'), hazards: [] })).toEqual([
      'seats',
      'tunnel',
    ])
  })
})
