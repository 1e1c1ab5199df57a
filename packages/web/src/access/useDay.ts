import { jobDay, learntDay, learntTimes, type JobDay, type LearntTimes, type TimeSample } from '@tidy-badger/core/jobs'
import type { MinutesSpread } from '@tidy-badger/core/scheduling'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import { useJob } from '../jobs/index.ts'
import { getKept } from '../platform/api/kept.ts'
import { spreadOf } from './dayClient.ts'

export interface DayView extends JobDay {
  learnt: LearntTimes
  /** Null while the worker is at it. */
  spread: { whole: MinutesSpread; left: MinutesSpread } | null
}

/** The day of the open job, with the times finished jobs taught. */
export function useDay(): DayView {
  const { dossiers, state, job } = useJob()
  const machine = dossiers.machine.id
  const samples = useQuery({
    queryKey: ['times', machine, job.id],
    queryFn: () => getKept<TimeSample[]>(`/api/times?machine=${machine}&without=${job.id}`),
  }).data
  const learnt = useMemo(() => learntTimes(job.dossiers, samples ?? []), [job.dossiers, samples])
  const factor = useMemo(() => learntDay(job.dossiers, samples ?? []), [job.dossiers, samples])
  const day = useMemo(() => jobDay(dossiers, state, learnt, factor), [dossiers, state, learnt, factor])
  const [spread, setSpread] = useState<DayView['spread']>(null)
  useEffect(() => {
    let gone = false
    void spreadOf(day).then((made) => {
      if (!gone) setSpread(made)
    })
    return () => {
      gone = true
    }
  }, [day])
  return { ...day, learnt, spread }
}

/** Minutes as hours and minutes. */
export function hours(minutes: number): string {
  const whole = Math.round(minutes)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}
