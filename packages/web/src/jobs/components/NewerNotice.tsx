import { useQuery } from '@tanstack/react-query'
import { Suspense } from 'react'
import { afterwards } from '../../ui/afterwards.ts'
import { later } from '../../ui/comesLater.tsx'
import { usePreferences } from '../../platform/preferences.ts'
import { fetchNewer } from '../api.ts'
import { useJob } from '../useJob.ts'

const NewerOffer = later(async () => (await import('./NewerOffer.tsx')).NewerOffer)

/** A dossier of this job has a newer version: what it changes, and what it would cost to take it. */
export function NewerNotice() {
  const { job, progress } = useJob()
  const finished = progress.some((item) => item.station === 'hand-back' && item.done)
  const newer = useQuery({
    enabled: !finished,
    queryKey: ['newer', job.id, job.machine.hash, job.kit.hash],
    // Nobody waits for it: the page comes first.
    queryFn: () => afterwards.then(() => fetchNewer(job.id)),
  })
  const declined = usePreferences((state) => state.declinedVersions)
  return (['machine', 'kit'] as const).map((dossier) => {
    const found = newer.data?.[dossier]
    return found && !declined.includes(`${job.id} ${found.to.hash}`) ? (
      <Suspense key={dossier} fallback={null}>
        <NewerOffer dossier={dossier} newer={found} />
      </Suspense>
    ) : null
  })
}
