import type { VariantId } from './ids.ts'
import type { Kit } from './kitModel.ts'
import type { Machine } from './model.ts'

export type Dossier = Machine | Kit

/** A dossier version a job points at. */
export interface DossierRef {
  id: string
  version: number
  hash: string
  variant?: VariantId
}
