import { openStops } from '@tidy-badger/core/findings'
import {
  endsDone,
  isStationDone,
  stationNow,
  jobFindings,
  keyedKits,
  commonKey,
  measuredMinutes,
  mountPlacesOf,
  ownEnds,
  type JobDossiers,
  type JobRefs,
  type JobState,
  type JournalEntry,
} from '@tidy-badger/core/jobs'
import type { Purpose, Station } from '@tidy-badger/core/dossiers'
import { purposeOf } from '@tidy-badger/core/vehicles'

/** Counted up when `judgeJob` says something else for the same journal; stored judgements are then made anew. */
export const judgementVersion = 8

export interface JudgedRef {
  id: string
  version: number
  hash: string
  variant?: string
}

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
  machine: JudgedRef
  kit: JudgedRef
  /** All kits of the job, by what each is called in it. */
  kits: (JudgedRef & { key: string })[]
  /** Kits that were in the machine before. */
  present: JudgedRef[]
  /** Where each module sits, or is to sit. */
  places: { kit: string; place: string | null }[]
  purpose: Purpose
  /** Its kits that came off another machine, by the jobs that took them off. */
  fromShelf: { job: string; as: string }[]
  /** What take-in wrote down, as far as it tells one machine from another. */
  plate: string | null
  owner: string | null
  /** Minutes that pieces of work took, once the job is finished. */
  times: { key: string; minutes: number }[]
}

/** @param journal in `seq` order, replayed into `state` */
export function judgeJob(
  dossiers: JobDossiers,
  refs: JobRefs,
  journal: readonly JournalEntry[],
  state: JobState,
): Judged {
  const { machine, kit } = dossiers
  const findings = jobFindings(dossiers, state)
  const finished = isStationDone(dossiers, state, 'hand-back', findings)
  const answer = (question: 'plate' | 'owner') => state.decided.answers[question]?.value ?? null
  return {
    machine: refs.machine,
    kit: refs.kit,
    kits: keyedKits(refs).map(({ key, ref }) => ({ key, ...ref })),
    present: refs.present ?? [],
    places: mountPlacesOf(dossiers, state).flatMap(({ member, place }) =>
      member.present ? [] : [{ kit: member.key === '' ? member.id : member.key, place: place?.id ?? null }],
    ),
    purpose: purposeOf(state),
    fromShelf: state.fromShelf,
    plate: answer('plate'),
    owner: answer('owner'),
    machineName: `${machine.maker} ${machine.model}`,
    kitName: `${kit.maker} ${kit.model}`,
    changedAt: journal.at(-1)?.receivedAt ?? null,
    station: stationNow(dossiers, state, findings),
    finished,
    connected: endsDone(dossiers, state, findings),
    ends: ownEnds(kit).length,
    stop: openStops(findings)[0]?.reason ?? null,
    missing: kit.parts.filter((part) => state.parts[part.id]?.state === 'missing').map((part) => part.name),
    rides: state.logs.length,
    times: finished
      ? measuredMinutes(journal, dossiers).map(({ key, minutes }) => ({ key: commonKey(dossiers, key), minutes }))
      : [],
  }
}
