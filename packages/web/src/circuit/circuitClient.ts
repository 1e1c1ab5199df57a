import type { JobDossiers } from '@tidy-badger/core/jobs'
import { wrap, type Remote } from 'comlink'
import type { CircuitApi } from './circuitWorker.ts'

let api: Remote<CircuitApi> | undefined
let sent: { key: number; dossiers: JobDossiers } | null = null

/** Works something out beside the screen, on the circuit of these dossiers. */
export function onCircuit<T>(
  dossiers: JobDossiers,
  work: (api: Remote<CircuitApi>, key: number) => Promise<T>,
): Promise<T> {
  api ??= wrap<CircuitApi>(new Worker(new URL('./circuitWorker.ts', import.meta.url), { type: 'module' }))
  if (sent?.dossiers !== dossiers) {
    sent = { key: (sent?.key ?? 0) + 1, dossiers }
    void api.take(sent.key, dossiers)
  }
  return work(api, sent.key)
}
