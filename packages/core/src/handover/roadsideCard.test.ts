import { describe, expect, test } from 'vitest'
import { membersOf } from '../dossiers/index.ts'
import { replay, type JobDossiers } from '../jobs/index.ts'
import { wholeJob } from '../jobs/wholeJobCase.ts'
import { fittings, shippedKit, shippedMachine, togetherFittings } from '../wiring/shippedCase.ts'
import { roadsideCard } from './roadsideCard.ts'

const cardOf = (dossiers: JobDossiers) =>
  roadsideCard(dossiers, { title: 'Hut 7' }, replay(dossiers, wholeJob(dossiers, 'hook-up')))

describe('the roadside card', () => {
  test('of a pulse piggyback: the engine stops without it, and every interrupted plug is mated', () => {
    const [kit] = cardOf({ machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }).kits
    expect(kit?.without).toContain('misses or stops')
    expect(kit?.home).toHaveLength(2)
    expect(kit?.home.join(' ')).toContain('injector plug back onto the injector')
  })
  test('of a controller in the place of the control unit: that goes back', () => {
    const [kit] = cardOf({ machine: shippedMachine('ostrel-pika-449'), kit: shippedKit('wren-core-34') }).kits
    expect(kit?.without).toContain('does not run')
    expect(kit?.home.join(' ')).toContain('off the module')
  })
  test('of what only listens: nothing has to be mated', () => {
    const [kit] = cardOf({ machine: shippedMachine('pellick-skua-960'), kit: shippedKit('lowlamp-dial') }).kits
    expect(kit).toMatchObject({ home: [], without: expect.stringContaining('only listens') as string })
  })
  test('of a cut signal: both halves of the wire are joined', () => {
    const [kit] = cardOf({ machine: shippedMachine('corvane-marlow-29'), kit: shippedKit('thistle-a2') }).kits
    expect(kit?.home.some((line) => line.includes('join both halves'))).toBe(true)
  })
  test('names every kit of a job that stays in it, and every interrupted pair of every shipped fitting once', () => {
    for (const { machine, kit } of [...fittings.filter(({ name }) => !name.includes(',')), ...togetherFittings]) {
      const card = cardOf({ machine, kit })
      const lines = card.kits.flatMap(({ home }) => home)
      expect(new Set(lines).size, kit.id).toBe(lines.length)
      // What has no loom went home with the fitter.
      expect(card.kits.length).toBe(membersOf(kit).filter((member) => member.kit.ends.length > 0).length)
    }
  })
})
