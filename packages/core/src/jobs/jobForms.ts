import { accessForms } from '../access/index.ts'
import { aftertreatmentForms } from '../aftertreatment/index.ts'
import { checkKitForms } from '../check-kit/index.ts'
import { supplyForms } from '../electrical/index.ts'
import { trimForms } from '../fuel-trim/index.ts'
import { findForms } from '../finds/index.ts'
import { entrySchema } from '../journal/index.ts'
import { levelForms } from '../levels/index.ts'
import { provingForms } from '../proving/index.ts'
import { photoForms } from '../photos/index.ts'
import { routeForms } from '../routing/index.ts'
import { sensorForms } from '../sensors/index.ts'
import { setupForms } from '../setup/index.ts'
import { wakeForms } from '../wake/index.ts'
import { wiringForms } from '../wiring/index.ts'
import { vehicleForms } from '../vehicles/index.ts'
import type { z } from 'zod'
import { workForms } from './forms.ts'
import type { NewEntry } from './model.ts'

/** The forms of all kinds of entries of a job: one line for a new capability, beside its line in the list of them. */
export const jobForms = {
  ...workForms,
  ...wiringForms,
  ...accessForms,
  ...routeForms,
  ...supplyForms,
  ...sensorForms,
  ...setupForms,
  ...wakeForms,
  ...levelForms,
  ...aftertreatmentForms,
  ...provingForms,
  ...checkKitForms,
  ...vehicleForms,
  ...photoForms,
  ...findForms,
  ...trimForms,
}

/** Reads an entry of a job, or one of further kinds. */
export function jobEntrySchema<More extends z.ZodObject = never>(...more: More[]): z.ZodType<NewEntry | z.infer<More>> {
  // oxlint-disable-next-line typescript/consistent-type-assertions -- a parsing edge: built from the forms the type is built from
  return entrySchema(jobForms, ...more) as unknown as z.ZodType<NewEntry | z.infer<More>>
}

/** What a client may append, by `kind`. */
export const newEntrySchema = jobEntrySchema()
