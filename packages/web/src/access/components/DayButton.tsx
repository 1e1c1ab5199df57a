import { Clock3 } from 'lucide-react'
import { useState } from 'react'
import { Sheet } from '../../ui/Sheet.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import { hours, useDay } from '../useDay.ts'
import { DayPanel } from './DayPanel.tsx'

/** How much is left of the job, in its head; the day one tap further. */
export function DayButton() {
  const [open, setOpen] = useState(false)
  const { spread } = useDay()
  useKeys({ d: () => setOpen(true) })
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="flex min-h-11 items-center gap-2 rounded-lg px-2 font-semibold"
      >
        <Clock3 aria-hidden size={20} />
        <span className="max-sm:sr-only">Left</span>
        <span className="figures text-[16px]">{spread ? hours(spread.left.p50) : '–:––'}</span>
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} title="The day" hint="From taking in to closing up." wide>
        <DayPanel />
      </Sheet>
    </>
  )
}
