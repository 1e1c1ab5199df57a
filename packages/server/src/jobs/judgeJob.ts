import { openStops } from '@tidy-badger/core/findings'
import {
  endsDone,
  isStationDone,
  stationNow,
  jobFindings,
  measuredMinutes,
  type JobDossiers,
  type JobState,
  type JournalEntry,
} from '@tidy-badger/core/jobs'
import type { Station } from '@tidy-badger/core/dossiers'

/** Counted up when `judgeJob` says something else for the same journal; stored judgements are then made anew. */
export const judgementVersion = 6

/** What follows from a journal for the yard's list and for the learning of times. */
export interface Judged {
  machineName: string
  kitName: string
  changedAt: string | null
  station: Station
  finished: boolean
  connected: number
  ends: number
  stop: string | null
  missing: string[]
  rides: number
  machine: { id: string; version: number; hash: string; variant?: string }
  kit: { id: string; version: number; hash: string }
  /** Minutes that pieces of work took, once the job is finished. */
  times: { key: string; minutes: number }[]
}

/** @param journal in `seq` order, replayed into `state` */
export function judgeJob(
  dossiers: JobDossiers,
  refs: Pick<Judged, 'machine' | 'kit'>,
  journal: readonly JournalEntry[],
  state: JobState,
): Judged {
  const { machine, kit } = dossiers
  const findings = jobFindings(dossiers, state)
  const finished = isStationDone(dossiers, state, 'hand-back', findings)
  return {
    ...refs,
    machineName: `${machine.maker} ${machine.model}`,
    kitName: `${kit.maker} ${kit.model}`,
    changedAt: journal.at(-1)?.receivedAt ?? null,
    station: stationNow(dossiers, state, findings),
    finished,
    connected: endsDone(dossiers, state, findings),
    ends: kit.ends.length,
    stop: openStops(findings)[0]?.reason ?? null,
    missing: kit.parts.filter((part) => state.parts[part.id]?.state === 'missing').map((part) => part.name),
    rides: state.logs.length,
    times: finished ? measuredMinutes(journal, dossiers).map(({ key, minutes }) => ({ key, minutes })) : [],
  }
}
