import { z } from 'zod'
import { refOf } from '../dossiers/index.ts'
import type { EntryForms } from '../journal/index.ts'
import { partStates } from './state.ts'

/** What the entries of this capability hold beside their heads, by kind. */
export const checkKitForms = {
  'part-checked': { part: refOf.part, state: z.enum(partStates), instead: z.string().min(1).max(200).optional() },
  'tool-checked': { tool: z.string().min(1).max(100), state: z.enum(['present', 'missing']) },
} satisfies EntryForms
