import type { DossierRef } from '@tidy-badger/core/dossiers'
import type { JobService } from '../jobs/index.ts'
import type { AppDeps } from '../platform/deps.ts'
import { notFound } from '../platform/errors.ts'
import { serialize } from '../platform/serialize.ts'
import { plateKey, recordOf, type VehicleEntry, type VehicleRecord } from './record.ts'
import { vehicleRepository, type VehicleRow } from './repository.ts'

/** What is written down of machines on file, kept from the table; jobs that belong to none are gathered when it is asked. */
export function fileOf(deps: Pick<AppDeps, 'db' | 'now' | 'newId'>, jobs: JobService) {
  const repository = vehicleRepository(deps.db)
  const inTurn = serialize()
  let read: Promise<Map<string, VehicleRecord>> | undefined

  /** All machines on file as they are written down. */
  const records = () => {
    read ??= readAll()
    read.catch(() => (read = undefined))
    return read
  }

  async function readAll(): Promise<Map<string, VehicleRecord>> {
    const rows = new Map<string, VehicleRow[]>()
    for (const row of await repository.all()) rows.set(row.vehicle, [...(rows.get(row.vehicle) ?? []), row])
    return new Map(
      [...rows].flatMap(([id, entries]): [string, VehicleRecord][] => {
        const record = recordOf(id, entries)
        return record ? [[id, record]] : []
      }),
    )
  }

  async function write(...entries: { vehicle: string; body: VehicleEntry }[]): Promise<void> {
    await repository.append(entries, deps.now())
    read = undefined
  }

  /** Every machine on file, jobs that belong to none gathered: by machine and plate, the rest one each. */
  const known = (): Promise<Map<string, VehicleRecord>> =>
    inTurn('vehicles', async () => {
      const all = await records()
      const taken = new Set([...all.values()].flatMap((record) => record.jobs))
      const { jobs: listed } = await jobs.list({ archived: 'all', deleted: false })
      const fresh = listed.filter((job) => !taken.has(job.id))
      if (fresh.length === 0) return all
      const entries: { vehicle: string; body: VehicleEntry }[] = []
      const byPlate = new Map<string, string>()
      for (const { id, machine, plate, mergedInto } of all.values())
        if (mergedInto === null && plateKey(plate) !== '') byPlate.set(`${machine.id} ${plateKey(plate)}`, id)
      for (const job of fresh) {
        if (!('machine' in job)) continue
        const plate = plateKey(job.plate)
        const key = `${job.machine.id} ${plate}`
        let vehicle = plate === '' ? undefined : byPlate.get(key)
        if (vehicle === undefined) {
          vehicle = deps.newId()
          const owner = job.owner === null ? null : { name: job.owner }
          entries.push({
            vehicle,
            // oxlint-disable-next-line typescript/consistent-type-assertions -- the reference of a stored job
            body: { kind: 'registered', machine: job.machine as DossierRef, plate: job.plate, frame: null, owner },
          })
          if (plate !== '') byPlate.set(key, vehicle)
        }
        entries.push({ vehicle, body: { kind: 'took-job', job: job.id } })
      }
      if (entries.length > 0) await write(...entries)
      return records()
    })

  async function recordById(id: string): Promise<VehicleRecord> {
    const all = await known()
    let record = all.get(id)
    for (let hops = 0; record && record.mergedInto !== null && hops < all.size; hops++)
      record = all.get(record.mergedInto)
    if (!record) throw notFound('vehicle', id)
    return record
  }

  /** The machine a job is of; only a job that belongs to none yet makes it look through all. */
  async function ofJob(job: string): Promise<string | null> {
    for (const all of [records, known])
      for (const record of (await all()).values()) if (record.jobs.includes(job)) return record.id
    return null
  }

  return {
    ofJob,
    /** One change at a time. */
    inTurn,
    known,
    recordById,
    write,
    all: repository.all,
    async restore(rows: readonly VehicleRow[]): Promise<void> {
      await repository.restore(rows)
      read = undefined
    },
  }
}
