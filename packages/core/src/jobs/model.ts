import type { BodyIn, EntryHead, Stamps, Undo } from '../journal/index.ts'
import type { capabilities } from './capabilities.ts'

type Bodies<Definition> = Definition extends unknown ? BodyIn<Definition> : never

/** What an entry of any capability holds beside its head, told apart by `kind`. */
export type EntryBody = Bodies<(typeof capabilities)[number]['entries'][number]> | Undo
export type EntryKind = EntryBody['kind']

/** What a client sends. */
export type NewEntry = EntryHead & EntryBody

/** What the journal holds. Order is `seq`, never `at`. */
export type JournalEntry = NewEntry & Stamps

/** The version entries are written in. Older ones are upcast when read. */
export const entryVersion = 3

export type { Invalidated, JobDossiers, JobState, TakeInQuestion } from './state.ts'
