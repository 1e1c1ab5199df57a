import { idIn } from '@tidy-badger/core/shared'
import { useQueryClient } from '@tanstack/react-query'
import { notice } from '../../ui/notices.ts'
import { v4 as newId } from 'uuid'
import { askForPerson, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { usePreferences } from '../../platform/preferences.ts'
import { postErratum } from '../api.ts'
import { useSelection } from '../store.ts'

const erratum = z.object({ end: words(80), says: words(600), is: words(600) })

/** What the kit's sheet says wrongly on this machine: written down once, shown on every later job with both. */
export function ErrataSection() {
  const { job, dossiers, errata } = useJob()
  const { machine, kit } = dossiers
  const client = useQueryClient()
  const selected = useSelection((state) => state.end)
  const fields = useFields(erratum, {
    start: { end: selected ?? kit.ends[0]?.id ?? '', says: '', is: '' },
    place: `job/${job.id}/sheet`,
    onSend: async ({ end, says, is }) => {
      const kitEnd = idIn(kit.ends, end)
      if (kitEnd === undefined || !(await askForPerson())) return false
      try {
        const by = usePreferences.getState().person ?? ''
        await postErratum({ id: newId(), kit: kit.id, machine: machine.id, kitEnd, says, is, by })
        await client.invalidateQueries({ queryKey: ['errata'] })
        return true
      } catch (error) {
        notice.bad(error instanceof Error ? error.message : String(error))
        return false
      }
    },
  })
  const own = errata.filter((item) => item.kit === kit.id && item.machine === machine.id)
  return (
    <section>
      <h3 className="mb-1.5 text-lead font-bold">The sheet is wrong</h3>
      <ul className="flex flex-col gap-1">
        {own.map((item) => (
          <li key={item.id}>
            <strong>{kit.ends.find((candidate) => candidate.id === item.kitEnd)?.name}</strong>: sheet says {item.says};{' '}
            {item.is}. {item.by}, {item.at.slice(0, 10)}.
          </li>
        ))}
      </ul>
      <form className="mt-1.5 flex flex-col gap-2" onSubmit={fields.submit}>
        <ChoiceField
          of={fields}
          name="end"
          label="Which end"
          className="max-w-80"
          options={kit.ends.map((item) => [item.id, `${item.tag}, ${item.name}`])}
        />
        <TextField of={fields} name="says" label="The sheet says" maxLength={600} hint="violet/grey" />
        <TextField
          of={fields}
          name="is"
          label="What is there"
          maxLength={600}
          hint="it is grey with a violet stripe; the violet/white beside it is another wire"
        />
        <Button type="submit" className="self-start" disabled={!fields.ready || fields.busy}>
          Write it down for everybody
        </Button>
      </form>
    </section>
  )
}
