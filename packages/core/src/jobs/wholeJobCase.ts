import { stations, stationsOf, type Station } from '../dossiers/index.ts'
import { purposeOf } from '../vehicles/index.ts'
import { replay } from './jobJournal.ts'
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

/** The rest of a job that has begun: what a fitter writes down from where its journal is to its hand-back, for whatever it is. */
export function wholeJobOf(dossiers: JobDossiers, before: readonly NewEntry[]): NewEntry[] {
  const entries: NewEntry[] = []
  const write = (body: EntryBody) =>
    entries.push({
      id: `r${entries.length}`,
      by: 'Ilse',
      at: new Date(begins + (before.length + entries.length) * apartMs).toISOString(),
      ...body,
    })
  for (const station of stationsOf(purposeOf(replay(dossiers, before)))) {
    for (const body of smoothWork(dossiers, station, [...before, ...entries], () => 'Looked at, as it should be.'))
      write(body)
    write({ kind: 'station-done', station })
  }
  return entries
}
