import { earlierWorks, type EarlierWork } from '@tidy-badger/core/wiring'
import type { Station } from '@tidy-badger/core/dossiers'
import { wordsOf, type WorkItem } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { PhotoButton, useJob } from '../../jobs/index.ts'
import { useKeptText } from '../../platform/keptTexts.ts'
import { Button } from '../../ui/Button.tsx'
import { Sheet } from '../../ui/Sheet.tsx'

/** What is different on this machine: a note, a photo, something an earlier fitter left. Nothing is lost by it. */
export function NotLikeThis({
  item,
  station,
  open,
  onClose,
}: {
  item: WorkItem
  station: Station
  open: boolean
  onClose: () => void
}) {
  const { job, write } = useJob()
  const [text, setText] = useKeptText(`job/${job.id}/not-like-this/${station}`)
  const [what, setWhat] = useState<EarlierWork | ''>('')
  const cover =
    item.kind === 'cover-off' ? item.removal.cover.id : item.kind === 'cover-on' ? item.closing.cover.id : null
  const save = async () => {
    if (text.trim() === '') return
    const written = await write(
      what === ''
        ? { kind: 'note', text: `${wordsOf(item)}: ${text.trim()}`, about: { station } }
        : { kind: 'found', what, text: text.trim() },
    )
    if (!written) return
    setText('')
    setWhat('')
    onClose()
  }
  return (
    <Sheet open={open} onClose={onClose} title="Not like this" hint={wordsOf(item)}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          void save()
        }}
      >
        <label className="flex flex-col">
          What is different here
          <textarea rows={3} value={text} onChange={(event) => setText(event.target.value)} />
        </label>
        <label className="flex flex-col">
          Left by an earlier fitter?
          <select
            value={what}
            onChange={(event) => setWhat(earlierWorks.find((known) => known === event.target.value) ?? '')}
          >
            <option value="">No, just a note</option>
            {earlierWorks.map((known) => (
              <option key={known} value={known}>
                {known}
              </option>
            ))}
          </select>
        </label>
        <Button type="submit" look="main" disabled={text.trim() === ''}>
          Write it down
        </Button>
        <PhotoButton
          shows="damage"
          about={{ station, ...(cover ? { cover } : {}), ...(item.kind === 'step' ? { step: item.step.id } : {}) }}
          label="Photo of it"
        />
        {item.kind === 'cover-on' && (
          <p className="text-quiet">It stays off for good? Tap it in the tray and say why.</p>
        )}
      </form>
    </Sheet>
  )
}
