import { z } from 'zod'
import type { EntryForms } from '../journal/index.ts'
import { findLists } from './findFields.ts'

const cell = z.string().max(4000)

/** What the entries of this capability hold beside their heads, by kind. */
export const findForms = {
  'found-otherwise': {
    of: z.enum(findLists),
    thing: z.string().min(1).max(64),
    /* a column of its table */
    field: z.string().min(1).max(40),
    /* what stands in the dossier, and what is there; both as the table has them */
    was: cell,
    is: cell,
  },
} satisfies EntryForms
