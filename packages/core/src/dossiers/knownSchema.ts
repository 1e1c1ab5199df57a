import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { knownHows, knownLists, type Known } from './model.ts'
import { id, words } from './partSchemas.ts'

export const known = z
  .array(
    z.strictObject({
      of: z.enum([...knownLists.machine, ...knownLists.kit]),
      id,
      how: z.enum(knownHows),
      who: words.max(80).optional(),
      on: z.iso.date().optional(),
      says: words.optional(),
    } satisfies ShapeOf<Known>),
  )
  .max(4000)
  .optional()
