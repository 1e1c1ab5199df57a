import type { KitSetting } from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
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

function Setting({ setting }: { setting: KitSetting }) {
  const { state, write } = useJob()
  const now = state.settings[setting.id]?.value
  const [draft, setDraft] = useState<string | null>(null)
  const value = draft ?? now ?? (setting.captured ? '' : setting.shipped)
  const save = async () => {
    if (await write({ kind: 'setting', setting: setting.id, value: value.replace(',', '.'), replaces: now ?? null }))
      setDraft(null)
  }
  return (
    <li>
      <label className="block font-semibold" htmlFor={`setting-${setting.id}`}>
        {setting.name}
      </label>
      <div className="mt-1 flex gap-2">
        {setting.choices ? (
          <select
            id={`setting-${setting.id}`}
            value={value}
            onChange={(event) => setDraft(event.target.value)}
            className="min-w-0 flex-1"
          >
            {setting.choices.map((choice) => (
              <option key={choice}>{choice}</option>
            ))}
          </select>
        ) : (
          <input
            id={`setting-${setting.id}`}
            inputMode="decimal"
            value={value}
            onChange={(event) => setDraft(event.target.value)}
            className="figures min-w-0 flex-1"
          />
        )}
        {setting.unit && <span className="self-center text-quiet">{setting.unit}</span>}
        <Button disabled={draft === null || draft === now} onClick={() => void save()}>
          Set
        </Button>
      </div>
      <p className="mt-1 text-small text-quiet">
        {now !== undefined ? '' : setting.captured ? 'Not captured yet. ' : `As shipped: ${setting.shipped}. `}
        {setting.why}
      </p>
    </li>
  )
}
