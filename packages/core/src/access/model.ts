import type { AccessWay, Cover, CoverId, Minutes, ThingId, WayId, ZoneId } from '../dossiers/index.ts'

export type TargetKind = 'connector' | 'stud' | 'place'

/** Something that must be reached. */
export type AccessTarget = { name: string; zone: ZoneId } & ThingId

/** What other jobs taught: minutes by `off.<cover>`, `on.<cover>` and `way.<way>`. */
export type KnownMinutes = ReadonlyMap<string, Minutes>

/** A cover that lies over a passage of the loom. */
export interface CoverOver {
  cover: CoverId
  /** Said where the cover is: what is laid behind it. */
  what: string
}

export interface AccessOptions {
  people?: 1 | 2
  known?: KnownMinutes
  /** Ways a person has fixed, by `kind:id` of the target. */
  ways?: ReadonlyMap<string, WayId>
  /** Order of removal a person has laid down; covers it does not name follow as planned. */
  order?: readonly CoverId[]
  /** Targets beside the batteries that are needed before the battery is off, by `kind:id`. */
  early?: ReadonlySet<string>
  /** Covers that come off whatever is behind them, before the battery. */
  covers?: readonly CoverId[]
  /** Covers that lie over the way of a loom. */
  over?: readonly CoverOver[]
  /** Ends the search with the best found so far. */
  enough?: () => boolean
  /** Widest layer of the search for the order. */
  width?: number
}

export interface PlannedTarget {
  target: AccessTarget
  way: AccessWay
  /** Everything that is off for this way. */
  covers: CoverId[]
  minutes: Minutes
  /** The next best way alone, and what it would cost more with all else as planned, min. */
  otherwise?: { way: AccessWay; moreMinutes: number }
}

export interface Removal {
  cover: Cover
  minutes: Minutes
  tools: string[]
  /** Names of what lies behind it. */
  reaches: string[]
  /** Comes off before the battery, because the battery is behind it. */
  beforeBattery: boolean
}

export interface Closing {
  cover: Cover
  minutes: Minutes
  tools: string[]
  /** Must be on before the engine runs. */
  beforeStart: boolean
}

/** What an order laid down by hand breaks. */
export interface OrderBreak {
  cover: CoverId
  says: string
}

export interface AccessPlan {
  targets: PlannedTarget[]
  /** Targets of which nobody has written down how they are reached. */
  unknown: AccessTarget[]
  removals: Removal[]
  closing: Closing[]
  tools: string[]
  saved: { cover: CoverId; name: string; items: string[] }[]
  toolChanges: number
  walkM: number
  /** Expected person-minutes: covers off and on, helpers counted, and the work at the targets by their ways. */
  workMinutes: number
  /** Expected minutes on the clock, with this many people. */
  clockMinutes: number
  /** False: less may have to come off, by at most `gapMinutes`. */
  exact: boolean
  /** No order with as few tool changes is a shorter way. */
  walkProven: boolean
  /** So many tool changes could still be saved at the most; 0: proven the fewest for what comes off. */
  changesGap: number
  gapMinutes: number
  breaks: OrderBreak[]
}
