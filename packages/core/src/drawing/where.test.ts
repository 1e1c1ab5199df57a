import { describe, expect, test } from 'vitest'
import type { PointAt } from '../dossiers/index.ts'
import { shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { viewFor } from './bodyView.ts'
import { nearestFirst, whereWords } from './where.ts'

test.each([
  [0.2, -0.3, 'front, on the left'],
  [1.1, 0, 'in the middle'],
  [1.9, 0.4, 'rear, on the right'],
  [1.1, 0.05, 'in the middle'],
])('a point %s m behind the front end, %s m to the right: %s', (x, y, words) => {
  const { body } = shippedMachine('pellick-gorse-430')
  expect(body && whereWords(body, { x, y, z: 0.5 })).toBe(words)
})

test('a bay is looked into from above, a cycle at from its side', () => {
  const views = shippedMachines.flatMap(({ body }) => (body ? [[body.form, viewFor(body)]] : []))
  expect(Object.fromEntries(views)).toMatchObject({ car: 'top', pickup: 'top', motorcycle: 'side', quad: 'side' })
})

describe('the order in which keys go through a drawing', () => {
  const things = [
    { id: 'far', at: { x: 2, y: 0, z: 0 } },
    { id: 'near', at: { x: 0.1, y: 0, z: 0 } },
    { id: 'as near', at: { x: -0.1, y: 0, z: 0 } },
    { id: 'above', at: { x: 0, y: 0, z: 1 } },
  ]
  const ids = (from: PointAt | null) => nearestFirst(from, things).map(({ id }) => id)

  test('is by how far each is from the work, equally near ones as they stand', () => {
    expect(ids({ x: 0, y: 0, z: 0 })).toEqual(['near', 'as near', 'above', 'far'])
  })
  test('stays as it is where nobody says where the work is', () => {
    expect(ids(null)).toEqual(['far', 'near', 'as near', 'above'])
  })
})
