import type { KitSetting } from '@tidy-badger/core/dossiers'
import { Button } from '../../ui/Button.tsx'
import { asWords, ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { useJob } from '../useJob.ts'

/** What the module is set to. A changed value carries the one it replaces. */
export function SettingsList() {
  const { dossiers } = useJob()
  return (
    <section className="mt-6 border-t-2 border-line-soft pt-4">
      <h2 className="mb-2 text-title font-bold">Settings of the {dossiers.kit.module.name}</h2>
      <ul className="grid gap-4 sm:grid-cols-2">
        {dossiers.kit.settings.map((setting) => (
          <Setting key={setting.id} setting={setting} />
        ))}
      </ul>
    </section>
  )
}

const set = z.object({ value: words(80) })

function Setting({ setting }: { setting: KitSetting }) {
  const { state } = useJob()
  const now = state.settings[setting.id]?.value
  // A value set meanwhile, here or elsewhere, stands in the field as well.
  return <SettingForm key={now ?? ''} setting={setting} now={now} />
}

function SettingForm({ setting, now }: { setting: KitSetting; now: string | undefined }) {
  const { write } = useJob()
  const start = now ?? (setting.captured ? '' : setting.shipped)
  const fields = useFields(set, {
    start: { value: start },
    onSend: async ({ value }) => {
      await write({ kind: 'setting', setting: setting.id, value: value.replace(',', '.'), replaces: now ?? null })
      return false
    },
  })
  const label = setting.unit ? `${setting.name}, ${setting.unit}` : setting.name
  return (
    <li>
      <form className="flex items-end gap-2" onSubmit={fields.submit}>
        {setting.choices ? (
          <ChoiceField
            of={fields}
            name="value"
            label={label}
            className="flex-1"
            options={[
              ...(start === '' ? [['', 'choose…'] as const] : []),
              ...asWords([...new Set([start, ...setting.choices])].filter((choice) => choice !== '')),
            ]}
          />
        ) : (
          <TextField of={fields} name="value" label={label} className="flex-1" inputClass="figures" />
        )}
        <Button type="submit" disabled={!fields.ready || (!fields.form.formState.isDirty && now !== undefined)}>
          Set
        </Button>
      </form>
      <p className="mt-1 text-small text-quiet">
        {now !== undefined ? '' : setting.captured ? 'Not captured yet. ' : `As shipped: ${setting.shipped}. `}
        {setting.why}
      </p>
    </li>
  )
}
