import { Clock3 } from 'lucide-react'
import { Suspense, useState } from 'react'
import { later } from '../../ui/comesLater.tsx'
import { HeadButton } from '../../ui/HeadButton.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import { hours, useDay } from '../useDay.ts'

const DayPanel = later(async () => (await import('./DayPanel.tsx')).DayPanel)

/** How much is left of the job, in its head; the day one tap further. */
export function DayButton() {
  const [open, setOpen] = useState(false)
  const day = useDay()
  useKeys({ d: () => setOpen(true) })
  return (
    <>
      <HeadButton onClick={() => setOpen(true)}>
        <Clock3 aria-hidden size={20} />
        <span className="max-sm:sr-only">Left</span>
        <span className="figures text-body">{day ? hours(day.spread.left.p50) : '–:––'}</span>
      </HeadButton>
      <Sheet open={open} onClose={() => setOpen(false)} title="The day" hint="From taking in to closing up." wide>
        <Suspense fallback={null}>
          <DayPanel />
        </Suspense>
      </Sheet>
    </>
  )
}
