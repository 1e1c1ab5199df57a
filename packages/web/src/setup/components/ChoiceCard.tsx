import type { SettingId } from '@tidy-badger/core/dossiers'
import { settingsSheet } from '@tidy-badger/core/setup'
import { useJob } from '../../jobs/index.ts'
import { SettingForm } from './SettingForm.tsx'

/** One setting that somebody has to choose or read off the machine. */
export function ChoiceCard({ setting, onDone }: { setting: SettingId; onDone: () => void }) {
  const { dossiers, state } = useJob()
  const row = settingsSheet(dossiers, state).find((item) => item.setting === setting)
  if (!row) return null
  return (
    <div className="flex flex-col gap-3">
      <p>{row.of.why}</p>
      {row.why !== '' && row.why !== row.of.why && <p className="text-quiet">{row.why}</p>}
      <SettingForm row={row} onDone={onDone} />
    </div>
  )
}
