import { getBytes } from '../platform/api/http.ts'
import { deviceStore } from '../platform/storage/deviceStore.ts'

/** Bytes of a log: from this device when it has them, else from the server, and kept. */
export async function logBytes(hash: string): Promise<Blob> {
  const store = await deviceStore()
  const kept = await store.get('logs', hash)
  if (kept) return kept
  const bytes = await getBytes(`/api/logs/${hash}`)
  await store.put('logs', bytes, hash)
  return bytes
}

export async function keepLogBytes(hash: string, bytes: Blob): Promise<void> {
  const store = await deviceStore()
  await store.put('logs', bytes, hash)
}
