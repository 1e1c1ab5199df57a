import type { JournalEntry } from '@tidy-badger/core/jobs'
import type { Problem } from '@tidy-badger/core/shared'

/** Every way a request can be refused. */
export type RefusalKind =
  | 'malformed'
  | 'unpaired'
  | 'forbidden'
  | 'unprocessable'
  | 'not-found'
  | 'method'
  | 'conflict'
  | 'too-large'
  | 'media-type'
  | 'too-many'
  | 'too-slow'

/** Problems of the journal carry more: the head and the entries since, or what stands on an entry. */
export type SentProblem = Problem & { head?: number; entries?: JournalEntry[]; dependents?: string[] }

/** A refusal the client can act on; the body is the bare array of problems. */
export class Refusal extends Error {
  readonly kind: RefusalKind
  readonly problems: SentProblem[]

  constructor(kind: RefusalKind, ...problems: SentProblem[]) {
    super(problems.map((problem) => problem.message).join(' '))
    this.kind = kind
    this.problems = problems
  }
}

export function notFound(what: string, id: string): Refusal {
  return new Refusal('not-found', { code: 'not-found', path: '', message: `There is no ${what} "${id}".` })
}

export function statusOf(kind: RefusalKind): number {
  switch (kind) {
    case 'malformed':
      return 400
    case 'unpaired':
      return 401
    case 'forbidden':
      return 403
    case 'not-found':
      return 404
    case 'method':
      return 405
    case 'conflict':
      return 409
    case 'too-large':
      return 413
    case 'media-type':
      return 415
    case 'unprocessable':
      return 422
    case 'too-many':
      return 429
    case 'too-slow':
      return 503
  }
}

/** What the web framework itself refuses, in our words. */
export function refusalOfFramework(code: string | undefined, statusCode: number | undefined): Refusal | null {
  const say = (kind: RefusalKind, problem: string, message: string) =>
    new Refusal(kind, { code: problem, path: '', message })
  switch (code) {
    case 'FST_ERR_CTP_BODY_TOO_LARGE':
      return say(
        'too-large',
        'body-too-large',
        'The request is larger than this place takes. Send it in smaller parts.',
      )
    case 'FST_ERR_CTP_INVALID_MEDIA_TYPE':
      return say('media-type', 'media-type', 'This place takes JSON: send content-type application/json.')
    case 'FST_ERR_CTP_EMPTY_JSON_BODY':
      return say('malformed', 'body-empty', 'The request has no body, but one is needed.')
    case 'FST_ERR_CTP_INVALID_JSON_BODY':
      return say('malformed', 'not-json', 'The body is not JSON. Look for a missing bracket, comma or quote.')
    default:
      if (statusCode === 413) return say('too-large', 'body-too-large', 'The request is larger than this place takes.')
      if (statusCode !== undefined && statusCode >= 400 && statusCode < 500)
        return say('malformed', 'malformed', 'The request could not be read.')
      return null
  }
}
