import type { WholeDay } from '@tidy-badger/core/jobs'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { dayBeside, useJob, useTimes } from '../jobs/index.ts'

/** The day of the open job, with the times finished jobs taught; null until it is worked out. Worked out once for all who show it. */
export function useDay(): WholeDay | null {
  const { dossiers, entries, job } = useJob()
  const samples = useTimes(job)
  const { data } = useQuery({
    queryKey: ['day', job.id, entries.length, entries.at(-1)?.id, job.machine, job.kit, samples, dossiers.learnt?.size],
    queryFn: () => dayBeside(job.dossiers, dossiers, entries, samples ?? []),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 10_000,
  })
  return data ?? null
}

/** Minutes as hours and minutes. */
export function hours(minutes: number): string {
  const whole = Math.round(minutes)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}
