import type { DrawnMachine } from '@tidy-badger/core/drawing'
import type { View } from '@tidy-badger/core/access'
import { Suspense } from 'react'
import { later } from '../../ui/comesLater.tsx'

const MachineShapes = later(async () => (await import('./MachineShapes.tsx')).MachineShapes)

/** The machine itself, within a drawing of it. @param unit width of a hair on the screen, m */
export function MachinePicture(props: { machine: DrawnMachine; view: View; unit: number }) {
  return (
    <Suspense fallback={null}>
      <MachineShapes {...props} />
    </Suspense>
  )
}
