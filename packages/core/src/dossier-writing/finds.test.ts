import { describe, expect, test } from 'vitest'
import { readFolder, writeFolder } from '../dossier-files/index.ts'
import { composeVariant, parseDossier, type CoverId, type Machine, type VariantId } from '../dossiers/index.ts'
import { findFields, findLists, type Find } from '../finds/index.ts'
import { shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import {
  backOf,
  findForm,
  findTexts,
  stands,
  withFind,
  withKnown,
  withMet,
  withRestKnown,
  withoutGone,
} from './index.ts'

const gorse = shippedMachine('pellick-gorse-430')
const [cover] = gorse.covers ?? []
const mark = { who: 'Rieke', on: '2026-05-12' }
const find = (more: Partial<Find> = {}): Find => ({
  ...{ of: 'covers', thing: cover.id, field: 'fasteners', was: '', is: '5 bolts M8x20 hex 13' },
  ...more,
})

describe('what is found otherwise', () => {
  test('has a field in the table of its list for each that may be found', () => {
    for (const of of findLists)
      expect(findForm(of).map(({ name }) => name)).toEqual(expect.arrayContaining(Object.keys(findFields[of])))
  })

  test('reads as the dossier has it, whatever list it is of', () => {
    let seen = 0
    for (const one of shippedMachines.filter((_, i) => i % 4 === 0))
      for (const of of findLists) {
        const [thing] = one[of] ?? []
        for (const [field, is] of Object.entries(findTexts(one, of, thing.id) ?? {})) {
          if (is === '') continue
          const made = withFind(one, null, { of, thing: thing.id, field, was: '', is })
          expect(made.ok && { ...made.value, known: one.known }, `${one.id} ${of} ${field}`).toEqual({
            ...one,
            known: one.known,
          })
          seen++
        }
      }
    expect(seen).toBeGreaterThan(80)
  })

  test('goes into the machine, measured, and comes back out', () => {
    const made = withFind(gorse, null, find(), mark)
    if (!made.ok) throw new Error(made.problems[0].message)
    expect(made.value.covers?.[0].fasteners).toMatchObject([{ count: 5 }])
    expect(made.value.known).toEqual([{ of: 'covers', id: cover.id, how: 'measured', ...mark }])
    expect(stands(made.value, null, find())).toBe(true)
    const was = findTexts(gorse, 'covers', cover.id)?.['fasteners'] ?? ''
    const back = withFind(made.value, null, backOf(find({ was })), mark)
    expect(back.ok && back.value.covers).toEqual(gorse.covers)
    expect(stands(gorse, null, find())).toBe(false)
  })

  test('that does not read, or is of nothing, is said and changes nothing', () => {
    expect(withFind(gorse, null, find({ is: 'some of them' }))).toMatchObject({
      ok: false,
      problems: [{ path: 'is' }],
    })
    expect(withFind(gorse, null, find({ thing: 'nothing' }))).toMatchObject({ problems: [{ path: 'thing' }] })
    expect(withFind(gorse, null, find({ field: 'after' }))).toMatchObject({ problems: [{ path: 'field' }] })
  })

  test('on a variant stays with that variant', () => {
    const one = shippedMachines.find(({ variants }) => variants.some(({ covers = [] }) => covers.length > 0))
    const variant = one?.variants.find(({ covers = [] }) => covers.length > 0)
    const own = variant?.covers?.[0]
    if (!one || !variant || !own) throw new Error('no variant has a cover of its own')
    const made = withFind(one, variant.id, find({ thing: own.id }), mark)
    if (!made.ok) throw new Error(made.problems[0].message)
    expect(made.value.covers).toEqual(one.covers)
    const composed = composeVariant(made.value, variant.id)
    expect(composed.ok && composed.value.covers?.find(({ id }) => id === own.id)?.fasteners).toMatchObject([
      { count: 5 },
    ])
    expect(withFind(one, 'none' as VariantId, find({ thing: cover.id })).ok).toBe(
      one.covers?.some(({ id }) => id === cover.id),
    )
  })
})

describe('how things are known', () => {
  const [net] = gorse.nets
  const guessed = withKnown(gorse, 'nets', net.id, 'guess', mark)

  test('comes back from the folder, and is no part of machines that say nothing', () => {
    const whole = withRestKnown(
      withKnown(guessed, 'covers', cover.id, 'sheet', { says: 'page 4' }),
      'wires',
      'measured',
    )
    expect(parseDossier(whole)).toMatchObject({ ok: true })
    expect(readFolder(writeFolder(whole))).toEqual({ ok: true, value: whole })
    expect(writeFolder(gorse).has('known.csv')).toBe(false)
    expect(withKnown(guessed, 'nets', net.id, null)).toEqual(gorse)
  })

  test('of what is not there, or twice, is refused; what goes takes it along', () => {
    const [first] = guessed.known ?? []
    for (const known of [[first, first], [{ ...first, id: 'nothing' }], [{ ...first, of: 'ends' as const }]])
      expect(parseDossier({ ...gorse, known })).toMatchObject({ ok: false })
    const bare: Machine = { ...withKnown(gorse, 'covers', cover.id, 'guess'), covers: [] }
    expect('known' in withoutGone(bare)).toBe(false)
    expect(withoutGone(guessed)).toBe(guessed)
  })

  test('a guess met by a reading is measured or wrong; what was measured stays', () => {
    const met = (good: boolean) => ({ of: 'nets' as const, id: net.id, good, says: 'key on: 4.2 V' })
    expect(withMet(guessed, null, [met(true)], mark).known).toMatchObject([{ how: 'measured', says: 'key on: 4.2 V' }])
    const wrong = withMet(guessed, null, [met(false)], mark)
    expect(wrong.known).toMatchObject([{ how: 'wrong' }])
    expect(withMet(wrong, null, [met(true)], mark).known).toMatchObject([{ how: 'measured' }])
    const sure = withKnown(gorse, 'nets', net.id, 'measured')
    expect(withMet(sure, null, [met(false)], mark)).toBe(sure)
    expect(withMet(gorse, null, [{ ...met(true), id: 'nothing' }], mark)).toBe(gorse)
  })

  test('a cover that nobody has, is not made known by its id alone', () => {
    expect(withoutGone(withKnown(gorse, 'covers', 'gone' as CoverId, 'guess')).known).toBeUndefined()
  })
})
