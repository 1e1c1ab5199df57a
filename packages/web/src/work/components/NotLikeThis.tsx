import { earlierWorks } from '@tidy-badger/core/wiring'
import type { Station } from '@tidy-badger/core/dossiers'
import { thingsOfWork, wordsOf, type WorkItem } from '@tidy-badger/core/jobs'
import { PhotoButton, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { asWords, ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { DossierWrong } from '../../finds/index.ts'
import { Sheet } from '../../ui/Sheet.tsx'

const different = z.object({ text: words(600), what: z.enum(['', ...earlierWorks]) })

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
  const { job, write, dossiers } = useJob()
  const cover =
    item.kind === 'cover-off' ? item.removal.cover.id : item.kind === 'cover-on' ? item.closing.cover.id : null
  const fields = useFields(different, {
    start: { text: '', what: '' },
    place: `job/${job.id}/not-like-this/${station}`,
    onSend: async ({ text, what }) => {
      const written = await write(
        what === ''
          ? { kind: 'note', text: `${wordsOf(item)}: ${text}`, about: { station } }
          : { kind: 'found', what, text },
      )
      if (written) onClose()
      return written
    },
  })
  return (
    <Sheet open={open} onClose={onClose} title="Not like this" hint={wordsOf(item)}>
      <form className="flex flex-col gap-4" onSubmit={fields.submit}>
        <TextField of={fields} name="text" label="What is different here" lines={3} />
        <ChoiceField
          of={fields}
          name="what"
          label="Left by an earlier fitter?"
          options={[['', 'No, just a note'], ...asWords(earlierWorks)]}
        />
        <Button type="submit" look="main" disabled={!fields.ready}>
          Write it down
        </Button>
        {thingsOfWork(dossiers.machine, item).length > 0 && <DossierWrong of={{ item }} onClose={onClose} />}
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
