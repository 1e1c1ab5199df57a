import type { Problem } from '@tidy-badger/core/shared'

/** The server refused: its sentences. */
export class Refused extends Error {
  readonly status: number
  readonly problems: Problem[]

  constructor(status: number, problems: Problem[]) {
    super(problems.map((problem) => problem.message).join(' '))
    this.status = status
    this.problems = problems
  }
}

/** Nobody answered. */
export class Unreachable extends Error {
  constructor() {
    super('The server does not answer. What you do is kept here and sent when it is back.')
  }
}

async function request(path: string, init?: RequestInit): Promise<Response> {
  let response: Response
  try {
    response = await fetch(path, init)
  } catch {
    throw new Unreachable()
  }
  if (response.ok) return response
  if (response.status >= 502 && response.status <= 504) throw new Unreachable()
  const body: unknown = await response.json().catch(() => null)
  if (response.status === 401 && location.pathname !== '/pair') location.assign('/pair')
  throw new Refused(
    response.status,
    isProblems(body) ? body : [{ code: 'unknown', path: '', message: `The server answered ${response.status}.` }],
  )
}

function isProblems(body: unknown): body is Problem[] {
  return Array.isArray(body) && body.every((item) => typeof item === 'object' && item !== null && 'message' in item)
}

export async function getJson<T>(path: string): Promise<T> {
  return (await request(path)).json()
}

export async function postJson<T>(path: string, body: unknown): Promise<T> {
  const init = { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }
  return (await request(path, init)).json()
}

export async function putJson<T>(path: string, body: unknown): Promise<T> {
  const init = { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }
  return (await request(path, init)).json()
}

export async function deleteAt(path: string): Promise<void> {
  await request(path, { method: 'DELETE' })
}

export async function putBytes(path: string, bytes: Blob): Promise<void> {
  await request(path, { method: 'PUT', headers: { 'content-type': 'application/octet-stream' }, body: bytes })
}

export async function getBytes(path: string): Promise<Blob> {
  return (await request(path)).blob()
}
