import { readFigure } from '@tidy-badger/core/shared'
import * as z from 'zod/mini'

/** Nothing is compiled out of strings: the page's policy forbids it. */
z.config({ jitless: true })

/** One line or a few that have to be there, without the blanks around them. */
export function words(most: number) {
  return z.string().check(z.trim(), z.minLength(1, 'Nothing stands here yet.'), z.maxLength(most))
}

/** Words that may be missing. */
export function mayBeEmpty(most: number) {
  return z.string().check(z.trim(), z.maxLength(most))
}

/**
 * A typed figure as a number: point or comma, its unit behind it or not.
 * @param says what is said where it is no figure or out of range
 */
export function figure(unit: string, says: string, fits: (value: number) => boolean) {
  return z.pipe(
    z.string().check(
      z.refine((text) => {
        const value = readFigure(text, unit)
        return value !== null && fits(value)
      }, says),
    ),
    z.transform((text: string) => readFigure(text, unit) ?? 0),
  )
}

export { z }
