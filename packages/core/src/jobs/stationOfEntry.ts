import type { Station } from '../dossiers/index.ts'
import type { JobDossiers, NewEntry } from './model.ts'

/** The station an entry belongs to, where it says so by itself. */
export function stationOfEntry(entry: NewEntry, { machine, kit }: JobDossiers): Station | null {
  switch (entry.kind) {
    case 'step-done':
      return [...machine.steps, ...kit.steps].find((step) => step.id === entry.step)?.station ?? null
    case 'reading':
      return [...machine.steps, ...kit.steps].find((step) => step.id === entry.step)?.station ?? 'hook-up'
    case 'part-checked':
    case 'tool-checked':
      return 'check-kit'
    case 'cover-off':
      return 'open-up'
    case 'cover-on':
    case 'left-off':
      return 'close-up'
    case 'connected':
    case 'disconnected':
    case 'tugged':
      return 'hook-up'
    case 'routed':
      return 'lay-loom'
    case 'mounted':
      return entry.trial ? 'lay-loom' : 'tie-down'
    case 'tied':
      return 'tie-down'
    case 'station-done':
      return entry.station
    case 'photo':
      return entry.about?.station ?? null
    case 'told':
      return 'take-in'
    case 'log-imported':
    case 'trim-accepted':
    case 'trim-loaded':
      return 'trim'
    default:
      return null
  }
}
