import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { minutes, reachTarget, wait } from './accessSchema.ts'
import { readingFaults, stations, stepMarks, stepProofs, type Step, type StepNeeds } from './model.ts'
import { id, ids, words } from './partSchemas.ts'

const needs = z.strictObject({
  power: z.enum(['on', 'off']).optional(),
  unstarted: z.boolean().optional(),
  shutOff: z.boolean().optional(),
  covers: z.array(ids.cover).max(40).optional(),
  reach: z.array(reachTarget).max(40).optional(),
} satisfies ShapeOf<StepNeeds>)

export const step = z.strictObject({
  id: ids.step,
  station: z.enum(stations),
  text: words,
  why: words.optional(),
  caution: words.optional(),
  needs: needs.optional(),
  power: z.enum(['off', 'on']).optional(),
  engine: z.enum(['runs', 'off']).optional(),
  fuel: z.literal('down').optional(),
  when: z.literal('fuel line opened').optional(),
  reading: z
    .strictObject({
      quantity: words,
      unit: words,
      low: z.number().optional(),
      high: z.number().optional(),
      off: z.enum(readingFaults).optional(),
    })
    .optional(),
  asks: z.strictObject({ words, told: z.boolean().optional(), question: id.optional() }).optional(),
  minutes: minutes.optional(),
  wait: wait.optional(),
  after: z.array(ids.step).max(40).optional(),
  marks: z.enum(stepMarks).optional(),
  proof: z.enum(stepProofs).optional(),
  school: z.strictObject({ choice: id, value: words }).optional(),
} satisfies ShapeOf<Step>)
