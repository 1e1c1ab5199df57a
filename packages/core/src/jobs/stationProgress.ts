import { stations, type Station, type Step } from '../dossiers/index.ts'
import { proposeMatches, type Match } from '../wiring/index.ts'
import { locksOf } from './choices.ts'
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

/** Ends as the plan has them, choices of the job kept; computed once per pair of dossiers and set of choices. */
export function planOf(dossiers: JobDossiers, state?: Pick<JobState, 'choices'>): Match[] {
  const locks = state ? locksOf(dossiers.kit, state) : []
  const key = JSON.stringify(locks)
  const known = plans.get(dossiers) ?? new Map<string, Match[]>()
  plans.set(dossiers, known)
  const plan = known.get(key) ?? proposeMatches(dossiers.machine, dossiers.kit, locks)
  known.set(key, plan)
  return plan
}
const plans = new WeakMap<JobDossiers, Map<string, Match[]>>()
