import { blankMachine, cloneMachine, idFrom, type Machine, type MachineId } from '@tidy-badger/core/dossiers'
import { fetchDocument, type DossierRow } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { mayBeEmpty, words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { useBeginning } from '../useBeginning.ts'

const asked = z.object({ maker: words(80), model: words(80), from: mayBeEmpty(80) })

/** A machine that is not in the box: from nothing, or as a copy that is varied. */
export function NewMachine({ rows, taken }: { rows: DossierRow[]; taken: readonly string[] }) {
  const beginAt = useBeginning()
  const fields = useFields(asked, {
    start: { maker: '', model: '', from: '' },
    onSend: async (typed) => {
      const id = idFrom<MachineId>(`${typed.maker} ${typed.model}`, taken)
      return beginAt(() => begin(id, typed))
    },
  })
  return (
    <form onSubmit={fields.submit} className="flex flex-col gap-3">
      <TextField of={fields} name="maker" label="Maker" maxLength={80} />
      <TextField of={fields} name="model" label="Model" maxLength={80} />
      <ChoiceField
        of={fields}
        name="from"
        label="Start from"
        options={[['', 'nothing'], ...rows.map((row) => [row.id, `a copy of ${row.name}`] as const)]}
      />
      <Button type="submit" look="main" disabled={!fields.ready || fields.busy}>
        Write it down
      </Button>
    </form>
  )
}

async function begin(id: MachineId, { maker, model, from }: z.infer<typeof asked>): Promise<Machine> {
  if (from === '') return blankMachine(id, maker, model)
  const { document } = await fetchDocument('machine', from)
  if (document.kind !== 'machine') throw new Error('That is no machine.')
  return { ...cloneMachine(document, id, model), maker }
}
