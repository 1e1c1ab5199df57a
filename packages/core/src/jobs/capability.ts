import type { DossierPair, Minutes, Station } from '../dossiers/index.ts'
import type { Rule } from '../findings/index.ts'
import type { Done, EntryDefinition } from '../journal/index.ts'
import type { Spoken } from '../shared/index.ts'
import type { Erratum, Finding, Match } from '../wiring/index.ts'
import type { JobDossiers, JobState } from './state.ts'

/** What a job's findings need beside its own journal. */
export interface FindingScene {
  plan: readonly Match[]
  /** Errors of kit sheets, from all jobs. */
  errata: readonly Erratum[]
}

/** What a work item may ask for, each with a card of its own on the screen. */
export type WorkAsk = 'boss' | 'setting' | 'throttle' | 'authority' | 'level' | 'leak'

/** One thing to do at a station that a capability puts there. */
export interface OwnWork<Body extends { kind: string } = { kind: string }> extends Spoken {
  id: string
  minutes: Minutes
  done?: Done
  /** What has to be measured or answered first: nothing ticks it off without. What a smooth job writes down is in `makes`. */
  asks?: WorkAsk
  /** Comes before everything else of its station. */
  first?: boolean
  /** What ticking it off writes down. */
  makes: Body[]
}

/**
 * What a job is put together from: kinds of entries with the slice of the state they make, and where it has any, rules with what is found
 * by them, and work it puts on stations.
 */
export interface Capability {
  name: string
  entries: readonly EntryDefinition<DossierPair, never, never, Station>[]
  fresh: (dossiers: DossierPair) => object
  rules?: Readonly<Record<string, Rule>>
  findings?: (dossiers: JobDossiers, state: JobState, scene: FindingScene) => Finding[]
  work?: (dossiers: JobDossiers, state: JobState, station: Station) => OwnWork[]
  /** What keeps a station from being done beside stops, in sentences. */
  bars?: (dossiers: JobDossiers, state: JobState, station: Station) => string[]
}
