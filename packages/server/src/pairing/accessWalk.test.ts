import { createServer, request as httpRequest, type Server } from 'node:http'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { RouteAccess } from './authGuard.ts'
import { testApp, type TestApp } from '../testApp.ts'

/**
 * Walks every route that there is, as four senders, in six ways of writing an address, over a real socket: the address arrives
 * as it is written. A listener of the test says where each request comes from.
 */
let app: TestApp
let listener: Server
let port = 0
let clock = Date.UTC(2026, 7, 1)
const cookies = { paired: '', revoked: '' }

type SenderName = 'loopback' | 'paired' | 'unpaired' | 'revoked'
const senders: SenderName[] = ['loopback', 'paired', 'unpaired', 'revoked']

beforeAll(async () => {
  app = await testApp({ host: '0.0.0.0', now: () => clock, page: true })
  listener = createServer((request, response) => {
    comesFrom(request)
    app.server.routing(request, response)
  })
  listener.on('upgrade', (request, socket, head) => {
    comesFrom(request)
    app.server.server.emit('upgrade', request, socket, head)
  })
  await new Promise<void>((done) => listener.listen(0, '127.0.0.1', done))
  const address = listener.address()
  port = typeof address === 'object' && address ? address.port : 0
  cookies.paired = await pair()
  cookies.revoked = await pair()
  const { devices } = (await app.ask('GET', '/api/pairing/bench')).body as { devices: { id: string; name: string }[] }
  const second = devices.find((device) => device.name === 'tablet 2')
  await app.ask('DELETE', `/api/pairing/bench/devices/${second?.id}`)
})
afterAll(async () => {
  listener.close()
  await app.close()
})

function comesFrom(request: { headers: NodeJS.Dict<string | string[]>; socket: object }): void {
  Object.defineProperty(request.socket, 'remoteAddress', { value: request.headers['x-from'], configurable: true })
}

let pairedDevices = 0
async function pair(): Promise<string> {
  clock += 1000
  const { code } = (await app.ask('GET', '/api/pairing/bench')).body as { code: string }
  const answer = await app.server.inject({
    method: 'POST',
    url: '/api/pairing',
    remoteAddress: `10.0.0.${20 + pairedDevices}`,
    headers: { host: 'localhost' },
    payload: { code, name: `tablet ${++pairedDevices}`, person: 'Runa' },
  })
  return `${answer.cookies[0].name}=${answer.cookies[0].value}`
}

const writings: Record<string, (path: string) => string> = {
  plain: (path) => path,
  encoded: (path) => path.replace('/api', '/%61p%69').replace('pairing', 'p%61iring'),
  absolute: (path) => `http://localhost${path}`,
  'doubled slash': (path) => `/${path}`,
  'dot segments': (path) => path.replace('/api/', '/api/x/../'),
  case: (path) => path.replace('/api/', '/API/'),
}

/** A real address of a route. */
function addressOf(url: string): string {
  return url
    .replace(':hash', 'a'.repeat(64))
    .replace(':kind', 'machine')
    .replace(':name', 'machine')
    .replace(':id', 'pellick-gorse-430')
    .replaceAll('*', 'x')
}

function ask(sender: SenderName, method: string, path: string, upgrade = false): Promise<number> {
  const cookie = sender === 'paired' || sender === 'revoked' ? { cookie: cookies[sender] } : {}
  const headers = {
    host: 'localhost',
    'x-from': sender === 'loopback' ? '127.0.0.1' : '10.0.0.9',
    ...cookie,
    ...(upgrade
      ? {
          connection: 'Upgrade',
          upgrade: 'websocket',
          'sec-websocket-version': '13',
          'sec-websocket-key': 'AAAAAAAAAAAAAAAAAAAAAA==',
        }
      : {}),
  }
  return new Promise((done, failed) => {
    const asked = httpRequest({ host: '127.0.0.1', port, method, path, headers }, (answer) => {
      answer.resume()
      answer.on('end', () => done(answer.statusCode ?? 0))
    })
    asked.on('upgrade', (answer, socket) => {
      socket.destroy()
      done(answer.statusCode ?? 0)
    })
    // A refused socket is cut: whether its last words arrive is chance.
    asked.on('error', (error) => (upgrade ? done(0) : failed(error)))
    asked.end()
  })
}

/** Whether an answer gave or did anything: everything but a refusal at the door or "there is nothing here". */
const getsThrough = (status: number) => ![401, 403, 404, 405, 400].includes(status)
const mayAsk = (route: RouteAccess, sender: SenderName) =>
  route.access === 'open' || sender === 'loopback' || (route.access === 'fitter' && sender === 'paired')

