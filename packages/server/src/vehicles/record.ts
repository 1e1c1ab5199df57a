import type { DossierRef } from '@tidy-badger/core/dossiers'

export interface Owner {
  name: string
  contact?: string
}

/** What is written down of a machine on file, in its order. */
export type VehicleEntry =
  | { kind: 'registered'; machine: DossierRef; plate: string | null; frame: string | null; owner: Owner | null }
  | { kind: 'changed'; plate?: string | null; frame?: string | null; owner?: Owner | null }
  | { kind: 'took-job'; job: string }
  | { kind: 'gave-job'; job: string }
  /** It is the same machine as another, which has its jobs from now on. */
  | { kind: 'merged'; into: string }

/** A machine on file, as its entries leave it. */
export interface VehicleRecord {
  id: string
  machine: DossierRef
  plate: string | null
  frame: string | null
  owner: Owner | null
  /** In the order they came to it. */
  jobs: string[]
  mergedInto: string | null
  createdAt: string
}

/** A machine on file by its entries; null before it is registered. */
export function recordOf(
  id: string,
  entries: readonly { receivedAt: string; body: VehicleEntry }[],
): VehicleRecord | null {
  let record: VehicleRecord | null = null
  for (const { receivedAt, body } of entries) {
    if (body.kind === 'registered') {
      const { machine, plate, frame, owner } = body
      record = { id, machine, plate, frame, owner, jobs: [], mergedInto: null, createdAt: receivedAt }
    } else if (record) record = changed(record, body)
  }
  return record
}

function changed(record: VehicleRecord, body: Exclude<VehicleEntry, { kind: 'registered' }>): VehicleRecord {
  switch (body.kind) {
    case 'changed': {
      const { kind: _kind, ...what } = body
      return { ...record, ...what }
    }
    case 'took-job':
      return { ...record, jobs: [...record.jobs.filter((job) => job !== body.job), body.job] }
    case 'gave-job':
      return { ...record, jobs: record.jobs.filter((job) => job !== body.job) }
    case 'merged':
      return { ...record, mergedInto: body.into, jobs: [] }
  }
}

/** A plate or frame number as it is compared: letters and digits alone. */
export function plateKey(plate: string | null): string {
  return (plate ?? '').toLocaleUpperCase('en').replaceAll(/[^\p{L}\p{N}]/gu, '')
}
