import type { MeterFigure } from '@tidy-badger/core/circuit'
import { builtConnections, type JobDossiers, type JobState } from '@tidy-badger/core/jobs'
import { wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { MeterApi } from './meterWorker.ts'

let api: Remote<MeterApi> | undefined

/** What the circuit gives for each card, by its id, worked out beside the screen; null until it is there. */
export function useMeterFigures(dossiers: JobDossiers, state: JobState): ReadonlyMap<string, MeterFigure> | null {
  // Only what is chosen and joined moves the figures; most ticks do neither.
  const { places, joining } = state.decided
  const chosen = Object.entries(places).map(([kitEnd, { value }]) => [kitEnd, value])
  const joined = JSON.stringify([chosen, joining?.value, builtConnections(state)])
  const asked = useRef(state)
  const [found, setFound] = useState<{ of: string; figures: ReadonlyMap<string, MeterFigure> } | null>(null)
  useEffect(() => {
    asked.current = state
  })
  useEffect(() => {
    let gone = false
    api ??= wrap<MeterApi>(new Worker(new URL('./meterWorker.ts', import.meta.url), { type: 'module' }))
    const { decided, connections } = asked.current
    void api.figures(dossiers, { decided, connections }).then((figures) => {
      if (!gone) setFound({ of: joined, figures: new Map(figures.map((figure) => [figure.card, figure])) })
    })
    return () => {
      gone = true
    }
  }, [dossiers, joined])
  return found?.of === joined ? found.figures : null
}
