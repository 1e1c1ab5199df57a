import { stations, type Station } from '../dossiers/index.ts'
import type { EntryBody, NewEntry } from './model.ts'
import { smoothWork } from './smoothWork.ts'
import type { JobDossiers } from './state.ts'

const begins = Date.UTC(2026, 5, 1, 7)
/** Between two entries: long enough for every wait to be over. */
const apartMs = 2 * 3_600_000

/** A whole job as a fitter writes it down when all goes well, every wait waited out, every station done, up to and with `last`. */
export function wholeJob(dossiers: JobDossiers, last: Station = 'hand-back'): NewEntry[] {
  const entries: NewEntry[] = []
  const write = (body: EntryBody) =>
    entries.push({
      id: `w${entries.length}`,
      by: 'Runa',
      at: new Date(begins + entries.length * apartMs).toISOString(),
      ...body,
    })
  for (const station of stations.slice(0, stations.indexOf(last) + 1)) {
    for (const body of smoothWork(dossiers, station, entries, () => 'Looked at, as it should be.')) write(body)
    write({ kind: 'station-done', station })
  }
  return entries
}
