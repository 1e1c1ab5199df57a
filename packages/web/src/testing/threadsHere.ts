import { expose, type Endpoint } from 'comlink'
import { MessageChannel, type MessagePort } from 'node:worker_threads'

/*
 * Workers for tests: what a worker's file serves is served in this thread, over a channel that copies what it carries. All rooms are then
 * one graph of modules, loaded once, however many workers a page starts; that a page runs with threads of their own is shown in a browser.
 */

const files = import.meta.glob<{ api: object }>('../**/*Worker.ts')

/** @throws where there is no such file */
async function servedBy(url: string): Promise<object> {
  const file = Object.keys(files).find((path) => url.endsWith(path.replace(/^\.\./, '')))
  const load = file === undefined ? undefined : files[file]
  if (!load) throw new Error(`no worker's file is at ${url}`)
  return (await load()).api
}

/** A port as comlink knows it. */
const endpoint = (port: MessagePort) => port as unknown as Endpoint

/** Its events are the channel's own: a window and its events end with their file, a thread may serve the next. */
class ThreadHere {
  readonly #page: MessagePort
  readonly #fell: (() => void)[] = []

  constructor(url: URL | string) {
    const { port1, port2 } = new MessageChannel()
    this.#page = port1
    servedBy(String(url)).then(
      (api) => {
        expose(api, endpoint(port2))
        port2.unref()
      },
      () => this.#fell.forEach((hear) => hear()),
    )
  }

  addEventListener(type: string, hear: () => void): void {
    if (type === 'error') this.#fell.push(hear)
    else endpoint(this.#page).addEventListener(type, hear)
    this.#page.unref()
  }

  removeEventListener(type: string, hear: () => void): void {
    endpoint(this.#page).removeEventListener(type, hear)
  }

  postMessage(message: unknown, transfer: Transferable[] = []): void {
    endpoint(this.#page).postMessage(message, transfer)
  }

  start(): void {
    this.#page.start()
    this.#page.unref()
  }

  terminate(): void {
    this.#page.close()
  }
}

/** Has pages start their workers in this thread. */
export function threadsHere(): void {
  Object.assign(globalThis, { Worker: ThreadHere, MessageChannel })
}
