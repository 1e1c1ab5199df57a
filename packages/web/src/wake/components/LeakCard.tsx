import { leakName } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'

/** The joints of the intake that were apart, looked at with the engine idling. */
export function LeakCard({ onDone }: { onDone: () => void }) {
  const { write } = useJob()
  const [says, setSays] = useState('')
  const keep = async (ok: boolean) => {
    const seen = says.trim() === '' && ok ? 'no joint draws air' : says.trim()
    if (await write({ kind: 'health-checked', what: leakName, ok, says: seen })) onDone()
  }
  return (
    <div className="flex flex-col gap-4">
      <p>
        Idling and warm, a little leak spray at one joint after the other, none on the exhaust and nobody smokes: the
        speed must not move. A hiss, or trims that add fuel at idle only, is air behind the filter.
      </p>
      <label className="flex flex-col gap-1 font-semibold">
        Where, and what happened
        <input className="font-normal" value={says} maxLength={400} onChange={(event) => setSays(event.target.value)} />
      </label>
      <div className="flex flex-wrap gap-3">
        <Button look="main" onClick={() => void keep(true)}>
          Tight
        </Button>
        <Button disabled={says.trim() === ''} onClick={() => void keep(false)}>
          It draws air
        </Button>
      </div>
    </div>
  )
}
