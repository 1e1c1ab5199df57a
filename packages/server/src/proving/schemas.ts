import { z } from 'zod'

const figure = z.number()
const range = z.object({ from: figure, to: figure, meanKw: figure })
const peak = z.object({ kw: figure, rpm: figure, speedKmh: figure.nullable(), nm: figure, nmRpm: figure })

/** What pulls show against each other. */
export const comparisonSchema = z.object({
  gainPowerKw: figure,
  gainTorqueNm: figure,
  spreadPowerKw: figure.nullable(),
  shown: z.boolean(),
  claim: z.enum(['met', 'not met', 'not shown']).nullable(),
  reasons: z.array(z.string()),
  axis: z.enum(['rpm', 'speed']).describe('Laid over each other by road speed where a belt was between'),
  curve: z.array(
    z.object({
      ...{ rpm: figure, speedKmh: figure.nullable(), beforeKw: figure, afterKw: figure },
      seKw: figure.nullable(),
    }),
  ),
  meanGainKw: figure,
  gained: z.array(range),
  lost: z.array(range),
  fallsOff: z.object({ rpm: figure, pct: figure }).nullable(),
  peaks: z.object({ before: peak, after: peak }),
})

const certainty = z.enum(['measured here', 'measured elsewhere', 'claimed', 'guessed'])

/** What the owner reads of the gain. */
export const proofSchema = z.object({
  title: z.string(),
  machine: z.string(),
  kit: z.string(),
  numbers: z.array(z.object({ name: z.string(), value: z.string(), certainty })),
  words: z.array(z.string()),
  notes: z.array(z.string()),
  pulls: z.array(
    z.object({
      ...{ name: z.string(), when: z.enum(['before', 'after']), counts: z.boolean() },
      ...{ kw: figure, rpm: figure, nm: figure, nmRpm: figure },
    }),
  ),
  comparison: comparisonSchema.nullable(),
  levels: z.array(z.string()),
})
