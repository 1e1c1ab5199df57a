import type { JobDossiers } from '@tidy-badger/core/jobs'
import { wrap, type Remote } from 'comlink'
import type { CircuitApi } from './circuitWorker.ts'

let api: Remote<CircuitApi> | undefined
let sent: ({ key: number } & Pick<JobDossiers, 'machine' | 'kit'>) | null = null

/** Works something out beside the screen, on the circuit of these dossiers. */
export function onCircuit<T>(
  dossiers: JobDossiers,
  work: (api: Remote<CircuitApi>, key: number) => Promise<T>,
): Promise<T> {
  api ??= wrap<CircuitApi>(new Worker(new URL('./circuitWorker.ts', import.meta.url), { type: 'module' }))
  const { machine, kit } = dossiers
  if (sent?.machine !== machine || sent.kit !== kit) {
    sent = { key: (sent?.key ?? 0) + 1, machine, kit }
    void api.take(sent.key, { machine, kit })
  }
  return work(api, sent.key)
}
