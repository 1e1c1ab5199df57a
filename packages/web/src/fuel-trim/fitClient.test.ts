import { expose } from 'comlink'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { Cancelled, readLogFile, type Tell } from './fitClient.ts'

/** What the thread does when it is to read. */
let read: (tell: Tell) => Promise<unknown> = async () => null
const ended = vi.fn()

beforeEach(() => {
  ended.mockClear()
  vi.stubGlobal('Worker', function threadStandIn() {
    const { port1, port2 } = new MessageChannel()
    expose({ read: (_file: unknown, _reading: unknown, _afr: unknown, tell: Tell) => read(tell) }, port2)
    port1.start()
    const terminate = () => {
      port1.close()
      ended()
    }
    return Object.assign(port1, { terminate })
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
})

const reading = (tell: Tell) => readLogFile(new Blob(['']), {}, 14.7, tell)

test('how far it is, overtaken by the end, is not told any more', async () => {
  const told = vi.fn()
  read = async (tell) => {
    await Promise.resolve(tell(0.5, 'reading the log'))
    setTimeout(() => tell(1, 'reading the log'))
    return 'read'
  }
  expect(await reading(told).done).toBe('read')
  await new Promise((later) => setTimeout(later, 20))
  expect(told.mock.calls).toEqual([[0.5, 'reading the log']])
  expect(ended).toHaveBeenCalledOnce()
})

test('cancelled it ends at once, and its thread with it', async () => {
  read = () => new Promise(() => {})
  const running = reading(() => {})
  running.cancel()
  await expect(running.done).rejects.toBeInstanceOf(Cancelled)
  expect(ended).toHaveBeenCalledOnce()
})
