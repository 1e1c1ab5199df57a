import type { WorkItem } from '@tidy-badger/core/jobs'
import { WakeNow } from '../../wake/index.ts'
import { showWorkPicture } from '../../work/index.ts'

/** What is done now with the key on, in place of the machine. */
export function LiveCard({ item }: { item: WorkItem }) {
  return <WakeNow item={item} onSettings={() => showWorkPicture('settings')} />
}
