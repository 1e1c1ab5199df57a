import { Search } from 'lucide-react'
import { Suspense, useState } from 'react'
import { later } from '../../ui/comesLater.tsx'
import { HeadButton } from '../../ui/HeadButton.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { useKeys } from '../../ui/useKeys.ts'

const WireFinder = later(async () => (await import('./WireFinder.tsx')).WireFinder)

/** Any wire of the machine, from any station. */
export function WireButton() {
  const [open, setOpen] = useState(false)
  useKeys({ f: () => setOpen(true) })
  return (
    <>
      <HeadButton onClick={() => setOpen(true)}>
        <Search aria-hidden size={20} />
        <span className="max-lg:sr-only">Wire</span>
      </HeadButton>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title="Find any wire"
        hint="By colours, plug, pin, circuit or cross-section: gy/vi throttle, crank 2, 5v, 0.75."
      >
        <Suspense fallback={null}>
          <WireFinder onPicked={() => setOpen(false)} />
        </Suspense>
      </Sheet>
    </>
  )
}
