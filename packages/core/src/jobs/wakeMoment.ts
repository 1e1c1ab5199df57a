import type { LampMoment } from '../dossiers/index.ts'
import type { WorkItem } from './workItems.ts'

/** The engine runs for a thing to do, the key is on, or neither. */
export type WakeMoment = LampMoment | 'off'

/** In which of them an item is done. */
export function momentOf(item: WorkItem): WakeMoment {
  if (item.kind === 'own')
    return item.asks === 'throttle' ? 'key on' : item.asks === undefined || item.asks === 'boss' ? 'off' : 'running'
  if (item.kind !== 'step') return 'off'
  const { engine, needs, station, proof } = item.step
  if (engine === 'runs') return 'running'
  return needs?.power === 'on' || proof === 'pedal' || proof === 'selector' || station === 'wake' ? 'key on' : 'off'
}

/** Whether the key is on, or the engine runs, for an item. */
export const wakesAt = (item: WorkItem): boolean => momentOf(item) !== 'off'
