import type { JobState } from '@tidy-badger/core/jobs'
import { momentText } from '../../platform/when.ts'
import { useState } from 'react'
import { Photo } from '../../photos/index.ts'
import { Button } from '../../ui/Button.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { useJob } from '../useJob.ts'

type JobPhoto = JobState['photos'][number]

const showsWords = { before: 'before', damage: 'found damage', work: 'work', after: 'after' }

function wordsOf(photo: JobPhoto): string {
  return `Photo, ${showsWords[photo.shows]}${photo.caption ? `: ${photo.caption}` : ''}`
}

/** Some photos as small pictures; one tap makes one large. */
export function Photos({ photos }: { photos: readonly JobPhoto[] }) {
  const [open, setOpen] = useState<string | null>(null)
  const shown = photos.find((photo) => photo.entry === open)
  return (
    <>
      <ul className="flex flex-wrap gap-2">
        {photos.map((photo) => (
          <li key={photo.entry}>
            <button
              type="button"
              onClick={() => setOpen(photo.entry)}
              className="block overflow-hidden rounded-lg border-2 border-line"
            >
              <Photo hash={photo.photo} alt={wordsOf(photo)} className="h-[72px] w-[96px]" />
            </button>
          </li>
        ))}
      </ul>
      <Sheet open={shown !== undefined} onClose={() => setOpen(null)} title="Photo" wide>
        {shown && <LargePhoto photo={shown} onClose={() => setOpen(null)} />}
      </Sheet>
    </>
  )
}

function LargePhoto({ photo, onClose }: { photo: JobPhoto; onClose: () => void }) {
  const { undo, write } = useJob()
  return (
    <figure>
      <Photo hash={photo.photo} alt={wordsOf(photo)} className="max-h-[70dvh] w-full !object-contain" />
      <figcaption className="mt-2 flex flex-wrap items-center justify-between gap-3">
        <span>
          {wordsOf(photo)}
          <span className="block text-quiet">
            {photo.by ?? 'nobody named'}
            {photo.at ? `, ${momentText(new Date(photo.at))}` : ''} · {photo.widthPx} × {photo.heightPx},{' '}
            {Math.round(photo.bytes / 1024)} kB{photo.handBack ? ' · goes into the hand-back' : ''}
          </span>
        </span>
        <Button onClick={() => void write({ kind: 'photo-packed', photo: photo.entry, handBack: !photo.handBack })}>
          {photo.handBack ? 'Out of the hand-back' : 'Into the hand-back'}
        </Button>
        <Button
          onClick={() => {
            onClose()
            void undo(photo.entry)
          }}
        >
          Take it out
        </Button>
      </figcaption>
    </figure>
  )
}
