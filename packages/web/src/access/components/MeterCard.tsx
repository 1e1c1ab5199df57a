import { meterUnits, meterWords } from '@tidy-badger/core/vehicles'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { asWords, ChoiceField, FigureField } from '../../ui/form/Fields.tsx'
import { figure, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'

const reading = z.object({
  value: figure('', '0 to 5000000.', (value) => value >= 0 && value <= 5_000_000),
  unit: z.enum(meterUnits),
})

/** Kilometres, miles or hours at this visit. */
export function MeterCard({ onDone }: { onDone: () => void }) {
  const { job, state, dossiers, write } = useJob()
  const byHours = /field|snow|quad/i.test(dossiers.machine.class)
  const fields = useFields(reading, {
    start: { value: '', unit: state.meter?.unit ?? (byHours ? 'h' : 'km') },
    place: `job/${job.id}/meter`,
    onSend: async (values) => {
      const sent = await write({ kind: 'meter-read', ...values })
      if (sent) onDone()
      return sent
    },
  })
  return (
    <form className="grid items-end gap-3 sm:grid-cols-[1fr_auto_auto]" onSubmit={fields.submit}>
      {state.meter && <p className="sm:col-span-3">Written down: {meterWords(state.meter)}.</p>}
      <FigureField of={fields} name="value" label="The meter shows" unit="" />
      <ChoiceField of={fields} name="unit" label="In" options={asWords(meterUnits)} />
      <Button type="submit" look="main" disabled={!fields.ready}>
        Write it down
      </Button>
    </form>
  )
}
