import type { JournalEntry } from '@tidy-badger/core/jobs'
import type { Outcome, Problem } from '@tidy-badger/core/shared'
import { statusOfKind, type ProblemCode, type RefusalKind } from './problemCodes.ts'

export type { RefusalKind } from './problemCodes.ts'

/** Problems of the journal carry more: the head and the entries since, or what stands on an entry. */
export type SentProblem = Problem & {
  head?: number
  entries?: JournalEntry[]
  /** How many entries there are since, of which `entries` are the first. */
  since?: number
  dependents?: string[]
}

/** A refusal the client can act on; the body is the bare array of problems. */
export class Refusal extends Error {
  readonly kind: RefusalKind
  readonly problems: SentProblem[]
  /** When it makes sense to ask again, s. */
  readonly retryAfterS?: number

  constructor(kind: RefusalKind, ...problems: SentProblem[]) {
    super(problems.map((problem) => problem.message).join(' '))
    this.kind = kind
    this.problems = problems
  }

  /** The same, to be asked again after so many seconds. */
  again(afterS: number): Refusal {
    return Object.assign(new Refusal(this.kind, ...this.problems), { retryAfterS: afterS })
  }
}

/** A refusal with one problem. */
export function refusal(kind: RefusalKind, code: ProblemCode, message: string, path = ''): Refusal {
  return new Refusal(kind, { code, path, message })
}

export function notFound(what: string, id: string): Refusal {
  return refusal('not-found', 'not-found', `There is no ${what} "${id}".`)
}

/** @throws Refusal with the problems of an outcome that is none */
export function orRefuse<T>(outcome: Outcome<T>, kind: RefusalKind = 'unprocessable'): T {
  if (outcome.ok) return outcome.value
  throw new Refusal(kind, ...outcome.problems)
}

export function statusOf(kind: RefusalKind): number {
  return statusOfKind[kind]
}

/** What the web framework itself refuses, in our words. */
export function refusalOfFramework(code: string | undefined, statusCode: number | undefined): Refusal | null {
  switch (code) {
    case 'FST_ERR_CTP_BODY_TOO_LARGE':
      return refusal(
        'too-large',
        'body-too-large',
        'The request is larger than this place takes. Send it in smaller parts.',
      )
    case 'FST_ERR_CTP_INVALID_MEDIA_TYPE':
      return refusal('media-type', 'media-type', 'This place takes JSON: send content-type application/json.')
    case 'FST_ERR_CTP_EMPTY_JSON_BODY':
      return refusal('malformed', 'body-empty', 'The request has no body, but one is needed.')
    case 'FST_ERR_CTP_INVALID_JSON_BODY':
      return refusal('malformed', 'not-json', 'The body is not JSON. Look for a missing bracket, comma or quote.')
    default:
      if (statusCode === 413)
        return refusal('too-large', 'body-too-large', 'The request is larger than this place takes.')
      if (statusCode !== undefined && statusCode >= 400 && statusCode < 500)
        return refusal('malformed', 'malformed', 'The request could not be read.')
      return null
  }
}
