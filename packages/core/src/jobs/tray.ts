import type { JobDossiers, JobState } from './state.ts'
import type { Done } from '../journal/index.ts'
import type { Cover } from '../dossiers/index.ts'
import { sayBar } from './words.ts'

/** Something taken off and not yet back, with all that came away with it. */
export interface TrayItem {
  cover: Cover
  off: Done
  /** Why it stays off, where somebody has said so. */
  leftOff?: Done & { reason: string }
}

/** Everything taken off and not yet back, last off first, as it goes back. */
export function trayOf({ machine }: JobDossiers, state: Pick<JobState, 'covers'>): TrayItem[] {
  return Object.entries(state.covers)
    .flatMap(([id, { off, on, leftOff }]) => {
      const cover = machine.covers?.find((item) => item.id === id)
      return cover && !on ? [{ cover, off, ...(leftOff ? { leftOff } : {}) }] : []
    })
    .reverse()
}

/** Why a station cannot be done with what is in the tray; null when it can. */
export function trayBars(dossiers: JobDossiers, state: JobState, station: string): string | null {
  const open = trayOf(dossiers, state).filter((item) => !item.leftOff)
  if (station === 'set-up' || station === 'wake') {
    const needed = open.filter((item) => item.cover.run)
    return needed.length > 0 ? sayBar('run-cover-off', { covers: names(needed) }).words : null
  }
  if (station !== 'close-up' && station !== 'hand-back') return null
  return open.length > 0 ? sayBar('tray-not-empty', { covers: names(open) }).words : null
}

function names(items: readonly TrayItem[]): string[] {
  return items.map(({ cover }) => cover.name)
}
