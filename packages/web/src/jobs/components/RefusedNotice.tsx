import { Suspense } from 'react'
import { later } from '../../ui/comesLater.tsx'
import { useJournal } from '../journalStore.ts'
import type { Trouble } from './TroubleNotice.tsx'

/** So often is a batch tried before anybody is bothered with it. */
const quietTries = 1

const TroubleNotice = later(async () => (await import('./TroubleNotice.tsx')).TroubleNotice)

/** What is not with the server and needs somebody: refused, stuck, lost by a restore, or a device that is not paired. */
export function RefusedNotice() {
  const unsent = useJournal((state) => state.unsent)
  const trouble: Trouble = {
    unpaired: useJournal((state) => state.link === 'unpaired'),
    refused: unsent.filter((batch) => batch.state === 'refused'),
    stuck: unsent.filter((batch) => batch.state === 'waiting' && batch.tries > quietTries),
    lost: unsent.filter((batch) => batch.state === 'lost'),
  }
  const { unpaired, refused, stuck, lost } = trouble
  if (!unpaired && refused.length + stuck.length + lost.length === 0) return null
  return (
    <Suspense fallback={null}>
      <TroubleNotice {...trouble} />
    </Suspense>
  )
}
