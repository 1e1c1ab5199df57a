import { connect } from 'node:net'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { readConfig } from '../platform/config.ts'
import { testApp, type TestApp } from '../testApp.ts'
import { networkAddresses, ownNames } from './authGuard.ts'
import { guessesAnHour, guessesInARow, longWaitMs } from './guessLimits.ts'
import { codeLivesMs, deviceLivesMs } from './service.ts'

let app: TestApp
let clock = Date.UTC(2026, 7, 1)
beforeAll(async () => {
  app = await testApp({ host: '0.0.0.0', now: () => clock })
})
afterAll(() => app.close())

const bench = '127.0.0.1'
interface Call {
  from?: string
  cookie?: string
  host?: string
  origin?: string
  method?: 'GET' | 'POST' | 'DELETE'
  body?: object
}
async function call(
  url: string,
  { from = bench, cookie, host = 'localhost', origin, method = 'GET', body }: Call = {},
) {
  const response = await app.server.inject({
    url,
    method,
    remoteAddress: from,
    headers: { host, ...(cookie ? { cookie } : {}), ...(origin ? { origin } : {}) },
    ...(body ? { payload: body } : {}),
  })
  const said: unknown = response.body === '' ? null : response.json()
  return {
    status: response.statusCode,
    body: said,
    cookies: response.cookies,
    problem: Array.isArray(said) ? said[0] : null,
  }
}
async function codeShown(): Promise<string> {
  return ((await call('/api/pairing/bench')).body as { code: string }).code
}
let device = 10
const pair = (code: string, from = `10.0.0.${device++}`) =>
  call('/api/pairing', { from, method: 'POST', body: { code, name: 'tablet', person: 'Runa' } })
async function paired(): Promise<string> {
  clock += 1000
  const answer = await pair(await codeShown())
  expect(answer.status).toBe(200)
  return `${answer.cookies[0].name}=${answer.cookies[0].value}`
}

describe('a device of the network', () => {
  test('is turned away until it is paired, and then not', async () => {
    expect(await call('/api/jobs', { from: '10.0.0.5' })).toMatchObject({ status: 401, problem: { code: 'unpaired' } })
    const cookie = await paired()
    expect((await call('/api/jobs', { from: '10.0.0.5', cookie })).status).toBe(200)
    expect((await call('/api/jobs', { from: '10.0.0.5', cookie: `${cookie}x` })).status).toBe(401)
  })

  test('may load the page and ask whether the server is up', async () => {
    expect((await call('/api/health', { from: '10.0.0.5' })).status).toBe(200)
    expect((await call('/api/nowhere', { from: '10.0.0.5' })).status, 'and nothing else').toBe(401)
  })

  test('carries a cookie that pages cannot read and other sites cannot send', async () => {
    const { cookies } = await pair(await codeShown())
    expect(cookies[0]).toMatchObject({ httpOnly: true, sameSite: 'Strict', path: '/' })
  })

  test('pairs nobody itself: the code is shown on the machine only', async () => {
    const cookie = await paired()
    for (const from of ['10.0.0.5', '192.168.1.7'])
      expect(await call('/api/pairing/bench', { from, cookie })).toMatchObject({
        status: 403,
        problem: { code: 'bench-only' },
      })
  })

  test('is revoked on the machine itself, and expires after thirty days', async () => {
    const cookie = await paired()
    const { devices } = (await call('/api/pairing/bench')).body as {
      devices: { id: string; name: string; state: string }[]
    }
    expect(devices[0]).toMatchObject({ name: 'tablet', person: 'Runa', state: 'paired' })
    expect((await call(`/api/pairing/bench/devices/${devices[0].id}`, { method: 'DELETE' })).status).toBe(204)
    expect((await call('/api/jobs', { from: '10.0.0.5', cookie })).status).toBe(401)
    const other = await paired()
    clock += deviceLivesMs + 1
    expect((await call('/api/jobs', { from: '10.0.0.5', cookie: other })).status).toBe(401)
    expect((await call('/api/pairing/bench/devices/nobody', { method: 'DELETE' })).status).toBe(404)
  })
})

