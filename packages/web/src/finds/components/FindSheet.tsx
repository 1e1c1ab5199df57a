import { Suspense, useEffect, useState } from 'react'
import { later } from '../../ui/comesLater.tsx'
import { closeFinding, useFinding } from '../store.ts'

const FoundOtherwise = later(async () => (await import('./FoundOtherwise.tsx')).FoundOtherwise)

/** What is otherwise at the tick where it was opened: it stays with that, whatever is ticked meanwhile, so that nothing typed is lost. */
export function FindSheet() {
  const of = useFinding((state) => state.of)
  const [held, setHeld] = useState(of)
  if (of !== null && of !== held) setHeld(of)
  useEffect(() => closeFinding, [])
  if (!held) return null
  return (
    <Suspense fallback={null}>
      <FoundOtherwise key={'item' in held ? held.item.id : held.end.id} of={held} open={of !== null} />
    </Suspense>
  )
}
