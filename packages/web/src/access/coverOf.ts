import type { Cover } from '@tidy-badger/core/dossiers'
import type { WorkItem } from '@tidy-badger/core/jobs'

/** The cover an item of work moves; null where it moves none. */
export function coverOf(item: WorkItem | undefined): Cover | null {
  if (item?.kind === 'cover-off') return item.removal.cover
  if (item?.kind === 'cover-on') return item.closing.cover
  return null
}
