import type { DrawnMachine, View } from '@tidy-badger/core/drawing'
import type { DrawnPartId } from '@tidy-badger/core/dossiers'
import { Suspense } from 'react'
import { later } from '../../ui/comesLater.tsx'

const MachineShapes = later(async () => (await import('./MachineShapes.tsx')).MachineShapes)

/** The machine itself, within a drawing of it. @param unit width of a hair on the screen, m @param hidden parts that are off */
export function MachinePicture(props: {
  machine: DrawnMachine
  view: View
  unit: number
  hidden?: ReadonlySet<DrawnPartId>
}) {
  return (
    <Suspense fallback={null}>
      <MachineShapes {...props} />
    </Suspense>
  )
}
