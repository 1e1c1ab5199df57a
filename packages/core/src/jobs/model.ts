import type { KnownMinutes } from '../access/index.ts'
import type {
  CoverId,
  DossierRef,
  Kit,
  KitEndId,
  Machine,
  PassageId,
  PlaceId,
  Station,
  TapMethod,
} from '../dossiers/index.ts'
import type { ConnectionTarget, FindingPlace, PairSide } from '../wiring/index.ts'

/** A cell of a trim table as it was and as it is to be, %. Axis values, not indices. */
export interface CellChange {
  rpm: number
  load: number
  old: number
  new: number
}

/** How a log was read, so that it can be read the same way again. */
export interface LogMapping {
  columns: Record<string, string>
  units: Record<string, string>
  dropUnreadable: boolean
}

export const irreversibleActs = ['cut', 'notch', 'hole'] as const
export type IrreversibleAct = (typeof irreversibleActs)[number]

export const earlierWorks = ['bypass', 'puncture', 'parked plug', 'cut wire', 'other'] as const
export type EarlierWork = (typeof earlierWorks)[number]

export const partStates = ['present', 'missing', 'not used', 'from stock'] as const
export type PartState = (typeof partStates)[number]

export const photoShows = ['before', 'damage', 'work', 'after'] as const
export type PhotoShows = (typeof photoShows)[number]

/** The trunk, or an end of the kit. */
export type RoutePart = 'trunk' | KitEndId

/** What a photo hangs on. */
export interface PhotoPlace {
  station?: Station
  entry?: string
  step?: string
  cover?: string
  kitEnd?: string
  passage?: string
}

export type EntryBody =
  | { kind: 'note'; text: string; about?: FindingPlace & { station?: Station } }
  | {
      kind: 'step-done'
      step: string
      /** What the step asks to be written down. */
      wrote?: string
      /** Why it is done without what it asks for, or before its wait was over. */
      without?: string
    }
  | { kind: 'part-checked'; part: string; state: PartState; instead?: string }
  | { kind: 'tool-checked'; tool: string; state: 'present' | 'missing' }
  | {
      kind: 'reading'
      quantity: string
      value: number
      unit: string
      step?: string
      /** The meter card it answers. */
      card?: string
      about?: FindingPlace
    }
  | {
      kind: 'connected'
      kitEnd: KitEndId
      to: ConnectionTarget
      method?: TapMethod
      /** Fuse put into the lead, A, where it is another than the kit's. */
      fuseA?: number
    }
  | { kind: 'disconnected'; kitEnd: KitEndId; side?: PairSide }
  | { kind: 'tugged'; kitEnd: KitEndId }
  | { kind: 'station-done'; station: Station }
  | { kind: 'stop-lifted'; finding: string; reason: string }
  /** Something done to the machine that cannot be taken back, with the owner's word. */
  | { kind: 'irreversible'; act: IrreversibleAct; text: string; consentBy: string; about?: FindingPlace }
  /** What an earlier fitter left behind; stays on the list until dealt with. */
  | { kind: 'found'; what: EarlierWork; text: string; about?: FindingPlace }
  | { kind: 'dealt-with'; found: string; how: string }
  | { kind: 'difference-accepted'; kitEnd: KitEndId; reason: string }
  /** A question with one answer at a time: a school, or the place of an end. */
  | { kind: 'choice'; choice: string; value: string; replaces: string | null }
  | { kind: 'setting'; setting: string; value: string; replaces: string | null }
  | {
      kind: 'log-imported'
      log: string
      name: string
      rows: number
      bytes: number
      mapping: LogMapping
      /** Entry that made the table in force on the ride; null: the table the kit ships with. */
      tableInForce: string | null
    }
  | {
      kind: 'trim-accepted'
      log: string
      fitVersion: number
      options: { gain: number; maxStepPct: number; delaySeconds: number }
      cells: CellChange[]
    }
  | { kind: 'trim-loaded'; name: string; cells: CellChange[] }
  | { kind: 'cover-off'; cover: CoverId; /** Why it came off before it was cold. */ without?: string }
  | { kind: 'cover-on'; cover: CoverId }
  /** Something from the tray that stays off the machine, and why. */
  | { kind: 'left-off'; cover: CoverId; reason: string }
  | {
      kind: 'photo'
      /** SHA-256 of its bytes. */
      photo: string
      bytes: number
      widthPx: number
      heightPx: number
      shows: PhotoShows
      caption?: string
      /** Goes into the hand-back pack. */
      handBack: boolean
      about?: PhotoPlace
    }
  /** A photo goes into the hand-back pack, or out of it. */
  | { kind: 'photo-packed'; photo: string; handBack: boolean }
  | { kind: 'timer-started'; what: string; minutes: number }
  | { kind: 'timer-stopped'; timer: string }
  /** What the owner was told, and who heard it. */
  | { kind: 'told'; text: string; to: string }
  /** Where a branch, or the trunk, really lies: the passages in order. */
  | { kind: 'routed'; part: RoutePart; passages: PassageId[]; replaces: PassageId[] | null }
  /** The module is held to its place, or fixed there. */
  | { kind: 'mounted'; place: PlaceId; trial: boolean }
  | { kind: 'tied'; passage: PassageId }
  /** The job goes on with another version of its machine or kit. */
  | {
      kind: 'dossier-changed'
      dossier: 'machine' | 'kit'
      to: DossierRef
      /** Content hash of the version it takes the place of. */
      replaces: string
      /** Entries that no longer fit, as they were shown when it was decided. */
      invalidates: Invalidated[]
    }
  | { kind: 'undo'; undoes: string }

