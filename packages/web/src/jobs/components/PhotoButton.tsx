import type { PhotoPlace, PhotoShows } from '@tidy-badger/core/photos'
import type { EntryBody } from '@tidy-badger/core/jobs'
import { Camera } from 'lucide-react'
import { useState } from 'react'
import { notice } from '../../ui/notices.ts'
import { keepPhoto } from '../../photos/index.ts'
import { FileButton } from '../../ui/FileButton.tsx'
import { useJob } from '../useJob.ts'

/** Takes photos with the phone or from files and hangs them on what is in hand. What they stand for is written with the first. */
export function PhotoButton({
  shows,
  about,
  label = 'Photo',
  look = 'plain',
  standsFor,
  onKept,
}: {
  shows: PhotoShows
  about: PhotoPlace
  label?: string
  look?: 'plain' | 'quiet' | 'dock'
  standsFor?: readonly EntryBody[]
  onKept?: () => void
}) {
  const { write } = useJob()
  const [busy, setBusy] = useState(false)
  const take = async (files: readonly File[]) => {
    setBusy(true)
    let open = standsFor ?? []
    for (const file of files)
      try {
        const written = await write(await keepPhoto(file, shows, about), ...open)
        if (written) open = []
        if (written && file === files.at(-1)) onKept?.()
      } catch (error) {
        notice.bad(`${file.name}: ${error instanceof Error ? error.message : 'it could not be kept.'}`)
      }
    setBusy(false)
  }
  return (
    <FileButton
      accept="image/*"
      label={`${label}: pick or take pictures`}
      multiple
      look={look}
      disabled={busy}
      onFiles={(files) => void take(files)}
    >
      <Camera aria-hidden size={20} /> {busy ? 'Making it smaller…' : label}
    </FileButton>
  )
}
