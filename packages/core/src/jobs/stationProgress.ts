import type { JobDossiers, JobState } from './state.ts'
import { openStops } from '../findings/index.ts'
import { stations, stationsOf, type Station } from '../dossiers/index.ts'
import { whileItStands } from '../shared/index.ts'
import { purposeOf, stockBars } from '../vehicles/index.ts'
import { endsDone, ownEnds } from './endProgress.ts'
import { capabilities } from './capabilities.ts'
import type { Capability } from './capability.ts'
import { barsStation, gatedStations, jobFindings, type JobFinding } from './jobFindings.ts'
import { trayBars } from './tray.ts'
import { stationWork } from './workItems.ts'

export interface StationProgress {
  station: Station
  /** Ticks made and wanted; what is wanted may be none. */
  made: number
  wanted: number
  done: boolean
  /** It was done, and is open again: why. */
  reopened?: string
}

/** What bars a station from being done, at the moment it is written down and as long as it is to count. */
export interface StationBar {
  code: 'stop-open' | 'tray-not-empty' | 'not-set-up'
  says: string
}

/**
 * Open stops before the engine runs and the machine leaves, and what is still in the tray.
 * @param findings of the job, asked for only where stops bar
 */
export function stationBars(
  dossiers: JobDossiers,
  state: JobState,
  station: Station,
  findings: () => readonly JobFinding[] = () => jobFindings(dossiers, state),
  list: readonly Capability[] = capabilities,
): StationBar[] {
  const stops =
    gatedStations.includes(station) || station === 'set-up'
      ? barring(state, findings()).filter((finding) => barsStation(station, finding))
      : []
  const tray = trayBars(dossiers, state, station)
  const own = list.flatMap(({ bars }) => bars?.(dossiers, state, station) ?? [])
  return [
    ...stops.map(({ reason, remedy }): StationBar => ({ code: 'stop-open', says: `${reason} ${remedy}` })),
    ...own.map((says): StationBar => ({ code: 'not-set-up', says })),
    ...(tray === null ? [] : [{ code: 'tray-not-empty' as const, says: tray }]),
  ]
}

/** Open stops, and on the way back to stock every circuit that is not the factory's again, whoever says what. */
function barring(state: JobState, findings: readonly JobFinding[]): readonly JobFinding[] {
  const bars: readonly string[] = stockBars
  const left = purposeOf(state) === 'stock' ? findings.filter(({ rule }) => bars.includes(rule)) : []
  return [...openStops(findings), ...left]
}

/** How far each station is, in working order. What was done and is barred now is open again, whatever came after it. */
export function stationProgress(dossiers: JobDossiers, state: JobState): StationProgress[] {
  return whileItStands(state, () => {
    const findings = jobFindings(dossiers, state)
    return stations.map((station) => progressAt(dossiers, state, station, findings))
  })
}

/** How far one station is. @param findings of the job as built */
export function progressAt(
  dossiers: JobDossiers,
  state: JobState,
  station: Station,
  findings: readonly JobFinding[],
): StationProgress {
  return {
    station,
    ...count(dossiers, state, station, findings),
    ...standing(dossiers, state, station, findings),
  }
}

/** Whether a station is done and still counts as done. */
export function isStationDone(
  dossiers: JobDossiers,
  state: JobState,
  station: Station,
  findings?: readonly JobFinding[],
): boolean {
  return standing(dossiers, state, station, findings).done
}

/** The first station that is not done; the last when all are. */
export function stationNow(dossiers: JobDossiers, state: JobState, findings?: readonly JobFinding[]): Station {
  return stations.find((station) => !isStationDone(dossiers, state, station, findings)) ?? 'hand-back'
}

function standing(
  dossiers: JobDossiers,
  state: JobState,
  station: Station,
  findings?: readonly JobFinding[],
): Pick<StationProgress, 'done' | 'reopened'> {
  if (!stationsOf(purposeOf(state)).includes(station)) return { done: true }
  if (!(station in state.stationsDone)) return { done: false }
  const [bar] = stationBars(dossiers, state, station, findings && (() => findings))
  return bar ? { done: false, reopened: bar.says } : { done: true }
}

function count(
  dossiers: JobDossiers,
  state: JobState,
  station: Station,
  findings: readonly JobFinding[],
): { made: number; wanted: number } {
  const { kit } = dossiers
  if (!stationsOf(purposeOf(state)).includes(station)) return { made: 0, wanted: 0 }
  if (station === 'check-kit')
    return { made: kit.parts.filter((part) => part.id in state.parts).length, wanted: kit.parts.length }
  if (station === 'hook-up') return { made: endsDone(dossiers, state, findings), wanted: ownEnds(kit).length }
  const items = stationWork(dossiers, state, station)
  return { made: items.filter((item) => item.done).length, wanted: items.length }
}
