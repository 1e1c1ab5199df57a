import { deviceStore } from '../storage/deviceStore.ts'
import { getJson, Unreachable } from './http.ts'

/** The server's answer, or, with the link down, the last one it gave to this device. */
export async function getKept<T>(path: string): Promise<T> {
  const store = await deviceStore()
  try {
    const answer = await getJson<T>(path)
    await store.put('answers', answer, path)
    return answer
  } catch (error) {
    if (!(error instanceof Unreachable)) throw error
    const kept = await store.get('answers', path)
    if (kept === undefined) throw error
    // oxlint-disable-next-line typescript/consistent-type-assertions -- put there above under the same path
    return kept as T
  }
}
