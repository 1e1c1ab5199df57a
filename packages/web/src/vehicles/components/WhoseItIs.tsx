import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Button } from '../../ui/Button.tsx'
import { TextField } from '../../ui/form/Fields.tsx'
import { mayBeEmpty, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { notice } from '../../ui/notices.ts'
import { changeVehicle, type Vehicle } from '../api.ts'

const asked = z.object({ plate: mayBeEmpty(100), owner: mayBeEmpty(200), contact: mayBeEmpty(200) })

/** Plate, owner, how to reach them. */
export function WhoseItIs({ vehicle }: { vehicle: Vehicle }) {
  const client = useQueryClient()
  const mutation = useMutation({
    mutationFn: (what: Parameters<typeof changeVehicle>[1]) => changeVehicle(vehicle.id, what),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['vehicle', vehicle.id] })
      await client.invalidateQueries({ queryKey: ['vehicles'] })
      notice.good('Written down.')
    },
  })
  const fields = useFields(asked, {
    start: { plate: vehicle.plate ?? '', owner: vehicle.owner?.name ?? '', contact: vehicle.owner?.contact ?? '' },
    onSend: ({ plate, owner, contact }) => {
      mutation.mutate({
        plate: plate || null,
        owner: owner ? { name: owner, ...(contact ? { contact } : {}) } : null,
      })
      return false
    },
  })
  return (
    <form onSubmit={fields.submit} className="flex flex-col gap-3 border-t-2 border-line-soft pt-4">
      <h2 className="text-title font-bold">Whose it is</h2>
      <TextField of={fields} name="plate" label="Plate or frame number" maxLength={100} />
      <TextField of={fields} name="owner" label="Owner" maxLength={200} />
      <TextField of={fields} name="contact" label="How to reach" maxLength={200} />
      {mutation.isError && (
        <p role="alert" className="font-semibold text-stop">
          {mutation.error.message}
        </p>
      )}
      <Button type="submit" className="self-start" disabled={!fields.ready || mutation.isPending}>
        Write it down
      </Button>
    </form>
  )
}
