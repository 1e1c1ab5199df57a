import { z } from 'zod'
import type { Problem } from './result.ts'

/** Deeper than any document of ours; deeper ones cannot be checked or hashed without running out of stack. */
export const deepestJson = 100

/** Largest whole number that a table keeps (PostgreSQL `integer`). */
export const largestInteger = 2_147_483_647

/** Whether a text can be kept and shown: no NUL, no half of a surrogate pair (UTF-16, Unicode 15, 3.8). */
export function isCleanText(text: string): boolean {
  return !text.includes('\0') && !/\p{Surrogate}/u.test(text)
}

const notClean = 'has a sign in it that is no text (a NUL or half a character). Type it again.'

/** A text between two lengths that can be kept and shown. */
export function cleanText(most: number, least = 1): z.ZodString {
  return z.string().min(least).max(most).refine(isCleanText, `The text ${notClean}`)
}

/** What names something in a path or a query. */
export const idText: z.ZodString = cleanText(100)

/** A whole number of a query, from `least` to what a table keeps. */
export function queryInteger(least: number): z.ZodCoercedNumber<string> {
  return z.coerce.number<string>().int().min(least).max(largestInteger)
}

/**
 * The first thing in a JSON value that no table and no screen can take: texts that are none, numbers without an end,
 * names that would change every object, nesting beyond `deepestJson`. Walks without recursion, so that any depth is safe.
 * @returns null when there is nothing
 */
export function findUnclean(value: unknown): Problem | null {
  const open: { value: unknown; path: string; depth: number }[] = [{ value, path: '', depth: 0 }]
  for (let item = open.pop(); item; item = open.pop()) {
    const { path, depth } = item
    const inner = item.value
    if (typeof inner === 'string') {
      if (!isCleanText(inner)) return { code: 'not-text', path, message: `${placeOf(path)} ${notClean}` }
    } else if (typeof inner === 'number') {
      if (!Number.isFinite(inner))
        return { code: 'number-too-large', path, message: `${placeOf(path)} is a number without an end. Correct it.` }
    } else if (typeof inner === 'object' && inner !== null) {
      if (depth >= deepestJson)
        return {
          code: 'too-deep',
          path: path.split('.').slice(0, 6).join('.'),
          message: `The document is nested more than ${deepestJson} deep. No document of ours is.`,
        }
      const under = path === '' ? '' : `${path}.`
      // Pushed backwards, so that what stands first is found first.
      for (const [key, child] of Object.entries(inner).reverse()) {
        if (!isCleanText(key) || key === '__proto__')
          return { code: 'not-text', path, message: `${placeOf(path)} has a field whose name is none. Rename it.` }
        if (child !== null && child !== true && child !== false)
          open.push({ value: child, path: `${under}${key}`, depth: depth + 1 })
      }
    }
  }
  return null
}

function placeOf(path: string): string {
  return path === '' ? 'The document' : `"${path}"`
}
