import type { Asked } from '@tidy-badger/core/instruments'
import { Suspense, useState } from 'react'
import { later } from '../../ui/comesLater.tsx'
import { Button, type ButtonLook } from '../../ui/Button.tsx'

const InstrumentSheet = later(async () => (await import('./InstrumentSheet.tsx')).InstrumentSheet)

/** A figure taken from an instrument instead of typed. @param onTake gets it in the unit that is asked for */
export function FromInstrument({
  asked,
  look = 'plain',
  onTake,
}: {
  asked: Asked
  look?: ButtonLook
  onTake: (value: number) => void
}) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button look={look} onClick={() => setOpen(true)}>
        From an instrument
      </Button>
      {open && (
        <Suspense fallback={null}>
          <InstrumentSheet
            asked={asked}
            onClose={() => setOpen(false)}
            onTake={(value) => {
              setOpen(false)
              onTake(value)
            }}
          />
        </Suspense>
      )}
    </>
  )
}
