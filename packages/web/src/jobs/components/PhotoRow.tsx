import type { JobState } from '@tidy-badger/core/jobs'
import { Suspense } from 'react'
import { later } from '../../ui/comesLater.tsx'

const Photos = later(async () => (await import('./Photos.tsx')).Photos)

/** Photos as small pictures, where there are any. */
export function PhotoRow({ photos }: { photos: JobState['photos'] }) {
  if (photos.length === 0) return null
  return (
    <Suspense fallback={null}>
      <Photos photos={photos} />
    </Suspense>
  )
}
