import type { Problem } from '@tidy-badger/core/shared'

/** The server refused: its sentences. */
export class Refused extends Error {
  readonly status: number
  readonly problems: Problem[]
  /** When it makes sense to ask again, s. */
  readonly retryAfterS: number | null

  constructor(status: number, problems: Problem[], retryAfterS: number | null = null) {
    super(problems.map((problem) => problem.message).join(' '))
    this.status = status
    this.problems = problems
    this.retryAfterS = retryAfterS
  }
}

/** Nobody answered. */
export class Unreachable extends Error {
  constructor() {
    super('The server does not answer. What you do is kept here and sent when it is back.')
  }
}

/** @throws {Unreachable} where nobody answers, {Refused} with the server's sentences */
export async function request(path: string, init?: RequestInit): Promise<Response> {
  let response: Response
  try {
    response = await fetch(path, init)
  } catch {
    throw new Unreachable()
  }
  if (response.ok) return response
  const body: unknown = await response.json().catch(() => null)
  if (!isProblems(body) && response.status >= 502 && response.status <= 504) throw new Unreachable()
  const after = Number(response.headers.get('retry-after') ?? NaN)
  throw new Refused(
    response.status,
    isProblems(body) ? body : [{ code: 'unknown', path: '', message: `The server answered ${response.status}.` }],
    Number.isFinite(after) ? after : null,
  )
}

function isProblems(body: unknown): body is Problem[] {
  return Array.isArray(body) && body.every((item) => typeof item === 'object' && item !== null && 'message' in item)
}

/** Who asked for something and has heard nothing for so long is not going to: a link can hang as well as break. */
const answerLimitMs = 30_000

/** Asks for what comes soon or not at all; the limit holds for reading the answer too, by {@link jsonOf}. */
export const ask = (path: string): Promise<Response> => request(path, { signal: AbortSignal.timeout(answerLimitMs) })

/** @throws {Unreachable} where the answer stops on its way */
export async function jsonOf<T>(response: Response): Promise<T> {
  try {
    return await response.json()
  } catch (error) {
    if (error instanceof DOMException && error.name === 'TimeoutError') throw new Unreachable()
    throw error
  }
}

export const getJson = async <T>(path: string): Promise<T> => jsonOf<T>(await ask(path))

const jsonBody = (method: string, body: unknown): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
})

export async function postJson<T>(path: string, body: unknown): Promise<T> {
  return (await request(path, jsonBody('POST', body))).json()
}

export async function putJson<T>(path: string, body: unknown): Promise<T> {
  return (await request(path, jsonBody('PUT', body))).json()
}

export async function patchJson<T>(path: string, body: unknown): Promise<T> {
  return (await request(path, jsonBody('PATCH', body))).json()
}

/** Sends a file as it lies, however large. */
export async function postFile<T>(path: string, file: Blob, type: string): Promise<T> {
  return (await request(path, { method: 'POST', headers: { 'content-type': type }, body: file })).json()
}

export async function deleteAt(path: string): Promise<void> {
  await request(path, { method: 'DELETE' })
}

export async function putBytes(path: string, bytes: Blob): Promise<void> {
  await request(path, { method: 'PUT', headers: { 'content-type': 'application/octet-stream' }, body: bytes })
}

/** A file, however long it takes to come. */
export async function getBytes(path: string): Promise<Blob> {
  return (await request(path)).blob()
}
