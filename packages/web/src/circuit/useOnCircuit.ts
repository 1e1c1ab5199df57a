import { builtConnections, type JobDossiers, type JobState } from '@tidy-badger/core/jobs'
import type { Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import { onCircuit } from './circuitClient.ts'
import type { CircuitApi, Wired } from './circuitWorker.ts'

/** What is asked of the circuit of a job, beside the screen. */
export type CircuitWork<T> = (api: Remote<CircuitApi>, key: number, state: Wired) => Promise<T>

/**
 * What the circuit of a job gives, worked out beside the screen; null until it is there.
 * @param work the same function at every render
 */
export function useOnCircuit<T>(dossiers: JobDossiers, state: JobState, work: CircuitWork<T>): T | null {
  // Only what is chosen and joined moves the figures; most ticks do neither.
  const { machine, kit } = dossiers
  const { places, joining } = state.decided
  const chosen = Object.entries(places).map(([kitEnd, { value }]) => [kitEnd, value])
  const joined = JSON.stringify([chosen, joining?.value, builtConnections(state)])
  const asked = useRef(state)
  const [found, setFound] = useState<{ of: string; given: T } | null>(null)
  useEffect(() => {
    asked.current = state
  })
  useEffect(() => {
    let gone = false
    const { decided, connections } = asked.current
    void onCircuit({ machine, kit }, (api, key) => work(api, key, { decided, connections })).then((given) => {
      if (!gone) setFound({ of: joined, given })
    })
    return () => {
      gone = true
    }
  }, [machine, kit, joined, work])
  return found?.of === joined ? found.given : null
}
