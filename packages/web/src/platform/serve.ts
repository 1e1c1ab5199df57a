import { expose, type Endpoint } from 'comlink'

/** Offers functions to whoever started this worker. Call in a worker's own file. */
export function serve(api: object): void {
  // oxlint-disable-next-line typescript/consistent-type-assertions -- a worker's own scope takes and sends messages
  expose(api, self as unknown as Endpoint)
}
