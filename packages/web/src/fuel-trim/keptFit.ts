import { deviceStore } from '../platform/storage/deviceStore.ts'
import type { FitOutcome } from './fitWorker.ts'

type Fitted = Extract<FitOutcome, { ok: true }>

interface KeptFit {
  /** What it was made of. */
  of: string
  /** Which code made it: the address of this script has a hash of all it stands on. */
  by: string
  fitted: Fitted
}

const pathOf = (log: string) => `fit ${log}`

/** What a log said when it was last worked out on this device, of the same things and by the same code. */
export async function keptFit(log: string, of: string): Promise<Fitted | null> {
  // oxlint-disable-next-line typescript/consistent-type-assertions -- put there below under the same path
  const kept = (await (await deviceStore()).get('answers', pathOf(log))) as KeptFit | undefined
  return kept?.of === of && kept.by === import.meta.url ? kept.fitted : null
}

/** Keeps the last one of each log. */
export async function keepFit(log: string, of: string, fitted: Fitted): Promise<void> {
  const kept: KeptFit = { of, by: import.meta.url, fitted }
  await (await deviceStore()).put('answers', kept, pathOf(log))
}
