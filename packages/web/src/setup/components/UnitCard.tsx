import { kitNamed, ownMembers, type KitMember } from '@tidy-badger/core/dossiers'
import { partsFor } from '@tidy-badger/core/setup'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'

/** What stands on each unit, against what its dossier has for this machine; and whether a phone pairs with it where it sits. */
export function UnitCard() {
  const { dossiers } = useJob()
  return (
    <div className="flex flex-col gap-6">
      {ownMembers(dossiers.kit).map((member) => (
        <OfKit key={member.key} member={member} />
      ))}
    </div>
  )
}

const unit = z.object({ part: words(60), serial: words(60), pairs: z.enum(['yes', 'no']) })

function OfKit({ member }: { member: KitMember }) {
  const { job, dossiers, state, write } = useJob()
  const known = state.units[member.key]
  const wanted = partsFor(member.kit, dossiers.machine)
  const fields = useFields(unit, {
    start: { part: known?.part ?? '', serial: known?.serial ?? '', pairs: known?.pairs === false ? 'no' : 'yes' },
    place: `job/${job.id}/unit/${member.key}`,
    onSend: ({ part, serial, pairs }) =>
      write({ kind: 'unit-identified', part, serial, pairs: pairs === 'yes', ...kitNamed(member) }),
  })
  return (
    <form className="grid items-end gap-3 sm:grid-cols-2" onSubmit={fields.submit}>
      <h3 className="text-body font-bold sm:col-span-2">{member.kit.module.name}</h3>
      <p className="sm:col-span-2">
        {wanted.length > 0
          ? `For this machine, as it is: ${wanted.join(' or ')}.`
          : 'Which number belongs to this machine is not written down in its dossier.'}
        {known && ` Written down: ${known.part}, serial ${known.serial}.`}
      </p>
      <TextField of={fields} name="part" label="Number on the unit" />
      <TextField of={fields} name="serial" label="Serial" />
      <ChoiceField
        of={fields}
        name="pairs"
        label="A phone pairs with it where it sits"
        options={[
          ['yes', 'yes, or it has no radio'],
          ['no', 'no'],
        ]}
      />
      <Button type="submit" disabled={!fields.ready}>
        Write it down
      </Button>
    </form>
  )
}
