/** @returns a function that does work under the same key one after the other; other keys do not wait */
export function serialize(): <T>(key: string, work: () => Promise<T>) => Promise<T> {
  const queues = new Map<string, Promise<unknown>>()
  return (key, work) => {
    const turn = (queues.get(key) ?? Promise.resolve()).then(work, work)
    const settled = turn.then(
      () => undefined,
      () => undefined,
    )
    queues.set(key, settled)
    void settled.then(() => {
      if (queues.get(key) === settled) queues.delete(key)
    })
    return turn
  }
}
