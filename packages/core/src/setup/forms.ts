import { z } from 'zod'
import { refOf } from '../dossiers/index.ts'
import type { EntryForms } from '../journal/index.ts'

/** What the entries of this capability hold beside their heads, by kind. */
export const setupForms = {
  setting: { setting: refOf.setting, value: z.string().min(1).max(200), replaces: z.string().max(200).nullable() },
} satisfies EntryForms
