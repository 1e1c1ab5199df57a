import { z } from 'zod'
import type { Problem } from '../shared/index.ts'
import { instant } from './instant.ts'
import type { EntryHead, Refusal } from './model.ts'

/**
 * One kind of entry: its form, what it may name, what it does to the state and how it reads. Methods, so that a list of kinds of
 * different capabilities is one list.
 */
export interface EntryDefinition<Context, State, Body extends { kind: string }, Place = unknown> {
  kind: string
  /** Fields beside the head and `kind`. */
  shape: z.ZodRawShape
  /** Replaces a value: it must still find the one it names, and is refused otherwise rather than held. */
  replaces?: boolean
  /** Changes what entries may name, so that those written before are looked at again. */
  movesContext?: boolean
  /** What it names that is not there. Paths are relative to the entry. */
  refs?(context: Context, entry: EntryHead & Body): Problem[]
  /** Why it may not be written down now, though it names only what is there. */
  bars?(context: Context, state: State, entry: EntryHead & Body): Refusal | null
  /** Takes a live entry into the state, in place. @returns null, or why it does not fit; the state is then unchanged */
  apply(state: State, entry: EntryHead & Body, context: Context): string | null
  /** The station it belongs to, where it says so by itself. */
  place?(entry: EntryHead & Body, context: Context): Place | null
  /** One line of the journal. */
  words(entry: EntryHead & Body, context: Context): string
}

/** What a form holds; nothing for the empty one, which zod reads as a record of nothing. */
export type ValueIn<Shape extends z.ZodRawShape> = keyof Shape extends never
  ? unknown
  : z.infer<z.ZodObject<Shape, z.core.$strict>>

/** What an entry of a kind with this form holds beside its head. */
export type BodyOf<Kind extends string, Shape extends z.ZodRawShape> = { kind: Kind } & ValueIn<Shape>

/**
 * Defines kinds of entries for one context and one slice of the state:
 * `const entry = defineEntry<Dossiers, CoverState>()`, then `entry({kind: 'cover-on', shape: {cover: id}, apply…})`.
 */
export function defineEntry<Context, State, Place = unknown>() {
  return <const Kind extends string, Shape extends z.ZodRawShape>(
    definition: { kind: Kind; shape: Shape } & Omit<
      EntryDefinition<Context, State, BodyOf<Kind, Shape>, Place>,
      'kind' | 'shape'
    >,
  ): EntryDefinition<Context, State, BodyOf<Kind, Shape>, Place> & { kind: Kind } => definition
}

/** The body that a definition reads. */
export type BodyIn<Definition> =
  Definition extends EntryDefinition<infer _Context, infer _State, infer Body, infer _Place> ? Body : never

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

/** A list that has to hold an id. @returns one problem at `path` where it does not */
export function known(list: readonly { id: string }[], id: string, path: string, what: string): Problem[] {
  return list.some((item) => item.id === id)
    ? []
    : [{ code: 'unknown-reference', path, message: `"${id}" is no ${what}.` }]
}
