import { z } from 'zod'
import { refOf, tapMethods } from '../dossiers/index.ts'
import { answerForm, entryIdField, nameField, textField, type EntryForms } from '../journal/index.ts'
import { joinPractices } from './joinMethods.ts'
import { pairSides } from './model.ts'
import { connectionTargetSchema, placeFields, plannedPlaceSchema } from './schema.ts'
import { earlierWorks, irreversibleActs } from './state.ts'

const about = z.strictObject(placeFields).optional()

/** What the entries of this capability hold beside their heads, by kind. */
export const wiringForms = {
  reading: {
    quantity: z.string().min(1).max(200),
    value: z.number(),
    unit: z.string().max(20),
    step: refOf.step.optional(),
    /* the meter card it answers */
    card: z.string().min(1).max(120).optional(),
    about,
  },
  connected: {
    kitEnd: refOf.kitEnd,
    to: connectionTargetSchema,
    method: z.enum(tapMethods).optional(),
    /* fuse put into the lead, A, where it is another than the kit's */
    fuseA: z.number().positive().max(500).optional(),
  },
  disconnected: { kitEnd: refOf.kitEnd, side: z.enum(pairSides).optional() },
  tugged: { kitEnd: refOf.kitEnd },
  irreversible: { act: z.enum(irreversibleActs), text: textField, consentBy: nameField, about },
  found: {
    what: z.enum(earlierWorks),
    text: textField,
    about,
    /* of an unknown module: every plug it sits in */
    plugs: z.array(refOf.connector).min(1).max(40).optional(),
  },
  'dealt-with': {
    found: entryIdField,
    how: textField,
    /* of an unknown module: the plug it is out of now; without it, it is out of all */
    connector: refOf.connector.optional(),
  },
  'difference-accepted': { kitEnd: refOf.kitEnd, reason: textField },
  'joining-practice-chosen': answerForm({}, z.enum(joinPractices)),
  'place-chosen': answerForm({ kitEnd: refOf.kitEnd }, plannedPlaceSchema),
} satisfies EntryForms
