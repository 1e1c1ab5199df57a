import type { z } from 'zod'
import type { Problem } from './result.ts'

/**
 * Turns zod issues into problems with dotted paths and sentences.
 * @param error what `safeParse` gave back
 * @param under path of the parsed value within the request, '' for the whole body
 */
export function problemsOfZod(error: z.ZodError, under = ''): Problem[] {
  return error.issues.flatMap((issue) => flatten(issue, under))
}

function flatten(issue: z.core.$ZodIssue, under: string): Problem[] {
  const path = [under, ...issue.path.map(String)].filter((part) => part !== '').join('.')
  if (issue.code === 'invalid_union' && issue.errors.length > 0) {
    const nearest = issue.errors.reduce((best, next) => (depth(next) > depth(best) ? next : best))
    if (depth(nearest) > 0) return nearest.flatMap((inner) => flatten(inner, path))
  }
  return [{ code: issue.code.replaceAll('_', '-'), path, message: sentence(issue, path) }]
}

function depth(issues: readonly z.core.$ZodIssue[]): number {
  return Math.max(0, ...issues.map((issue) => issue.path.length))
}

function sentence(issue: z.core.$ZodIssue, path: string): string {
  const place = path === '' ? 'The document' : `"${path}"`
  switch (issue.code) {
    case 'invalid_type':
      return /received undefined/.test(issue.message)
        ? `${place} is missing: it must be ${article(issue.expected)}.`
        : `${place} must be ${article(issue.expected)}.`
    case 'unrecognized_keys':
      return `${place} has ${issue.keys.length > 1 ? 'fields' : 'a field'} that nobody reads: ${issue.keys.join(', ')}. Remove or rename.`
    case 'too_small':
      return `${place} is too small: at least ${issue.minimum} is needed.`
    case 'too_big':
      return `${place} is too large: at most ${issue.maximum} is allowed.`
    case 'invalid_value':
      return `${place} must be one of ${issue.values.map(String).join(', ')}.`
    case 'invalid_union':
      return `${place} fits none of the forms it may have.`
    case 'custom':
      return issue.message
    default:
      return `${place}: ${issue.message}.`
  }
}

function article(type: string): string {
  const word = type === 'record' ? 'object' : type
  return `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`
}
