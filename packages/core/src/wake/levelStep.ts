import type { Kit, KitLevel } from '../dossiers/index.ts'
import { proofOf } from './proofOf.ts'

/** What a level adds to the value that proves its kit, with how near it has to come. */
export interface LevelStep {
  quantity: string
  unit: string
  /** As declared by the dossier, in the unit. */
  declared: number
  tolerance: number
}

/** A level is there within a quarter of what it adds, and within one of its unit at the least. */
const withinShare = 0.25
const withinLeast = 1

/** What a level adds to what its module reads; null where its dossier says fuel alone, which no sensor shows. */
export function stepOf({ railMPa, boostKPa }: KitLevel, kit: Kit): LevelStep | null {
  const proof = proofOf(kit)
  const declared = proof.quantity === 'Rail pressure' ? railMPa : boostKPa
  if (declared === undefined || (proof.unit !== 'MPa' && proof.unit !== 'kPa')) return null
  return {
    ...{ quantity: proof.quantity, unit: proof.unit, declared },
    tolerance: Math.max(withinLeast, withinShare * declared),
  }
}
