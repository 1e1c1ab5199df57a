import { failure, type Outcome, type Problem } from '../shared/index.ts'

/** A figure with the least and the most it can be, and what is likely meant where it is far off. */
export interface FigureAsked {
  path: string
  value: number
  low: number
  high: number
  unit: string
  /** What it would be in another unit that is often typed instead. */
  likely?: (value: number) => string | null
}

/** What is wrong with figures; null where each is possible. */
export function impossible(figures: readonly FigureAsked[]): Outcome<never> | null {
  const problems = figures.flatMap(({ path, value, low, high, unit, likely }): Problem[] => {
    if (Number.isFinite(value) && value >= low && value <= high) return []
    const meant = likely?.(value) ?? null
    return [
      {
        code: 'out-of-range',
        path,
        message: `${value} ${unit} cannot be: it lies between ${low} and ${high} ${unit}.${meant === null ? '' : ` ${meant}`}`,
      },
    ]
  })
  return problems.length > 0 ? failure(...problems) : null
}

/** A height that is likely typed in millimetres or inches. */
export function likelyMetres(value: number): string | null {
  if (value >= 150 && value <= 3000) return `In metres that is ${value / 1000}, if millimetres were meant.`
  if (value >= 8 && value <= 100) return `In metres that is ${Math.round(value * 25.4) / 1000}, if inches were meant.`
  return null
}
