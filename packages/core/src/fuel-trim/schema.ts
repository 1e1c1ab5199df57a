import { z } from 'zod'
import { failure, problemsOfZod, success, type Outcome, type Problem } from '../shared/index.ts'
import { defaultLimits, defaultOptions, type AfrTarget, type Matrix, type TrimProblem } from './model.ts'

const axis = z.array(z.number()).min(2, 'an axis needs at least 2 points').max(40, 'an axis has at most 40 points')
const matrix = z.array(z.array(z.number()))
const bounds = z.union([z.tuple([z.number(), z.number()]), z.number().positive()])

/** Body of a request for suggested trims. Every matrix is `[rpmIndex][loadIndex]`; load is throttle, 0 to 100 %. */
export const suggestRequestSchema = z.strictObject({
  grid: z.strictObject({ rpm: axis, load: axis, trimPct: matrix, currentPct: matrix.optional() }),
  target: z.union([z.strictObject({ afr: z.number() }), z.strictObject({ rpm: axis, load: axis, afr: matrix })]),
  log: z.strictObject({
    csv: z.string(),
    columns: z.record(z.string(), z.string()).optional(),
    units: z.record(z.string(), z.string()).optional(),
    dropUnreadable: z.boolean().optional(),
  }),
  options: z
    .strictObject({
      gain: z.number().positive().max(1).optional(),
      maxStepPct: z.number().positive().max(100).optional(),
      boundsPct: bounds.optional(),
      delaySeconds: z.number().min(0).max(5).optional(),
    })
    .optional(),
})
export type SuggestRequest = z.infer<typeof suggestRequestSchema>

/** The problem a request poses, or everything wrong with it by path. Limits and λ = 1 are the general ones. */
export function readSuggestRequest(body: unknown): Outcome<{ request: SuggestRequest; problem: TrimProblem }> {
  const parsed = suggestRequestSchema.safeParse(body)
  if (!parsed.success) return failure(...problemsOfZod(parsed.error))
  const { grid, target, options } = parsed.data
  const problems: Problem[] = [
    ...rising(grid.rpm, 'grid.rpm'),
    ...rising(grid.load, 'grid.load'),
    ...within(grid.load, 'grid.load', 0, 100, 'Load is throttle in percent, 0 to 100.'),
    ...within(grid.rpm, 'grid.rpm', 0, 30_000, 'Engine speeds run from 0 to 30,000 rpm.'),
    ...sized(grid.trimPct, grid, 'grid.trimPct'),
    ...(grid.currentPct ? sized(grid.currentPct, grid, 'grid.currentPct') : []),
    ...targetProblems(target),
  ]
  grid.trimPct.forEach((row, r) =>
    problems.push(
      ...within(row, `grid.trimPct.${r}`, -99, 500, 'A trim must leave some fuel and no flood: −99 to 500 %.'),
    ),
  )
  const stated = options?.boundsPct
  const boundsPct: [number, number] =
    stated === undefined
      ? defaultOptions.boundsPct
      : typeof stated === 'number'
        ? [-stated, stated]
        : [stated[0], stated[1]]
  if (boundsPct[0] >= boundsPct[1])
    problems.push({ code: 'bounds', path: 'options.boundsPct', message: 'The lower bound must be below the upper.' })
  if (problems.length > 0) return failure(...problems)
  return success({
    request: parsed.data,
    problem: {
      axes: { rpm: grid.rpm, load: grid.load },
      trimPct: grid.trimPct,
      currentPct: grid.currentPct ?? grid.trimPct,
      target,
      limits: defaultLimits,
      options: {
        gain: options?.gain ?? defaultOptions.gain,
        maxStepPct: options?.maxStepPct ?? defaultOptions.maxStepPct,
        boundsPct,
        delaySeconds: options?.delaySeconds,
      },
    },
  })
}

function targetProblems(target: AfrTarget): Problem[] {
  const range = (values: readonly number[], path: string) =>
    within(values, path, 5, 25, 'An air-fuel ratio lies between 5 and 25.')
  if (!('rpm' in target))
    return range([target.afr], 'target.afr').map((problem) => ({ ...problem, path: 'target.afr' }))
  return [
    ...rising(target.rpm, 'target.rpm'),
    ...rising(target.load, 'target.load'),
    ...sized(target.afr, target, 'target.afr'),
    ...target.afr.flatMap((row, r) => range(row, `target.afr.${r}`)),
  ]
}

function rising(axis: readonly number[], path: string): Problem[] {
  const at = axis.findIndex((value, i) => i > 0 && value <= axis[i - 1])
  return at < 0
    ? []
    : [
        {
          code: 'not-rising',
          path: `${path}.${at}`,
          message: `Axis points must rise: ${axis[at]} follows ${axis[at - 1]}.`,
        },
      ]
}

function sized(table: Matrix, axes: { rpm: readonly number[]; load: readonly number[] }, path: string): Problem[] {
  const bad = table.findIndex((row) => row.length !== axes.load.length)
  if (table.length === axes.rpm.length && bad < 0) return []
  const message = `The table must have ${axes.rpm.length} rows (rpm) of ${axes.load.length} figures (load).`
  return [{ code: 'table-size', path: bad >= 0 ? `${path}.${bad}` : path, message }]
}

function within(values: readonly number[], path: string, low: number, high: number, message: string): Problem[] {
  const at = values.findIndex((value) => value < low || value > high)
  return at < 0 ? [] : [{ code: 'out-of-range', path: `${path}.${at}`, message }]
}
