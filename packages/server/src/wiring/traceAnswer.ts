import { moduleDoes, traceNodeSchema } from '@tidy-badger/core/wiring'
import { z } from 'zod'

/** One circuit as a tree from its source; what an open place cut off stands apart. */
export const traceAnswerSchema = z.strictObject({
  net: z.string(),
  name: z.string(),
  source: z.string(),
  module: z.enum(moduleDoes),
  tree: traceNodeSchema,
  apart: z.array(traceNodeSchema),
})
export type TraceAnswer = z.infer<typeof traceAnswerSchema>
