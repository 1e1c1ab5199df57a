import { stations, type Station } from '../dossiers/index.ts'
import { connectionPlan } from '../wiring/index.ts'
import { replay } from './jobJournal.ts'
import type { EntryBody, NewEntry } from './model.ts'
import { planTicks } from './planTicks.ts'
import type { JobDossiers } from './state.ts'
import { entriesOfWork, stationWork } from './workItems.ts'

const begins = Date.UTC(2026, 5, 1, 7)
/** Between two entries: long enough for every wait to be over. */
const apartMs = 2 * 3_600_000

/**
 * A whole job as a fitter writes it down when all goes well: every tick in its order, what is asked for given, every wait waited out,
 * every station done, up to and with `last`.
 */
export function wholeJob(dossiers: JobDossiers, last: Station = 'hand-back'): NewEntry[] {
  const entries: NewEntry[] = []
  const write = (...bodies: EntryBody[]) => {
    for (const body of bodies)
      entries.push({
        id: `w${entries.length}`,
        by: 'Runa',
        at: new Date(begins + entries.length * apartMs).toISOString(),
        ...body,
      })
  }
  for (const station of stations.slice(0, stations.indexOf(last) + 1)) {
    if (station === 'check-kit')
      write(...dossiers.kit.parts.map((part): EntryBody => ({ kind: 'part-checked', part: part.id, state: 'present' })))
    else if (station === 'hook-up') hookUp(dossiers, entries, write)
    else
      for (const item of stationWork(dossiers, replay(dossiers, entries), station)) {
        const { reading, asks = undefined, id = '' } = item.kind === 'step' ? item.step : {}
        if (reading) {
          const { low = reading.high ?? 0, high = low, quantity, unit } = reading
          write({ kind: 'reading', quantity, value: (low + high) / 2, unit, step: id })
        }
        const words = asks ? { wrote: 'Looked at, as it should be.' } : {}
        write(...entriesOfWork(item, dossiers, replay(dossiers, entries), words))
      }
    write({ kind: 'station-done', station })
  }
  return entries
}

function hookUp(dossiers: JobDossiers, entries: readonly NewEntry[], write: (...bodies: EntryBody[]) => void): void {
  const plan = connectionPlan(dossiers)
  for (const end of dossiers.kit.ends) {
    const match = plan.find(({ kitEnd }) => kitEnd === end.id)
    for (const tick of planTicks(dossiers, replay(dossiers, entries), end, match)) write(tick.makes)
  }
}