/** An entry that does not fit a version of a dossier, and why. */
export interface Invalidated {
  entry: string
  why: string
}

export type EntryKind = EntryBody['kind']

/** What a client sends. */
export type NewEntry = { id: string; at?: string; by?: string; device?: string } & EntryBody

/** What the journal holds. Order is `seq`, never `at`. */
export type JournalEntry = NewEntry & { seq: number; receivedAt: string; v: number }

/** The version entries are written in. Older ones are upcast when read. */
export const entryVersion = 2

/** Dossiers a job points at, the machine composed with its variant. */
export interface JobDossiers {
  machine: Machine
  kit: Kit
  /** What finished jobs taught about times; the choice of ways goes by it. Never part of replay. */
  learnt?: KnownMinutes
}

export interface MadeConnection {
  entry: string
  kitEnd: KitEndId
  to: ConnectionTarget
  method?: TapMethod
  tugged: boolean
  fuseA?: number
  /** Joined with the battery on. */
  live?: boolean
  by?: string
  at?: string
}

export interface TrimRevision {
  /** Entry that made it; null: the table the kit ships with. */
  entry: string | null
  source: 'shipped' | 'ride' | 'file'
  log?: string
  name?: string
  changed: number
  by?: string
  at?: string
  pct: number[][]
}

export interface Done {
  entry: string
  by?: string
  at?: string
}

/** Everything that follows from the journal. Plain JSON. */
export interface JobState {
  connections: MadeConnection[]
  /** Halves for which two people wrote down different places without taking it apart between. */
  disputes: { kitEnd: KitEndId; entries: [string, string] }[]
  stepsDone: Record<string, Done & { wrote?: string; without?: string }>
  stationsDone: Record<string, Done>
  parts: Record<string, Done & { state: PartState; instead?: string }>
  tools: Record<string, Done & { state: 'present' | 'missing' }>
  routes: Record<string, Done & { passages: PassageId[] }>
  mounted: (Done & { place: PlaceId; trial: boolean }) | null
  ties: Record<PassageId, Done>
  covers: Record<CoverId, { off: Done; on?: Done; leftOff?: Done & { reason: string } }>
  photos: (Done & {
    photo: string
    bytes: number
    widthPx: number
    heightPx: number
    shows: PhotoShows
    caption?: string
    handBack: boolean
    about?: PhotoPlace
  })[]
  timers: (Done & { what: string; minutes: number; stopped?: Done })[]
  told: (Done & { text: string; to: string })[]
  readings: (Done & {
    quantity: string
    value: number
    unit: string
    step?: string
    card?: string
    about?: FindingPlace
  })[]
  notes: (Done & { text: string; about?: FindingPlace & { station?: Station } })[]
  settings: Record<string, Done & { value: string }>
  lifted: Record<string, Done & { reason: string }>
  irreversible: (Done & { act: IrreversibleAct; text: string; consentBy: string; about?: FindingPlace })[]
  /** What an earlier fitter left, and what this job itself pierced and took off again (`own`). */
  found: (Done & {
    what: EarlierWork
    text: string
    about?: FindingPlace
    own?: boolean
    dealt?: Done & { how: string }
  })[]
  /** Differences from the plan a person has taken as they are; the key names end and place. */
  accepted: Record<string, Done & { reason: string }>
  choices: Record<string, Done & { value: string }>
  /** Whether the battery is on, by the last step that says so. */
  power: 'on' | 'off'
  logs: (Done & {
    log: string
    name: string
    rows: number
    bytes: number
    mapping: LogMapping
    tableInForce: string | null
    /** Accepted trim that came from this log, if any. */
    usedBy: string | null
  })[]
  trim: { rpm: number[]; load: number[]; revisions: TrimRevision[] }
  /** Versions of dossiers taken since the job was opened, the latest of each. */
  dossiers: { machine: DossierRef | null; kit: DossierRef | null }
  /** Entries that were true when written but no longer fit what is there. */
  held: Invalidated[]
}

/** The trim table as it is now. */
export function currentTrim(state: JobState): number[][] {
  return state.trim.revisions[state.trim.revisions.length - 1].pct
}
