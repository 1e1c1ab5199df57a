import { stations, type Station } from '../dossiers/index.ts'
import type { JobDossiers, JobState } from './model.ts'
import { workOf } from './workItems.ts'

export interface StationProgress {
  station: Station
  /** Ticks made and wanted; what is wanted may be none. */
  made: number
  wanted: number
  done: boolean
}

/** How far each station is, in working order. */
export function stationProgress(dossiers: JobDossiers, state: JobState): StationProgress[] {
  return stations.map((station) => ({
    station,
    ...count(dossiers, state, station),
    done: station in state.stationsDone,
  }))
}

/** The first station that is not done; the last when all are. */
export function stationNow(state: JobState): Station {
  return stations.find((station) => !(station in state.stationsDone)) ?? 'hand-back'
}

function count(dossiers: JobDossiers, state: JobState, station: Station): { made: number; wanted: number } {
  const { kit } = dossiers
  if (station === 'check-kit')
    return { made: kit.parts.filter((part) => part.id in state.parts).length, wanted: kit.parts.length }
  if (station === 'hook-up') {
    const made = kit.ends.filter((end) => state.connections.some((connection) => connection.kitEnd === end.id))
    return { made: made.length, wanted: kit.ends.length }
  }
  const items = workOf(dossiers, state, station)
  return { made: items.filter((item) => item.done).length, wanted: items.length }
}