describe('the code', () => {
  test('is six digits, lets one device in, and lives ten minutes', async () => {
    const code = await codeShown()
    expect(code).toMatch(/^\d{6}$/)
    expect(await codeShown()).toBe(code)
    expect((await pair(code)).status).toBe(200)
    expect((await pair(code)).status).toBe(403)
    const next = await codeShown()
    clock += codeLivesMs + 1
    expect(await pair(next)).toMatchObject({ status: 403, problem: { code: 'no-code' } })
  })

  test('guesses cost their own address alone: others still get in', async () => {
    const code = await codeShown()
    const wrong = code === '000000' ? '111111' : '000000'
    for (let i = 0; i < guessesInARow; i++) {
      expect((await pair(wrong, '10.8.8.8')).problem).toMatchObject({ code: 'wrong-code' })
      expect((await pair(code, '10.8.8.8')).status, 'each costs time').toBe(429)
      clock += 1000 * 2 ** i
    }
    expect((await pair(code, '10.8.8.8')).status).toBe(429)
    expect(await codeShown(), 'the code is not void').toBe(code)
    expect((await pair(code, '10.8.8.9')).status).toBe(200)
    clock += longWaitMs
    expect((await pair(await codeShown(), '10.8.8.8')).status).toBe(200)
  })

  test('thirty guesses an hour from all addresses close pairing until it is opened on the machine', async () => {
    clock += 3_600_001
    await call('/api/pairing/bench/code', { method: 'POST' })
    const code = await codeShown()
    const wrong = code === '000000' ? '111111' : '000000'
    for (let i = 0; i < guessesAnHour; i++)
      expect((await pair(wrong, `10.1.0.${i}`)).problem).toMatchObject({ code: 'wrong-code' })
    expect(await pair(code, '10.1.1.1')).toMatchObject({ status: 403, problem: { code: 'pairing-closed' } })
    expect((await call('/api/pairing/bench')).body).toMatchObject({ code: null, closed: true })
    const opened = (await call('/api/pairing/bench/code', { method: 'POST' })).body as { code: string }
    expect((await pair(opened.code, '10.1.1.1')).status).toBe(200)
  })

  test.each(['１２３４５６', '12345', '1234567', 'abcdef', ''])('"%s" is no code at all', async (code) => {
    expect((await pair(code, '10.7.7.7')).status).toBe(400)
  })

  test('can be changed on the bench', async () => {
    const before = await codeShown()
    await call('/api/pairing/bench/code', { method: 'POST' })
    clock += 1
    const after = await codeShown()
    if (before !== after) expect((await pair(before)).status).toBe(403)
  })
})

describe('names and pages', () => {
  test.each(['evil.example', '10.1.2.3', ''])('a request for the host "%s" is refused', async (host) => {
    expect(await call('/api/health', { host: host === '' ? 'x' : host })).toMatchObject({
      status: 403,
      problem: { code: 'foreign-host' },
    })
  })

  test('a page from elsewhere is refused, its own is not', async () => {
    expect(await call('/api/jobs', { origin: 'http://evil.example' })).toMatchObject({
      status: 403,
      problem: { code: 'foreign-origin' },
    })
    expect((await call('/api/jobs', { origin: 'null' })).status).toBe(403)
    expect((await call('/api/jobs', { host: 'localhost:4310', origin: 'http://localhost:4310' })).status).toBe(200)
  })

  test('own names are loopback alone until the door is opened', () => {
    expect([...ownNames('127.0.0.1')]).toEqual(['localhost', '127.0.0.1', '[::1]'])
    for (const address of networkAddresses()) expect(ownNames('0.0.0.0')).toContain(address)
  })

  test('HOST is read from the environment', () => {
    expect(readConfig({ HOST: '0.0.0.0' }, '/x').host).toBe('0.0.0.0')
    expect(readConfig({ HOST: ' ' }, '/x').host).toBe('127.0.0.1')
    expect(() => readConfig({ HOST: 'a b' }, '/x')).toThrow('HOST is "a b"')
  })
})

test('sockets are asked the same: a foreign name or page is refused before it opens', async () => {
  await app.server.listen({ port: 0, host: '127.0.0.1' })
  const address = app.server.server.address()
  const port = typeof address === 'object' && address ? address.port : 0
  const knock = (headers: Record<string, string>) =>
    new Promise<string>((resolve) => {
      const socket = connect(port, '127.0.0.1')
      const asked = {
        host: `localhost:${port}`,
        connection: 'Upgrade',
        upgrade: 'websocket',
        'sec-websocket-version': '13',
        'sec-websocket-key': 'AAAAAAAAAAAAAAAAAAAAAA==',
        ...headers,
      }
      const lines = Object.entries(asked).map(([name, value]) => `${name}: ${value}`)
      socket.write(['GET /api/live?job=x HTTP/1.1', ...lines, '', ''].join('\r\n'))
      socket.once('data', (bytes) => {
        resolve(bytes.toString().split(' ')[1])
        socket.destroy()
      })
    })
  expect(await knock({})).toBe('101')
  expect(await knock({ host: 'evil.example' })).toBe('403')
  expect(await knock({ origin: 'http://evil.example' })).toBe('403')
})
