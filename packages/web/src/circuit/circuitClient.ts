import type { JobDossiers } from '@tidy-badger/core/jobs'
import { wrap, type Remote } from 'comlink'
import { documentSender } from '../platform/sentDocuments.ts'
import type { CircuitApi } from './circuitWorker.ts'

let api: Remote<CircuitApi> | undefined
const keyOf = documentSender()

/** Works something out beside the screen, on the circuit of these dossiers. */
export function onCircuit<T>(
  dossiers: JobDossiers,
  work: (api: Remote<CircuitApi>, key: number) => Promise<T>,
): Promise<T> {
  const circuit = (api ??= wrap<CircuitApi>(
    new Worker(new URL('./circuitWorker.ts', import.meta.url), { type: 'module' }),
  ))
  return work(circuit, keyOf(dossiers, circuit.take))
}
