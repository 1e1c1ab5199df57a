import { ownMembers, type KitMember } from '@tidy-badger/core/dossiers'
import { readFigure } from '@tidy-badger/core/shared'
import { gateShut, stepOf, type AuthorityAsked } from '@tidy-badger/core/wake'
import { useJob } from '../../jobs/index.ts'
import { useKeptFields } from '../../platform/useKeptFields.ts'
import { NumberField } from '../../ui/NumberField.tsx'
import { useProof } from '../useProof.ts'
import { ProofForm } from './ProofForm.tsx'

/** The step of a level, proved on the first loaded run. @param kit by its name in the job */
export function LevelCard({ kit, onDone }: { kit: string; onDone: () => void }) {
  const { dossiers } = useJob()
  const member =
    ownMembers(dossiers.kit).find(({ key }) => key === kit) ?? ownMembers(dossiers.kit).find((one) => one.kit.levels)
  return member ? <OfMember member={member} onDone={onDone} /> : null
}

const run = [
  ['coolantC', 'Coolant', '°C'],
  ['rpm', 'Engine speed', '1/min'],
  ['load', 'Load', '%'],
] as const

function OfMember({ member, onDone }: { member: KitMember; onDone: () => void }) {
  const { job } = useJob()
  const { typed, put, clear } = useKeptFields(`job/${job.id}/level/${member.key}`)
  const send = useProof({ member, step: undefined, onDone })
  const levels = (member.kit.levels ?? []).flatMap((level) => {
    const step = stepOf(level, member.kit)
    return step === null ? [] : [{ level, step }]
  })
  const chosen = levels.find(({ level }) => String(level.level) === typed['which']) ?? levels[0]
  if (!chosen) return null
  const { level, step } = chosen
  const figure = (name: string, unit: string) => readFigure(typed[name] ?? '', unit)
  const [coolantC, rpm, load] = [figure('coolantC', '°C'), figure('rpm', '1/min'), figure('load', '%')]
  const two = (at: string) => {
    const [module, independent] = [figure(`${at}/module`, step.unit), figure(`${at}/other`, step.unit)]
    return module === null || independent === null ? null : { module, independent }
  }
  const [onStock, atLevel] = [two('stock'), two('level')]
  const ran =
    coolantC === null || rpm === null || load === null ? null : gateShut(level, { coolantC, rpm, load: load / 100 })
  const asked: AuthorityAsked | null =
    ran === null || onStock === null || atLevel === null
      ? null
      : {
          ...{ kind: 'level', stock: onStock, level: atLevel, gateMet: ran.length === 0 },
          ...{ stepDeclared: step.declared, tolerance: step.tolerance },
        }
  const field = (name: string, label: string, unit: string) => (
    <NumberField
      key={name}
      label={label}
      unit={unit}
      className="w-full text-title"
      text={typed[name] ?? ''}
      onText={(text) => put(name, text)}
    >
      {label}
    </NumberField>
  )
  return (
    <ProofForm asked={asked} onSend={(read) => void send(read).then((sent) => sent && clear())}>
      <p>
        Somebody else reads, never the driver; no road over the limit. Steady under load, first on stock, then at the
        level: the module shows what is, the socket what the control unit believes.
      </p>
      <label className="flex w-fit flex-col gap-1 font-semibold">
        Level
        <select
          className="font-normal"
          value={String(level.level)}
          onChange={(event) => put('which', event.target.value)}
        >
          {levels.map(({ level: one, step: its }) => (
            <option key={one.level} value={one.level}>
              {one.name}: {its.declared} {its.unit} more
            </option>
          ))}
        </select>
      </label>
      <fieldset>
        <legend className="font-head font-bold">
          How it ran: coolant from {level.gate.coolantC} °C, from {level.gate.rpm} 1/min, from{' '}
          {Math.round(100 * level.gate.load)} % load
        </legend>
        <div className="grid gap-3 sm:grid-cols-3">
          {run.map(([name, label, unit]) => field(name, `${label}, ${unit}`, unit))}
        </div>
        {ran !== null && ran.length > 0 && <p className="mt-1 font-semibold">Its gate was shut: {ran.join('; ')}.</p>}
      </fieldset>
      {(['stock', 'level'] as const).map((at) => (
        <fieldset key={at} className="border-t-2 border-line-soft pt-2">
          <legend className="font-head font-bold">
            {at === 'stock'
              ? 'On stock: no difference'
              : `At ${level.name}: the module ${step.declared} ± ${step.tolerance} ${step.unit} above`}
          </legend>
          <div className="grid gap-3 sm:grid-cols-2">
            {field(`${at}/module`, `Module, ${at}, ${step.unit}`, step.unit)}
            {field(`${at}/other`, `Socket, ${at}, ${step.unit}`, step.unit)}
          </div>
        </fieldset>
      ))}
    </ProofForm>
  )
}
