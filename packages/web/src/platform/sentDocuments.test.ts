import type { JobDossiers } from '@tidy-badger/core/jobs'
import { expect, test } from 'vitest'
import { documentSender, documentTaker } from './sentDocuments.ts'

/** Nothing of them is looked into. */
const job = { machine: { id: 'machine' }, kit: { id: 'kit' } } as unknown as JobDossiers

test('documents go once, and again only when they are others', () => {
  const taker = documentTaker()
  let sent = 0
  const send = documentSender()
  const key = (dossiers: typeof job) =>
    send(dossiers, (number, documents) => {
      sent++
      taker.take(number, documents)
    })
  const first = key(job)
  expect(key({ ...job })).toBe(first)
  expect([sent, taker.of(first).machine]).toEqual([1, job.machine])
  const other = key({ ...job, kit: structuredClone(job.kit) })
  expect([sent, other]).toEqual([2, first + 1])
  expect(() => taker.of(first)).toThrow(/were not sent/)
  expect(key(job)).toBe(other + 1)
})