describe('who may ask for what', () => {
  test('every route names its class, and only these are open', () => {
    const open = app.routes.filter((route) => route.access === 'open').map((route) => `${route.method} ${route.url}`)
    expect([...new Set(open)].filter((line) => !/assets|index\.html| \/\*?$/.test(line)).sort()).toEqual([
      'GET /api/health',
      'HEAD /api/health',
      'POST /api/pairing',
    ])
    expect(app.routes.length).toBeGreaterThan(60)
  })

  test('a route without a class does not start the server', async () => {
    const { default: Fastify } = await import('fastify')
    const { authGuard } = await import('./authGuard.ts')
    const { pairingService } = await import('./service.ts')
    const bare = Fastify()
    authGuard(bare, pairingService(app.deps), '127.0.0.1')
    bare.get('/api/forgotten', () => 'everything')
    await expect(bare.ready()).rejects.toThrow('GET /api/forgotten')
  })

  test.each(Object.keys(writings))('%s addresses lead nobody past the door', async (writing) => {
    const wrong: string[] = []
    for (const route of app.routes)
      for (const sender of senders) {
        // What a keeper may do is not done here: the walk would end in an empty yard.
        if (sender === 'loopback' && route.method !== 'GET') continue
        const path = writings[writing](addressOf(route.url))
        const status = await ask(sender, route.method, path)
        if (status >= 500) wrong.push(`${sender} ${route.method} ${path}: ${status}`)
        if (!mayAsk(route, sender) && getsThrough(status)) wrong.push(`${sender} ${route.method} ${path}: ${status}`)
        if (writing === 'plain' && mayAsk(route, sender) && [401, 403].includes(status) && route.url !== '/api/pairing')
          wrong.push(`${sender} is kept from ${route.method} ${path}: ${status}`)
        if (writing === 'plain' && !mayAsk(route, sender))
          expect([401, 403], `${sender} ${route.method} ${path}`).toContain(status)
      }
    expect(wrong).toEqual([])
  })

  test.each(Object.keys(writings))('sockets by %s addresses open for the paired alone', async (writing) => {
    const path = writings[writing]('/api/live?job=x')
    for (const sender of senders) {
      const status = await ask(sender, 'GET', path, true)
      if (sender === 'unpaired' || sender === 'revoked') expect(status, sender).not.toBe(101)
      else if (writing === 'plain') expect(status, sender).toBe(101)
    }
  })

  test('a paired device does not do what only the keeper may', async () => {
    for (const [method, path] of [
      ['GET', '/api/pairing/bench'],
      ['POST', '/api/pairing/bench/code'],
      ['POST', '/api/jobs/import'],
      ['DELETE', '/api/jobs/x'],
      ['POST', '/api/jobs/x/archive'],
      ['POST', '/api/dossiers'],
      ['GET', '/api/backup'],
      ['POST', '/api/restore'],
    ])
      expect(await ask('paired', method, path), `${method} ${path}`).toBe(403)
  })
})

test('a revoked device loses its live socket at once, and writes are in its person’s name', async () => {
  const cookie = await pair()
  const { id } = (
    await app.ask('POST', '/api/jobs', { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } })
  ).body as { id: string }
  const closed = new Promise<void>((done, failed) => {
    const asked = httpRequest({
      host: '127.0.0.1',
      port,
      path: `/api/live?job=${id}`,
      headers: {
        host: 'localhost',
        'x-from': '10.0.0.77',
        cookie,
        connection: 'Upgrade',
        upgrade: 'websocket',
        'sec-websocket-version': '13',
        'sec-websocket-key': 'AAAAAAAAAAAAAAAAAAAAAA==',
      },
    })
    asked.on('upgrade', (_answer, socket) => {
      socket.on('data', () => undefined)
      socket.on('close', () => done())
      socket.on('end', () => socket.end())
      void revokeAfterWriting().catch(failed)
    })
    asked.on('error', failed)
    asked.end()
  })
  async function revokeAfterWriting() {
    const written = await app.server.inject({
      method: 'POST',
      url: `/api/jobs/${id}/journal`,
      remoteAddress: '10.0.0.77',
      headers: { host: 'localhost', cookie },
      payload: { entries: [{ id: 'n', kind: 'note', text: 'mine', by: 'Tomas' }] },
    })
    expect(written.statusCode).toBe(200)
    const { devices } = (await app.ask('GET', '/api/pairing/bench')).body as { devices: { id: string; name: string }[] }
    const mine = devices.find((device) => device.name === `tablet ${pairedDevices}`)
    await app.ask('DELETE', `/api/pairing/bench/devices/${mine?.id}`)
  }
  await closed
  const { entries } = (await app.ask('GET', `/api/jobs/${id}/journal`)).body as { entries: { by: string }[] }
  expect(entries[0].by).toBe('Runa')
})
