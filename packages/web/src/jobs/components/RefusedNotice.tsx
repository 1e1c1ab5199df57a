import { Button } from '../../ui/Button.tsx'
import { discardRefused, useJournal } from '../journalStore.ts'
import { useJob } from '../useJob.ts'
import { entryWords } from '../words.ts'

/** What the server would not take, kept until the person decides. */
export function RefusedNotice() {
  const { dossiers, write } = useJob()
  const unsent = useJournal((state) => state.unsent)
  const refused = unsent.filter((batch) => batch.state === 'refused')
  if (refused.length === 0) return null
  return (
    <section role="alert" className="max-h-[40dvh] overflow-y-auto border-b-2 border-stop bg-paper px-5 py-3">
      {refused.map((batch) => (
        <div key={batch.key} className="flex flex-wrap items-center gap-3 py-1">
          <div className="min-w-0 flex-1 basis-72">
            <p className="font-semibold text-stop">
              Not taken: {batch.entries.map((entry) => entryWords(entry, dossiers)).join('; ')}
            </p>
            <p className="text-[15px]">{batch.problems.map((problem) => problem.message).join(' ')}</p>
          </div>
          <Button
            onClick={() => {
              void write({
                kind: 'note',
                text: `Put aside, the job had moved on: ${batch.entries.map((entry) => entryWords(entry, dossiers)).join('; ')}`,
              }).then((written) => (written ? discardRefused(batch.key) : undefined))
            }}
          >
            Keep it as a note
          </Button>
          <Button look="quiet" onClick={() => void discardRefused(batch.key)}>
            Drop it
          </Button>
        </div>
      ))}
    </section>
  )
}
