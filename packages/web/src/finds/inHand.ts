import type { KitEnd } from '@tidy-badger/core/dossiers'
import type { WorkItem } from '@tidy-badger/core/jobs'
import type { Match } from '@tidy-badger/core/wiring'

/** The tick that is in hand: a thing to do at a station, or an end of the loom. */
export type InHand = { item: WorkItem } | { end: KitEnd; match: Match | undefined }
