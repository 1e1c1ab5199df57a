import { z } from 'zod'
import { refOf } from '../dossiers/index.ts'
import { answerForm, type EntryForms } from '../journal/index.ts'
import { mountPractices } from './mountPractices.ts'
import { farUses, tiePractices } from './state.ts'

const passages = z.array(refOf.passage).max(80)

/** What the entries of this capability hold beside their heads, by kind. */
export const routeForms = {
  routed: { part: refOf.loomPart, passages, replaces: passages.nullable() },
  mounted: { place: refOf.place, trial: z.boolean(), kit: refOf.kit.optional() },
  tied: { passage: refOf.passage },
  'mounting-practice-chosen': answerForm({}, z.enum(mountPractices)),
  'tying-practice-chosen': answerForm({}, z.enum(tiePractices)),
  'mount-place-chosen': answerForm({ kit: refOf.kit.optional() }, refOf.place),
  'far-place-chosen': answerForm({ use: z.enum(farUses) }, refOf.place),
} satisfies EntryForms
