import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { minutes, wait } from './accessSchema.ts'
import { stations, stepMarks, type Step } from './model.ts'
import { id, words } from './partSchemas.ts'

export const step = z.strictObject({
  id,
  station: z.enum(stations),
  text: words,
  why: words.optional(),
  caution: words.optional(),
  power: z.enum(['off', 'on']).optional(),
  reading: z
    .strictObject({ quantity: words, unit: words, low: z.number().optional(), high: z.number().optional() })
    .optional(),
  minutes: minutes.optional(),
  wait: wait.optional(),
  after: z.array(id).max(40).optional(),
  marks: z.enum(stepMarks).optional(),
  school: z.strictObject({ choice: id, value: words }).optional(),
} satisfies ShapeOf<Step>)
