import type { SignalSort } from '../dossiers/index.ts'
import { sameTrack } from './sameTrack.ts'

/** One reason why a place costs something. */
export interface CostPart {
  what: string
  cost: number
}

/** What a difference of signal costs. It outweighs everything that can be seen, so that lookalikes never win by looks. */
const price = { signal: 10, role: 8, sameKindOther: 6 }

/** How far what a circuit is stands from what is wanted. */
export function sortParts(wants: SignalSort, net: SignalSort, weight = 1): CostPart[] {
  const parts: CostPart[] = []
  if (wants.signal !== net.signal) parts.push({ what: 'another kind of signal', cost: weight * price.signal })
  if (wants.role !== net.role) parts.push({ what: 'another purpose', cost: weight * price.role })
  if (wants.cylinder !== undefined && net.cylinder !== wants.cylinder)
    parts.push({ what: `not number ${wants.cylinder}`, cost: weight * price.sameKindOther })
  if (wants.row !== undefined && net.row !== wants.row)
    parts.push({ what: `not the ${wants.row} row`, cost: weight * price.sameKindOther })
  if (wants.track !== undefined && !sameTrack(wants, net))
    parts.push({ what: `not track ${wants.track}`, cost: weight * price.sameKindOther })
  if (wants.bank !== undefined && net.bank !== wants.bank)
    parts.push({ what: `not bank ${wants.bank}`, cost: weight * price.sameKindOther })
  return parts
}
