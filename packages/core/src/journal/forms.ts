import { z } from 'zod'
import { instant } from './instant.ts'

/** What the entries of a capability hold beside head and `kind`, by kind. */
export type EntryForms = Record<string, z.ZodRawShape>

/** What a form holds; nothing for the empty one, which zod reads as a record of nothing. */
export type ValueIn<Shape extends z.ZodRawShape> = keyof Shape extends never
  ? unknown
  : z.infer<z.ZodObject<Shape, z.core.$strict>>

/** What an entry of a kind with this form holds beside its head. */
export type BodyOf<Kind extends string, Shape extends z.ZodRawShape> = { kind: Kind } & ValueIn<Shape>

/** Ids and texts as all entries write them. */
export const idField = z.string().min(1).max(64)
export const entryIdField = z.string().min(1).max(100)
export const textField = z.string().min(1).max(10_000)
/** SHA-256 of bytes kept beside the journal. */
export const hashField = z.string().regex(/^[0-9a-f]{64}$/, 'must be a SHA-256 in 64 hex digits')
export const nameField = z.string().min(1).max(80)

/** What every entry has, whatever its kind. */
export const headFields = {
  id: entryIdField,
  at: instant.optional(),
  by: nameField.optional(),
  device: z.string().max(80).optional(),
}

/** The form of a decision: what it is decided for, the answer, and the one it takes the place of. Null: given back to the plan. */
export function answerForm<Of extends z.ZodRawShape, Value extends z.ZodType>(of: Of, value: Value) {
  return { ...of, value: value.nullable(), replaces: value.nullable() }
}

/** The form of an entry of any of these kinds, and of further ones. */
export function entrySchema<More extends z.ZodObject = never>(forms: EntryForms, ...more: More[]) {
  const known = Object.entries(forms).map(([kind, shape]) =>
    z.strictObject({ ...headFields, kind: z.literal(kind), ...shape }),
  )
  const undo = z.strictObject({ ...headFields, kind: z.literal('undo'), undoes: entryIdField })
  return z.discriminatedUnion('kind', [undo, ...known, ...more])
}
