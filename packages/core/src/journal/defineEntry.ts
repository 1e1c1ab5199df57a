import type { Problem } from '../shared/index.ts'
import type { BodyOf, EntryForms } from './forms.ts'
import type { EntryHead, Refusal } from './model.ts'

/**
 * One kind of entry: its form, what it may name, what it does to the state and how it reads. Methods, so that a list of kinds of
 * different capabilities is one list.
 */
export interface EntryDefinition<Context, State, Body extends { kind: string }, Place = unknown> {
  kind: string
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

/**
 * Defines kinds of entries for one context and one slice of the state, of the forms that stand beside:
 * `const entry = defineEntry<Dossiers, CoverState, Station, typeof coverForms>()`, then `entry({kind: 'cover-on', apply…})`. The forms are
 * types alone here: who replays a journal needs nothing that reads one.
 */
export function defineEntry<Context, State, Place, Forms extends EntryForms>() {
  return <const Kind extends keyof Forms & string>(
    definition: { kind: Kind } & Omit<EntryDefinition<Context, State, BodyOf<Kind, Forms[Kind]>, Place>, 'kind'>,
  ): EntryDefinition<Context, State, BodyOf<Kind, Forms[Kind]>, Place> & { kind: Kind } => definition
}

/** The body that a definition reads. */
export type BodyIn<Definition> =
  Definition extends EntryDefinition<infer _Context, infer _State, infer Body, infer _Place> ? Body : never

/** A list that has to hold an id. @returns one problem at `path` where it does not */
export function known(list: readonly { id: string }[], id: string, path: string, what: string): Problem[] {
  return list.some((item) => item.id === id)
    ? []
    : [{ code: 'unknown-reference', path, message: `"${id}" is no ${what}.` }]
}
