import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { fetchDossiers } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { mayBeEmpty, words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { registerVehicle } from '../api.ts'

const asked = z.object({ machine: words(80), plate: mayBeEmpty(100), owner: mayBeEmpty(200), contact: mayBeEmpty(200) })

/** A machine on file before its first job here. */
export function PutOnFile() {
  const navigate = useNavigate()
  const client = useQueryClient()
  const rows = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers }).data ?? []
  const machines = rows.filter(
    (row, i) =>
      row.kind === 'machine' && rows.findIndex((other) => other.kind === row.kind && other.id === row.id) === i,
  )
  const mutation = useMutation({
    mutationFn: registerVehicle,
    onSuccess: async (vehicle) => {
      await client.invalidateQueries({ queryKey: ['vehicles'] })
      await navigate(`/vehicles/${vehicle.id}`)
    },
  })
  const fields = useFields(asked, {
    start: { machine: '', plate: '', owner: '', contact: '' },
    onSend: ({ machine, plate, owner, contact }) => {
      mutation.mutate({
        machine: { id: machine },
        ...(plate ? { plate } : {}),
        ...(owner ? { owner: { name: owner, ...(contact ? { contact } : {}) } } : {}),
      })
      return false
    },
  })
  return (
    <form onSubmit={fields.submit} className="flex flex-col gap-3 border-t-2 border-line-soft pt-4">
      <h2 className="text-title font-bold">Put a machine on file</h2>
      <ChoiceField
        of={fields}
        name="machine"
        label="Model"
        options={[['', 'choose'], ...machines.map(({ id, name }) => [id, name] as const)]}
      />
      <TextField of={fields} name="plate" label="Plate or frame number" maxLength={100} />
      <TextField of={fields} name="owner" label="Owner" maxLength={200} />
      <TextField of={fields} name="contact" label="How to reach" maxLength={200} />
      {mutation.isError && (
        <p role="alert" className="font-semibold text-stop">
          {mutation.error.message}
        </p>
      )}
      <Button type="submit" className="self-start" disabled={!fields.ready || mutation.isPending}>
        Put it on file
      </Button>
    </form>
  )
}
