import { healthList } from '@tidy-badger/core/wake'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'

/** Whether the machine is fit for it: each thing looked at, in order or not. */
export function HealthCard() {
  const { dossiers, state, write } = useJob()
  const [said, setSaid] = useState<Record<string, string>>({})
  return (
    <ul className="flex flex-col gap-3">
      {healthList(dossiers.machine).map(({ what, good }) => {
        const looked = state.health[what]
        const says = said[what] ?? looked?.says ?? ''
        const keep = (ok: boolean) => void write({ kind: 'health-checked', what, ok, says: says.trim() })
        return (
          <li
            key={what}
            className={`border-l-[5px] py-1 pl-3 ${looked === undefined ? 'border-line' : looked.ok ? 'border-good' : 'border-lamp'}`}
          >
            <p>
              <b>{what}</b>: {good}.{' '}
              <span className="text-quiet">
                {looked === undefined ? 'Not looked at.' : looked.ok ? 'In order.' : 'Not in order.'}
              </span>
            </p>
            <div className="mt-1 flex flex-wrap items-center gap-2">
              <input
                aria-label={`${what}, what was seen`}
                className="min-w-40 flex-1"
                value={says}
                maxLength={400}
                onChange={(event) => setSaid({ ...said, [what]: event.target.value })}
              />
              <Button aria-label={`${what} is in order`} onClick={() => keep(true)}>
                In order
              </Button>
              <Button aria-label={`${what} is not in order`} look="quiet" onClick={() => keep(false)}>
                Not
              </Button>
            </div>
          </li>
        )
      })}
    </ul>
  )
}
