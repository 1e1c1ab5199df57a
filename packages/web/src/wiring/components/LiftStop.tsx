import { reasonAsked, reasonIsGiven, type JobFinding } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { useKeptText } from '../../platform/keptTexts.ts'
import { Button } from '../../ui/Button.tsx'

/** Lifting a stop takes a reason; the name of who does it goes with it, and both are printed on the hand-back. */
export function LiftStop({ finding }: { finding: JobFinding }) {
  const { job, write } = useJob()
  const [open, setOpen] = useState(false)
  const [reason, setReason] = useKeptText(`job/${job.id}/lift/${finding.key}`)
  const lift = async () => {
    if (await write({ kind: 'stop-lifted', finding: finding.key, reason: reason.trim() })) setReason('')
  }
  if (!open)
    return (
      <Button look="quiet" className="!px-0" onClick={() => setOpen(true)}>
        Lift it with a reason
      </Button>
    )
  return (
    <form
      className="mt-2 flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (reasonIsGiven(reason)) void lift()
      }}
    >
      <label className="flex flex-col gap-1 font-semibold">
        Why may it stay?
        <textarea rows={2} value={reason} onChange={(event) => setReason(event.target.value)} />
      </label>
      <Button type="submit" look="stop" disabled={!reasonIsGiven(reason)}>
        Lift it; it is printed on the hand-back
      </Button>
      {reason.trim() !== '' && !reasonIsGiven(reason) && <p className="text-quiet">{reasonAsked}</p>}
    </form>
  )
}
