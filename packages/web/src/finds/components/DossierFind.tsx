import { Suspense, useEffect } from 'react'
import { later } from '../../ui/comesLater.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import { openFinding, useFinding } from '../store.ts'
import type { InHand } from '../inHand.ts'

const FoundOtherwise = later(async () => (await import('./FoundOtherwise.tsx')).FoundOtherwise)

/** One key, and what is otherwise on this machine goes into the draft of its dossier. @param of the tick that is in hand */
export function DossierFind({ of }: { of: InHand }) {
  const open = useFinding((state) => state.open)
  const id = 'item' in of ? of.item.id : of.end.id
  useKeys({ o: () => openFinding() })
  useEffect(() => () => openFinding(false), [id])
  return (
    <Suspense fallback={null}>
      <FoundOtherwise key={id} of={of} open={open} />
    </Suspense>
  )
}
