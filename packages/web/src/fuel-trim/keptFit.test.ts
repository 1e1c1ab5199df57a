import 'fake-indexeddb/auto'
import { expect, test } from 'vitest'
import { deviceStore } from '../platform/storage/deviceStore.ts'
import { keepFit, keptFit } from './keptFit.ts'

type Fitted = Parameters<typeof keepFit>[2]
const fitted = (rows: number) => ({ ok: true, rows }) as unknown as Fitted

test('what a log said is there for the same question, and for no other', async () => {
  expect(await keptFit('log', 'table 1')).toBeNull()
  await keepFit('log', 'table 1', fitted(10))
  expect(await keptFit('log', 'table 1')).toEqual(fitted(10))
  expect(await keptFit('log', 'table 2')).toBeNull()
  expect(await keptFit('another log', 'table 1')).toBeNull()
  await keepFit('log', 'table 2', fitted(11))
  expect([await keptFit('log', 'table 1'), await keptFit('log', 'table 2')]).toEqual([null, fitted(11)])
})

test('what other code worked out does not count', async () => {
  await keepFit('log', 'table 1', fitted(10))
  const store = await deviceStore()
  const kept = await store.get('answers', 'fit log')
  expect(kept).toMatchObject({ of: 'table 1' })
  await store.put('answers', { ...Object(kept), by: 'an earlier build' }, 'fit log')
  expect(await keptFit('log', 'table 1')).toBeNull()
})
