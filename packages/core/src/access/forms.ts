import { z } from 'zod'
import { refOf } from '../dossiers/index.ts'
import { answerForm, textField, type EntryForms } from '../journal/index.ts'
import { batteryPractices } from './state.ts'

/** What the entries of this capability hold beside their heads, by kind. */
export const accessForms = {
  'cover-off': { cover: refOf.cover, /* why it came off before it was cold */ without: textField.optional() },
  'cover-on': { cover: refOf.cover },
  'left-off': { cover: refOf.cover, reason: textField },
  'battery-practice-chosen': answerForm({}, z.enum(batteryPractices)),
  'people-chosen': answerForm({}, z.union([z.literal(1), z.literal(2)])),
  'cover-order-chosen': answerForm({}, z.array(refOf.cover).max(200)),
  'also-reached-chosen': answerForm({}, z.array(z.string().min(1).max(140)).max(200)),
  'way-chosen': answerForm({ target: z.string().min(1).max(140) }, refOf.way),
} satisfies EntryForms
