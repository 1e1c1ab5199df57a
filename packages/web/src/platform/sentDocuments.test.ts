import { expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { documentSender, documentTaker } from './sentDocuments.ts'

const job = { machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }

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
