import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { shippedMachine } from '../wiring/shippedCase.ts'
import { coverRow, emptyCoverRow, withCover, withoutCover, type CoverRow } from './editAccess.ts'
import { blankMachine, newConnector } from './editMachine.ts'
import type { Machine } from './model.ts'
import { parseMachine } from './parseDossier.ts'

function machine(): Machine {
  let made = blankMachine(ref('hut-bike'), 'Hut', 'Bike')
  for (const name of ['Injector plug', 'Coil plug', 'Crank plug'])
    made = {
      ...made,
      connectors: [...made.connectors, newConnector(made, { name, count: 2, rows: 1, layout: 'grid' })],
    }
  return made
}
const row = (more: Partial<CoverRow>): CoverRow => ({ ...emptyCoverRow, name: 'Seat', off: '2', ...more })
function taken(before: Machine, more: Partial<CoverRow>, id: string | null = null): Machine {
  const after = withCover(before, id, row(more))
  if (!after.ok) throw new Error(after.problems[0].message)
  return after.value
}
const refused = (before: Machine, more: Partial<CoverRow>, id: string | null = null) => {
  const after = withCover(before, id, row(more))
  return after.ok ? [] : after.problems
}

describe('a cover typed in one row', () => {
  test('needs a name and one figure; what is behind it becomes ways', () => {
    const made = taken(machine(), {
      fasteners: '2 screws M6x16 hex socket 5',
      saves: 'two washers',
      behind: 'injector, coil plug',
    })
    expect(made.covers).toMatchObject([
      {
        id: 'seat',
        off: { likely: 2 },
        on: { likely: 2 },
        saves: ['two washers'],
        fasteners: [{ count: 2, threadMm: 6 }],
      },
    ])
    expect(made.ways).toMatchObject([
      { to: { connector: 'injector-plug' }, from: 'above', needs: ['seat'] },
      { to: { connector: 'coil-plug' }, from: 'above', needs: ['seat'] },
    ])
    expect(parseMachine(made)).toMatchObject({ ok: true })
  })

  test('two covers over one plug are both needed; another side is another way', () => {
    let made = taken(machine(), { behind: 'injector' })
    made = taken(made, { name: 'Tank', after: 'seat', off: '10/18/35', behind: 'injector' })
    made = taken(made, { name: 'Side panel', behind: 'injector', from: 'left' })
    expect(made.ways?.map((way) => [way.from, way.needs])).toEqual([
      ['above', ['seat', 'tank']],
      ['left', ['side-panel']],
    ])
  })

  test('what is taken out of a row is no longer behind it', () => {
    const made = taken(machine(), { behind: 'injector, coil' })
    const changed = taken(made, { name: 'Saddle', off: '3', behind: 'coil' }, 'seat')
    expect(changed.covers).toMatchObject([{ id: 'seat', name: 'Saddle', off: { likely: 3 } }])
    expect(changed.ways?.map((way) => way.to)).toEqual([{ connector: 'coil-plug' }])
    expect(withoutCover(changed, 'seat')).toMatchObject({ covers: [], ways: [{ needs: [] }] })
  })

  test('each field that cannot be read is named', () => {
    expect(
      refused(machine(), { name: ' ', off: 'soon', fasteners: '3 things', after: 'tank', behind: 'horn' }),
    ).toMatchObject(
      [
        { path: 'name' },
        { path: 'after', message: '"tank" is no cover yet. Write it down first, or take it out here.' },
        { path: 'behind', message: '"horn" is no plug, stud, place or zone of this machine.' },
        { path: 'off' },
        { path: 'fasteners' },
      ].sort((a, b) => order.indexOf(a.path) - order.indexOf(b.path)),
    )
    expect(refused(machine(), { off: '-4' })).toMatchObject([{ code: 'minutes-negative' }])
  })

  test('a beginning that fits several names is not guessed at', () => {
    expect(refused(machine(), { behind: 'c' })).toMatchObject([{ path: 'behind' }])
  })

  test('covers that would wait for each other are refused', () => {
    const made = taken(taken(machine(), {}), { name: 'Tank', after: 'Seat' })
    expect(refused(made, { name: 'Seat', after: 'Tank' }, 'seat')).toMatchObject([
      {
        code: 'cover-cycle',
        path: 'after',
        message: 'Seat waits for Tank waits for Seat: none of them could ever come off.',
      },
    ])
  })

  test('a shipped cover written out and typed again is the same', () => {
    const gorse = shippedMachine('pellick-gorse-430')
    for (const cover of gorse.covers ?? []) {
      const again = withCover(gorse, cover.id, coverRow(gorse, cover))
      expect(again).toMatchObject({ ok: true })
      if (again.ok) expect(again.value.covers).toEqual(gorse.covers)
      if (again.ok) expect(again.value.ways).toEqual(gorse.ways)
    }
  })
})
const order = ['name', 'off', 'fasteners', 'after', 'behind']
