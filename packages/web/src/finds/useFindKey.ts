import { useKeys } from '../ui/useKeys.ts'
import type { InHand } from './inHand.ts'
import { openFinding } from './store.ts'

/** One key, and what is otherwise on this machine goes into the draft of its dossier. @param of the tick that is in hand; null: none */
export function useFindKey(of: InHand | null): void {
  useKeys({ o: of ? () => openFinding(of) : undefined })
}
