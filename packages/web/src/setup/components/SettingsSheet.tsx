import { kitNamed, ownMembers, type KitMember } from '@tidy-badger/core/dossiers'
import { settingsSheet, type SheetRow } from '@tidy-badger/core/setup'
import { Check, Circle, TriangleAlert } from 'lucide-react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { asWords, ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { ComparedSpeed } from './ComparedSpeed.tsx'
import { LevelsShown } from './LevelsShown.tsx'
import { SettingForm } from './SettingForm.tsx'

/** Every setting of every kit, worked out: what it has to be and why, what it is, and the verdict. */
export function SettingsSheet() {
  const { dossiers, state } = useJob()
  const rows = settingsSheet(dossiers, state)
  return (
    <section aria-label="Settings">
      {ownMembers(dossiers.kit).map((member) => {
        const own = rows.filter((row) => row.key === member.key)
        return (
          own.length > 0 && (
            <div key={member.key} className="mb-5">
              <h2 className="mb-2 text-title font-bold">Settings of the {member.kit.module.name}</h2>
              <ul className="grid gap-x-6 gap-y-4 lg:grid-cols-2">
                {own.map((row) => (
                  <Row key={row.setting} row={row} />
                ))}
              </ul>
              {own.some(({ of }) => of.role === 'level') && <Agreed member={member} />}
            </div>
          )
        )
      })}
    </section>
  )
}

const marks: Record<SheetRow['verdict'], { bar: string; word: string }> = {
  right: { bar: 'border-good', word: 'right' },
  wrong: { bar: 'border-lamp', word: 'wrong' },
  open: { bar: 'border-data', word: 'open' },
  free: { bar: 'border-line', word: 'yours to choose' },
}

function Row({ row }: { row: SheetRow }) {
  const { bar, word } = marks[row.verdict]
  const Icon = row.verdict === 'right' ? Check : row.verdict === 'wrong' ? TriangleAlert : Circle
  return (
    <li className={`border-l-[5px] py-1 pl-3 ${bar}`}>
      <SettingForm row={row} />
      <p className="mt-1 flex items-start gap-2">
        <Icon aria-hidden size={20} className="mt-0.5 shrink-0" />
        <span>
          <b>{word}</b>
          {row.verdict === 'free' ? '' : `: ${row.says}`} {row.why || row.of.why}
          {row.hangsOn.length > 0 && (
            <span className="block text-small text-quiet">Hangs on {row.hangsOn.join(', ')}.</span>
          )}
        </span>
      </p>
      {row.of.role === 'pulses per turn' && <ComparedSpeed row={row} />}
      {row.set !== null && <ReadBack key={row.readBack ?? ''} row={row} />}
    </li>
  )
}

const shown = z.object({ value: words(80) })

/** What the unit itself shows, once it was set. */
function ReadBack({ row }: { row: SheetRow }) {
  const { write } = useJob()
  const fields = useFields(shown, {
    start: { value: row.readBack ?? '' },
    onSend: async ({ value }) => {
      await write({ kind: 'setting-read', setting: row.setting, value: value.replace(',', '.') })
      return false
    },
  })
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center text-small underline underline-offset-4">
        {row.readBack === null ? 'What the unit shows' : `The unit shows ${row.readBack}`}
      </summary>
      <form className="flex items-end gap-2" onSubmit={fields.submit}>
        <TextField of={fields} name="value" label={`${row.of.name}, as the unit shows it`} className="flex-1" />
        <Button type="submit" disabled={!fields.ready}>
          Read
        </Button>
      </form>
    </details>
  )
}

const agreement = z.object({ level: words(40), use: words(200), with: words(80) })

/** The level the owner is to get, for what; another one left set keeps the machine here. */
export function Agreed({ member }: { member: KitMember }) {
  const { job, state, write } = useJob()
  const choices = member.kit.settings.find(({ role }) => role === 'level')?.choices ?? []
  const agreed = state.agreed[member.key]
  const fields = useFields(agreement, {
    start: { level: choices[0] ?? '', use: '', with: '' },
    place: `job/${job.id}/agreed/${member.key}`,
    onSend: async ({ level, use, with: owner }) => {
      const named = kitNamed(member)
      return write({ kind: 'level-agreed', level, use, with: owner, ...named })
    },
  })
  return (
    <details className="mt-3" open={agreed !== undefined}>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
        {agreed ? `Agreed with ${agreed.with}: ${agreed.level}, for ${agreed.use}` : 'Agree the level with the owner'}
      </summary>
      <form className="grid items-end gap-2 sm:grid-cols-[120px_1fr_1fr_auto]" onSubmit={fields.submit}>
        <ChoiceField of={fields} name="level" label="Level" options={asWords(choices)} />
        <TextField of={fields} name="use" label="For" hint="towing, long grades" />
        <TextField of={fields} name="with" label="Agreed with" />
        <Button type="submit" disabled={!fields.ready}>
          Agreed
        </Button>
      </form>
      <LevelsShown member={member} choices={choices} />
    </details>
  )
}
