import { afterEach, describe, expect, test, vi } from 'vitest'
import { getBytes, getJson, Refused, Unreachable } from './http.ts'

afterEach(() => vi.unstubAllGlobals())

function answering(status: number, body: string, headers: Record<string, string> = {}): void {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(body, { status, headers })))
}
const problems = JSON.stringify([{ code: 'stale-base', path: 'entries.0', message: 'It is B now.' }])

describe('answers of the server', () => {
  test('are given on', async () => {
    answering(200, '{"a":1}')
    expect(await getJson('/x')).toEqual({ a: 1 })
  })

  test.each([409, 401, 500, 503])('%i with problems is a refusal in its words', async (status) => {
    answering(status, problems, { 'retry-after': '7' })
    const error = await getJson('/x').catch((thrown: unknown) => thrown)
    expect(error).toBeInstanceOf(Refused)
    expect(error).toMatchObject({ status, message: 'It is B now.', retryAfterS: 7 })
  })

  test.each([502, 503, 504])('%i of something in between is nobody answering', async (status) => {
    answering(status, '<html>bad gateway</html>')
    await expect(getJson('/x')).rejects.toBeInstanceOf(Unreachable)
  })

  test('one without words still says what it was', async () => {
    answering(500, 'oops')
    await expect(getJson('/x')).rejects.toThrow('The server answered 500.')
  })

  test('none at all is nobody answering', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('network')))
    await expect(getJson('/x')).rejects.toBeInstanceOf(Unreachable)
  })

  test('one that hangs is given up, before its head and within its body', async () => {
    const limit = vi.spyOn(AbortSignal, 'timeout').mockReturnValue(AbortSignal.abort())
    vi.stubGlobal('fetch', (_path: string, init: RequestInit) =>
      init.signal?.aborted ? Promise.reject(init.signal.reason) : new Promise(() => undefined),
    )
    await expect(getJson('/x')).rejects.toBeInstanceOf(Unreachable)
    const late = new DOMException('too late', 'TimeoutError')
    vi.stubGlobal('fetch', () => Promise.resolve({ ok: true, json: () => Promise.reject(late) }))
    await expect(getJson('/x')).rejects.toBeInstanceOf(Unreachable)
    expect(limit.mock.calls.every(([ms]) => ms >= 10_000)).toBe(true)
    // A file may take as long as it takes.
    const asked = limit.mock.calls.length
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('a,b')))
    expect((await getBytes('/log')).size).toBe(3)
    expect(limit).toHaveBeenCalledTimes(asked)
    limit.mockRestore()
  })

  test('words that are no JSON are an error of their own', async () => {
    answering(200, '<html>')
    await expect(getJson('/x')).rejects.toBeInstanceOf(SyntaxError)
  })
})
