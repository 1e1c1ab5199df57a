import {
  workedOut,
  workOutJob,
  type JobDossiers,
  type JobState,
  type JournalEntry,
  type WorkedOut,
} from '@tidy-badger/core/jobs'
import type { Erratum } from '@tidy-badger/core/wiring'
import { startTransition, useEffect, useMemo, useState } from 'react'

interface Planned {
  job: { id: string }
  dossiers: JobDossiers
  entries: JournalEntry[]
  state: JobState
}
/** A job, and what is known of its sheets. */
interface Given<Job extends Planned> {
  planned: Job
  errata: readonly Erratum[]
}
/** And what follows from both. */
interface JobWorkedOut<Job extends Planned> extends Given<Job> {
  worked: WorkedOut
}

const pause = () => new Promise((next) => setTimeout(next))

/** How long a piece of it may hold the screen before a key or a finger gets its turn, ms. */
const pieceMs = 4

/**
 * Works a job out between what the screen has to do.
 * @param gone whether nobody waits for it any more
 * @param most how long the screen may be held at once, ms
 * @returns null where that is so
 */
export async function workOutBetween(
  dossiers: JobDossiers,
  state: JobState,
  errata: readonly Erratum[],
  gone: () => boolean,
  most = pieceMs,
): Promise<WorkedOut | null> {
  for (;;) {
    // Whoever asked has something to do as well.
    await pause()
    if (gone()) return null
    const work = workOutJob(dossiers, state, errata)
    let until = performance.now() + most
    try {
      for (;;) {
        const { done, value } = work.next()
        if (done) return value
        if (performance.now() < until) continue
        await pause()
        if (gone()) return null
        until = performance.now() + most
      }
    } catch (missing) {
      // A plan that nobody has made: it is there once what makes plans is.
      if (!(missing instanceof Promise)) throw missing
      await missing
      if (gone()) return null
    }
  }
}

/**
 * What follows from the open job. A job that is opened, and one of which only more is known, are worked out between what the screen has to
 * do; the one shown before stands meanwhile. What was ticked is worked out at once.
 * @param planned the job with its plans made
 */
export function useWorkedOut<Job extends Planned>(
  planned: Job | null,
  errata: readonly Erratum[],
): JobWorkedOut<Job> | null {
  const [begun, setBegun] = useState<(Given<Job> & { worked: WorkedOut | null }) | null>(null)
  const current = begun && planned && begun.planned.job.id === planned.job.id ? begun : null
  const ticked = current !== null && current.planned.entries !== planned?.entries
  const known = current !== null && current.planned === planned && current.errata === errata
  const later = !ticked && !known
  useEffect(() => {
    if (!planned || !later) return
    let gone = false
    void workOutBetween(planned.dossiers, planned.state, errata, () => gone)
      // What fails here fails where it is shown, and is told there.
      .catch(() => null)
      .then((worked) => {
        if (!gone) startTransition(() => setBegun({ planned, errata, worked }))
      })
    return () => {
      gone = true
    }
  }, [planned, errata, later])
  return useMemo(() => {
    if (!planned || !current) return null
    const { worked, ...of } = current
    if (worked && !ticked) return { ...of, worked }
    return { planned, errata, worked: workedOut(planned.dossiers, planned.state, errata) }
  }, [planned, errata, current, ticked])
}
