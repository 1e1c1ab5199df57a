import { entryWords } from '@tidy-badger/core/jobs'
import { momentText } from '../../platform/when.ts'
import { Undo2, Redo2 } from 'lucide-react'
import { Button } from '../../ui/Button.tsx'
import { TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { IconButton } from '../../ui/IconButton.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { useJournal } from '../journalStore.ts'
import { useJob } from '../useJob.ts'
import { PhotoButton } from './PhotoButton.tsx'
import { PhotoRow } from './PhotoRow.tsx'

const note = z.object({ text: words(4000) })

/** The journal, newest first, every entry with its way back. */
export function JournalSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Sheet open={open} onClose={onClose} title="Journal" hint="Everything written down on this job, newest first." wide>
      <JournalEntries />
    </Sheet>
  )
}

function JournalEntries() {
  const { job, entries, voided, dossiers, write, undo, state } = useJob()
  const unsent = useJournal((store) => store.unsent)
  const waiting = new Set(unsent.flatMap((batch) => batch.entries.map((entry) => entry.id)))
  const held = new Map(state.held.map((item) => [item.entry, item.why]))
  const undoneBy = new Map(
    entries.flatMap((entry) => (entry.kind === 'undo' && !voided.has(entry.id) ? [[entry.undoes, entry.id]] : [])),
  )
  const fields = useFields(note, {
    start: { text: '' },
    place: `job/${job.id}/note`,
    onSend: ({ text }) => write({ kind: 'note', text }),
  })
  return (
    <>
      <form className="mb-4 flex items-end gap-2" onSubmit={fields.submit}>
        <TextField
          of={fields}
          name="text"
          label="A note"
          hideLabel
          hint="A note for the next person"
          className="min-w-0 flex-1"
        />
        <Button type="submit">Write down</Button>
      </form>
      <ol className="divide-y divide-line-soft">
        {[...entries].reverse().map((entry) => {
          if (entry.kind === 'undo') return null
          const gone = voided.has(entry.id)
          const undoneWith = undoneBy.get(entry.id)
          return (
            <li key={entry.id} className="flex items-center gap-3 py-2">
              <span className="figures w-[86px] shrink-0 text-small text-quiet">
                {momentText(new Date(entry.at ?? entry.receivedAt))}
              </span>
              <span className="min-w-0 flex-1">
                <span className={gone ? 'text-quiet line-through' : ''}>{entryWords(entry, dossiers, state)}</span>
                <span className="block text-small text-quiet">
                  {entry.by ?? 'nobody named'}
                  {waiting.has(entry.id) && ' · not yet sent'}
                  {held.has(entry.id) && ` · does not fit: ${held.get(entry.id)}`}
                </span>
                <PhotoRow
                  photos={state.photos.filter((photo) => photo.entry === entry.id || photo.about?.entry === entry.id)}
                />
              </span>
              {gone && undoneWith ? (
                <IconButton
                  label={`Bring back: ${entryWords(entry, dossiers, state)}`}
                  onClick={() => void write({ kind: 'undo', undoes: undoneWith })}
                >
                  <Redo2 aria-hidden size={19} />
                </IconButton>
              ) : (
                !gone && (
                  <>
                    {entry.kind !== 'photo' && (
                      <PhotoButton shows="work" about={{ entry: entry.id }} label="Photo" look="quiet" />
                    )}
                    <IconButton
                      label={`Undo: ${entryWords(entry, dossiers, state)}`}
                      onClick={() => void undo(entry.id)}
                    >
                      <Undo2 aria-hidden size={19} />
                    </IconButton>
                  </>
                )
              )}
            </li>
          )
        })}
      </ol>
      {entries.length === 0 && <p className="text-quiet">Nothing yet. The first tick stands here.</p>}
    </>
  )
}
