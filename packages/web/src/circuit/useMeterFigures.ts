import type { MeterFigure } from '@tidy-badger/core/circuit'
import type { JobDossiers, JobState } from '@tidy-badger/core/jobs'
import { useOnCircuit, type CircuitWork } from './useOnCircuit.ts'

const figuresOf: CircuitWork<ReadonlyMap<string, MeterFigure>> = async (api, key, state) =>
  new Map((await api.figures(key, state)).map((figure) => [figure.card, figure]))

/** What the circuit gives for each card, by its id. */
export function useMeterFigures(dossiers: JobDossiers, state: JobState): ReadonlyMap<string, MeterFigure> | null {
  return useOnCircuit(dossiers, state, figuresOf)
}
