import { z } from 'zod'
import { refOf, stations } from '../dossiers/index.ts'
import {
  answerForm,
  entryIdField,
  hashField,
  idField,
  nameField,
  textField,
  type EntryForms,
} from '../journal/index.ts'
import { placeFields } from '../wiring/index.ts'
import { largestInteger } from '../shared/index.ts'
import { takeInQuestions } from './state.ts'

export const dossierRefSchema = z.strictObject({
  id: idField,
  version: z.int().positive().max(largestInteger),
  hash: hashField,
  variant: refOf.variant.optional(),
})

/** What the entries of this capability hold beside their heads, by kind. */
export const workForms = {
  note: {
    text: textField,
    about: z.strictObject({ ...placeFields, station: z.enum(stations).optional() }).optional(),
  },
  'step-done': {
    step: refOf.step,
    /* what the step asks to be written down */
    wrote: textField.optional(),
    /* why it is done without what it asks for, or before its wait was over */
    without: textField.optional(),
  },
  'station-done': { station: z.enum(stations) },
  'stop-lifted': { finding: z.string().min(1).max(300), reason: textField },
  'timer-started': { what: z.string().min(1).max(200), minutes: z.number().positive().max(6000) },
  'timer-stopped': { timer: entryIdField },
  told: { text: textField, to: nameField },
  'dossier-changed': {
    dossier: z.enum(['machine', 'kit']),
    to: dossierRefSchema,
    /* content hash of the version it takes the place of */
    replaces: hashField,
    /* entries that no longer fit, as they were shown when it was decided */
    invalidates: z.array(z.strictObject({ entry: entryIdField, why: textField })).max(5000),
  },
  'kit-added': {
    kit: dossierRefSchema,
    invalidates: z.array(z.strictObject({ entry: entryIdField, why: textField })).max(5000),
  },
  'kit-dropped': {
    /* by its name in the job */
    kit: refOf.kit,
    invalidates: z.array(z.strictObject({ entry: entryIdField, why: textField })).max(5000),
  },
  answered: answerForm({ question: z.enum(takeInQuestions) }, z.string().min(1).max(4000)),
} satisfies EntryForms
