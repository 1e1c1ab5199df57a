import { wordsOf, type WorkItem } from '@tidy-badger/core/jobs'
import { WakeNow } from '../../wake/index.ts'
import { askOf, askTitle, showWorkPicture } from '../../work/index.ts'

/** What is done now with the key on, in place of the machine. */
export function LiveCard({ item }: { item: WorkItem }) {
  const asked = item.done ? null : askOf(item)
  const says = asked !== null && askTitle(asked) !== null ? wordsOf(item) : null
  return <WakeNow item={item} says={says} onSettings={() => showWorkPicture('settings')} />
}
