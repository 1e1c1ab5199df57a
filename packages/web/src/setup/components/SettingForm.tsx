import { wantedWords, type SheetRow } from '@tidy-badger/core/setup'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { asWords, ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'

const set = z.object({ value: words(80) })

/** One value set. A changed value carries the one it replaces. */
export function SettingForm({ row, onDone }: { row: SheetRow; onDone?: () => void }) {
  const { state } = useJob()
  const now = state.settings[row.setting]?.value
  // A value set meanwhile, here or elsewhere, stands in the field as well.
  return <Form key={now ?? ''} row={row} now={now} onDone={onDone} />
}

function Form({ row, now, onDone }: { row: SheetRow; now: string | undefined; onDone: (() => void) | undefined }) {
  const { write } = useJob()
  const { of, setting, wanted, inForce } = row
  const start = now ?? inForce ?? ''
  const fields = useFields(set, {
    start: { value: start },
    onSend: async ({ value }) => {
      if (await write({ kind: 'setting', setting, value: value.replace(',', '.'), replaces: now ?? null })) onDone?.()
      return false
    },
  })
  const name = of.unit ? `${of.name}, ${of.unit}` : of.name
  const label = wanted ? `${name}: ${wantedWords(wanted, '')}` : name
  return (
    <form className="flex items-end gap-2" onSubmit={fields.submit}>
      {of.choices ? (
        <ChoiceField
          of={fields}
          name="value"
          label={label}
          className="flex-1"
          options={[
            ...(start === '' ? [['', 'choose…'] as const] : []),
            ...asWords([...new Set([start, ...of.choices])].filter((choice) => choice !== '')),
          ]}
        />
      ) : (
        <TextField of={fields} name="value" label={label} className="flex-1" inputClass="figures" />
      )}
      <Button type="submit" disabled={!fields.ready || (!fields.form.formState.isDirty && now !== undefined)}>
        Set
      </Button>
    </form>
  )
}
