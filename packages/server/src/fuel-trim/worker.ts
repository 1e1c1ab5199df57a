import { readSuggestRequest } from '@tidy-badger/core/fuel-trim'
import { readLogBytes, suggestTrims } from '@tidy-badger/core/fuel-trim/compute'
import type { Problem } from '@tidy-badger/core/shared'
import { Refusal } from '../platform/errors.ts'
import { readJson } from '../platform/http.ts'

const petrolStoichAfr = 14.7

export type SuggestAnswer =
  | { kind: 'malformed' | 'unprocessable'; problems: Problem[] }
  | { kind: 'answer'; answer: object }

/** What a log earned, from the bytes of the request: it may be large, and is read here rather than in the server. */
export function suggest(body: Uint8Array): SuggestAnswer {
  let document: unknown
  try {
    document = readJson(new TextDecoder().decode(body))
  } catch (error) {
    if (error instanceof Refusal) return { kind: 'malformed', problems: error.problems }
    throw error
  }
  const asked = readSuggestRequest(document)
  if (!asked.ok) return { kind: 'malformed', problems: asked.problems }
  const { log } = asked.value.request
  const { columns, units, dropUnreadable } = log
  const read = readLogBytes(new TextEncoder().encode(log.csv), { columns, units, dropUnreadable }, petrolStoichAfr)
  if (!read.ok)
    return {
      kind: 'unprocessable',
      problems: read.problems.map((problem) => ({
        ...problem,
        path: problem.path === '' ? 'log.csv' : `log.${problem.path}`,
      })),
    }
  const { delaySeconds, usedRows, rejected, filtersOff, cells } = suggestTrims(read.value.log, asked.value.problem)
  return { kind: 'answer', answer: { delaySeconds, usedRows, rejected, filtersOff, cells } }
}
