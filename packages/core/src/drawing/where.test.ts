import { expect, test } from 'vitest'
import { shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { viewFor } from './bodyView.ts'
import { whereWords } from './where.ts'

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
