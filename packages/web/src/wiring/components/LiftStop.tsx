import { reasonAsked, reasonIsGiven, type JobFinding } from '@tidy-badger/core/jobs'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { TextField } from '../../ui/form/Fields.tsx'
import { z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'

const lifted = z.object({ reason: z.string().check(z.trim(), z.refine(reasonIsGiven, reasonAsked)) })

/** Lifting a stop takes a reason; the name of who does it goes with it, and both are printed on the hand-back. */
export function LiftStop({ finding }: { finding: JobFinding }) {
  const { job, write } = useJob()
  const fields = useFields(lifted, {
    start: { reason: '' },
    place: `job/${job.id}/lift/${finding.key}`,
    onSend: ({ reason }) => write({ kind: 'stop-lifted', finding: finding.key, reason }),
  })
  return (
    <form className="mt-2 flex flex-col gap-2" onSubmit={fields.submit}>
      <TextField of={fields} name="reason" label="Why may it stay?" lines={2} />
      <Button type="submit" look="stop" disabled={!fields.ready}>
        Lift it; it is printed on the hand-back
      </Button>
    </form>
  )
}
