import { z } from 'zod'
import { answerForm, type EntryForms } from '../journal/index.ts'
import { feedPractices } from './feedPractices.ts'
import { groundPractices } from './groundCheck.ts'

/** What the entries of this capability hold beside their heads, by kind. */
export const supplyForms = {
  'feeding-practice-chosen': answerForm({}, z.enum(feedPractices)),
  'grounding-practice-chosen': answerForm({}, z.enum(groundPractices)),
} satisfies EntryForms
