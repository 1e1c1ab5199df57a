import { Button } from '../../ui/Button.tsx'
import { FigureField, TextField } from '../../ui/form/Fields.tsx'
import { figure, mayBeEmpty, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { useJob } from '../useJob.ts'

const waited = z.object({
  what: mayBeEmpty(200),
  minutes: figure('min', 'Type the minutes, more than none.', (minutes) => minutes > 0 && minutes <= 6000),
})

/** Something that takes its minutes while other work goes on. */
export function NewTimer() {
  const { write } = useJob()
  const fields = useFields(waited, {
    start: { what: '', minutes: '' },
    onSend: ({ what, minutes }) => write({ kind: 'timer-started', what: what || 'waiting', minutes }),
  })
  return (
    <form className="mt-6 grid grid-cols-[1fr_110px] gap-2" onSubmit={fields.submit}>
      <TextField of={fields} name="what" label="What is waited for" maxLength={200} />
      <FigureField of={fields} name="minutes" label="Minutes" unit="min" />
      <Button type="submit" className="col-span-2">
        Start
      </Button>
    </form>
  )
}
