import { afterAll, beforeAll, expect, test } from 'vitest'
import { WebSocket } from 'ws'
import { testApp, type TestApp } from '../testApp.ts'
import { relay } from './relay.ts'

let app: TestApp
let address = ''
let job = ''
beforeAll(async () => {
  app = await testApp()
  address = await app.server.listen({ port: 0, host: '127.0.0.1' })
  const made = await app.ask('POST', '/api/jobs', { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } })
  job = (made.body as { id: string }).id
})
afterAll(() => app.close())

const open = (as: string, of = job) => {
  const socket = new WebSocket(`${address.replace('http', 'ws')}/api/jobs/${of}/figures?as=${as}`)
  const opened = new Promise<void>((done, failed) => {
    socket.on('open', () => done())
    socket.on('error', failed)
  })
  return { socket, opened }
}
const next = (socket: WebSocket) =>
  new Promise<string>((done) => socket.once('message', (data: Buffer) => done(data.toString('utf-8'))))
const post = (of: string, payload: string) =>
  app.server.inject({
    method: 'POST',
    url: `/api/jobs/${of}/figures`,
    headers: { 'content-type': 'text/plain' },
    payload,
  })

test('lines of an instrument come to the screens of its job, by socket and by POST', async () => {
  const screen = open('screen')
  const instrument = open('instrument')
  await Promise.all([screen.opened, instrument.opened])
  const line = next(screen.socket)
  // The screen is in its room once the job is known: what is sent before is for nobody.
  const sending = setInterval(() => instrument.socket.send('{"RPM":950}'), 50)
  expect(await line).toBe('{"RPM":950}')
  clearInterval(sending)
  const posted = new Promise<string>((done) =>
    screen.socket.on('message', (data: Buffer) => data.toString('utf-8').includes('951') && done(String(data))),
  )
  expect((await post(job, '{"RPM":951}')).statusCode).toBe(204)
  expect(await posted).toBe('{"RPM":951}')
  screen.socket.close()
  instrument.socket.close()
})

test('what is for no job, too long, or nothing is refused', async () => {
  const gone = open('screen', 'nothing')
  expect(await new Promise((done) => gone.socket.on('close', done))).toBe(4404)
  expect((await post('nothing', 'x')).statusCode).toBe(404)
  expect((await post(job, 'x'.repeat(5000))).statusCode).toBe(400)
  expect((await post(job, 'x'.repeat(20_000))).statusCode).toBe(413)
  expect((await post(job, '')).statusCode).toBe(400)
  const json = await app.ask('POST', `/api/jobs/${job}/figures`, { RPM: 1 })
  expect(json.status).toBe(400)
})

test('more lines in a second than anybody reads are dropped, and said to who asks', () => {
  let now = 0
  const lines = relay(() => now)
  const sent: string[] = []
  const socket = { on: () => socket, send: (text: string) => sent.push(text) }
  lines.watch('a', socket as never)
  const passed = Array.from({ length: 60 }, () => lines.pass('a', 'x')).filter(Boolean).length
  expect([passed, sent.length]).toEqual([50, 50])
  now = 1000
  expect(lines.pass('a', 'y')).toBe(true)
  expect(lines.pass('b', 'nobody looks')).toBe(true)
})
