import { z } from 'zod'
import { refOf } from '../dossiers/index.ts'
import { textField, type EntryForms } from '../journal/index.ts'
import { authorityWays, codeTimes } from './state.ts'

const codes = z.array(z.string().trim().min(1).max(40)).max(200)

/** What the entries of this capability hold beside their heads, by kind. */
export const wakeForms = {
  'authority-tested': {
    how: z.enum(authorityWays),
    verdict: z.enum(['pass', 'bypassed', 'crossed', 'sensor', 'unclear']),
    reason: textField,
    kit: refOf.kit.optional(),
  },
  'codes-read': { when: z.enum(codeTimes), codes },
  'codes-cleared': { codes: codes.min(1) },
  started: { verdict: z.enum(['pass', 'fail']), text: z.string().max(600) },
  'lamp-seen': { pattern: refOf.lamp.nullable(), means: z.string().max(400), kit: refOf.kit.optional() },
  'health-checked': { what: z.string().min(1).max(80), ok: z.boolean(), says: z.string().max(400) },
} satisfies EntryForms
