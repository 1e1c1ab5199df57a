import type { Done } from '../journal/index.ts'
import type { FindList } from './findFields.ts'

/** Something of a machine that is otherwise than its dossier says: one field of one thing, as its table has it. */
export interface Find {
  of: FindList
  /** Its id. */
  thing: string
  field: string
  was: string
  is: string
}

export interface FindState {
  finds: (Done & Find)[]
}

export function freshFinds(): FindState {
  return { finds: [] }
}
