import type { SignalSort } from '../dossiers/index.ts'

/** Whether a circuit is the track that is wanted; of a sensor with one track that one is the first. */
export function sameTrack(wants: Pick<SignalSort, 'track'>, net: Pick<SignalSort, 'track'>): boolean {
  return wants.track === undefined || (net.track ?? 1) === wants.track
}
