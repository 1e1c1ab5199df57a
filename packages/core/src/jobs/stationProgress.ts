import { stations, type Station, type Step } from '../dossiers/index.ts'
import { proposeMatches } from '../wiring/index.ts'
import type { JobDossiers, JobState } from './model.ts'

export interface StationProgress {
  station: Station
  /** Ticks made and wanted; what is wanted may be none. */
  made: number
  wanted: number
  done: boolean
}

/** What to do at a station, the machine's steps first. */
export function stepsOf({ machine, kit }: JobDossiers, station: Station): Step[] {
  return [...machine.steps, ...kit.steps].filter((step) => step.station === station)
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
  const steps = stepsOf(dossiers, station)
  return { made: steps.filter((step) => step.id in state.stepsDone).length, wanted: steps.length }
}

/** Ends as the plan has them, computed once per pair of dossiers. */
export function planOf(dossiers: JobDossiers) {
  const known = plans.get(dossiers)
  if (known) return known
  const plan = proposeMatches(dossiers.machine, dossiers.kit)
  plans.set(dossiers, plan)
  return plan
}
const plans = new WeakMap<JobDossiers, ReturnType<typeof proposeMatches>>()
