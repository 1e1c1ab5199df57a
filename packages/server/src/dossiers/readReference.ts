import type { VariantId } from '@tidy-badger/core/dossiers'
import { isCleanText, largestInteger, asId } from '@tidy-badger/core/shared'
import { Refusal } from '../platform/errors.ts'

/** A published version by its id; the newest unless one is named. */
export interface DossierReference {
  id: string
  version?: number
  variant?: VariantId
}

/** A reference of what a query names. */
export function referenceOf(id: string, version: number | undefined, variant: string | undefined) {
  return { id, ...(version === undefined ? {} : { version }), ...(variant === undefined ? {} : { variant }) }
}

/** @throws Refusal with what is wrong about it */
export function readReference(asked: Record<string, unknown>, kind: string): DossierReference {
  const { id, version, variant } = { id: undefined, version: undefined, variant: undefined, ...asked }
  const wrong = (field: string, message: string) =>
    new Refusal('malformed', { code: 'malformed', path: `${kind}.${field}`, message })
  const isName = (value: unknown): value is string =>
    typeof value === 'string' && value !== '' && value.length <= 100 && isCleanText(value)
  if (!isName(id)) throw wrong('id', `Name the ${kind} by its id, or send a whole document with a kind.`)
  if (
    version !== undefined &&
    (typeof version !== 'number' || !Number.isInteger(version) || version < 1 || version > largestInteger)
  )
    throw wrong('version', 'A version is a whole number, 1 or more.')
  if (variant !== undefined && !isName(variant)) throw wrong('variant', 'A variant is named by its id.')
  const unread = Object.keys(asked).filter((key) => !['id', 'version', 'variant'].includes(key))
  if (unread.length > 0)
    throw wrong(
      unread[0],
      `A reference has id, version and variant; nobody reads "${unread[0]}". A whole document has a kind.`,
    )
  return { id, version, ...(variant === undefined ? {} : { variant: asId<VariantId>(variant) }) }
}
