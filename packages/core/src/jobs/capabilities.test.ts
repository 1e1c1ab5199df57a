import { describe, expect, test } from 'vitest'
import type { NewEntry } from './model.ts'
import { capabilities } from './capabilities.ts'
import { jobFindings } from './jobFindings.ts'
import { entrySchema } from '../journal/index.ts'
import { jobForms, newEntrySchema } from './jobForms.ts'
import { jobJournal, journalOf } from './jobJournal.ts'
import { asJournal, gorseJob } from './journalCase.ts'
import { ruleCatalogue, rulesByRoom } from './ruleCatalogue.ts'
import { greaseForms } from './toy/formsCase.ts'
import { toy } from './toy/indexCase.ts'
import { entriesOfWork, stationWork } from './workItems.ts'

const withToy = [...capabilities, toy]
const journal = journalOf(withToy)
const schema = entrySchema({ ...jobForms, ...greaseForms })
/** Entries of the toy are none of the job's own kinds. */
const toyEntry = (id: string, body: { kind: string; of?: string }) =>
  ({ id, by: 'Runa', ...body }) as unknown as NewEntry
const wanted = toyEntry('w', { kind: 'grease-wanted', of: 'Tomas' })
const done = toyEntry('d', { kind: 'greased' })

describe('a capability added by one folder and one line', () => {
  test('its entries are read, told and undone like any other', () => {
    expect(schema.safeParse(wanted).success).toBe(true)
    expect(schema.safeParse(toyEntry('x', { kind: 'grease-wanted' })).success).toBe(false)
    expect(journal.words(wanted, gorseJob)).toBe('Tomas wants the terminals greased')
    expect(journal.placeOf(done, gorseJob)).toBe('close-up')
    expect(journal.replay(gorseJob, [done]).held).toEqual([{ entry: 'd', why: 'Nobody wanted it.' }])
    expect(journal.undoBatch(gorseJob, asJournal([wanted, done]), 'w')).toEqual(['d', 'w'])
    expect(
      journal.planAppend(gorseJob, asJournal([wanted, done]), [toyEntry('d2', { kind: 'greased' })]),
    ).toMatchObject({
      kind: 'conflict',
      problems: [{ code: 'greased' }],
    })
  })

  test('its finding is a stop that bars, and may be lifted', () => {
    const leave: NewEntry = { id: 's', kind: 'station-done', station: 'wake' }
    const findings = jobFindings(gorseJob, journal.replay(gorseJob, [wanted]), {}, withToy)
    const key = findings.find((finding) => finding.rule === 'grease-missing')?.key ?? ''
    expect(key).toBe('grease-missing|||||w')
    const refused = journal.planAppend(gorseJob, asJournal([wanted]), [leave])
    expect(refused).toMatchObject({ kind: 'conflict' })
    expect(JSON.stringify(refused)).toContain('The terminals are dry.')
    expect(JSON.stringify(journal.planAppend(gorseJob, asJournal([wanted, done]), [leave]))).not.toContain('dry')
  })

  test('its work stands on its station and writes down what it makes', () => {
    const state = journal.replay(gorseJob, [wanted])
    const item = stationWork(gorseJob, state, 'close-up', withToy).at(-1)
    expect(item).toMatchObject({
      id: 'grease',
      kind: 'own',
      spoken: { words: 'Grease the terminals' },
      done: undefined,
    })
    expect(item && entriesOfWork(item, gorseJob, state)).toEqual([{ kind: 'greased' }])
    expect(stationWork(gorseJob, state, 'open-up', withToy).some(({ id }) => id === 'grease')).toBe(false)
    expect(
      stationWork(gorseJob, journal.replay(gorseJob, [wanted, done]), 'close-up', withToy).at(-1)?.done,
    ).toBeDefined()
  })

  test('without the line nothing of it is known', () => {
    expect(newEntrySchema.safeParse(wanted).success).toBe(false)
    expect(jobJournal.replay(gorseJob, [wanted]).held).toEqual([
      { entry: 'w', why: 'Nothing here knows this kind of entry.' },
    ])
  })

  test('two kinds of one name are refused', () => {
    expect(() => journalOf([...withToy, toy])).toThrow('two kinds')
  })
})

test('no rule stands in two rooms', () => {
  const names = Object.values(rulesByRoom).flatMap((rules) => Object.keys(rules))
  expect(new Set(names).size).toBe(names.length)
  expect(Object.keys(ruleCatalogue).sort()).toEqual(names.sort())
})

test('every kind of entry has a form, and every form its kind', () => {
  expect(Object.keys(jobForms).sort()).toEqual(jobJournal.kinds.filter((kind) => kind !== 'undo').sort())
})
