import type { AccessState, KnownMinutes } from '../access/index.ts'
import type { BenchSupply } from '../circuit/index.ts'
import type { CheckKitState } from '../check-kit/index.ts'
import type { DossierPair, DossierRef, Station } from '../dossiers/index.ts'
import type { SupplyState } from '../electrical/index.ts'
import type { FindState } from '../finds/index.ts'
import type { TrimState } from '../fuel-trim/index.ts'
import type { Decided, Done, Held } from '../journal/index.ts'
import type { PhotoState } from '../photos/index.ts'
import type { RouteState } from '../routing/index.ts'
import type { LevelState } from '../levels/index.ts'
import type { AftertreatmentState } from '../aftertreatment/index.ts'
import type { ProvingState } from '../proving/index.ts'
import type { SensorState } from '../sensors/index.ts'
import type { SetupState } from '../setup/index.ts'
import type { WakeState } from '../wake/index.ts'
import type { VehicleState } from '../vehicles/index.ts'
import type { FindingPlace, WiringState } from '../wiring/index.ts'

/** Questions of taking in, one answer at a time. */
export const takeInQuestions = ['aim', 'fitted-already', 'plate', 'owner'] as const
export type TakeInQuestion = (typeof takeInQuestions)[number]

/** An entry that does not fit a version of a dossier, and why. */
export type Invalidated = Held

/** Steps, stations, notes, waits, and which dossiers the job works with: what belongs to the job as a whole. */
export interface WorkState {
  stepsDone: Record<string, Done & { wrote?: string; without?: string }>
  stationsDone: Record<string, Done>
  timers: (Done & { what: string; minutes: number; stopped?: Done })[]
  told: (Done & { text: string; to: string })[]
  notes: (Done & { text: string; about?: FindingPlace & { station?: Station } })[]
  lifted: Record<string, Done & { reason: string }>
  decided: {
    answers: Partial<Record<TakeInQuestion, Decided<string>>>
  }
  /** Versions of dossiers taken since the job was opened, the latest of each. */
  dossiers: { machine: DossierRef | null; kit: DossierRef | null }
  /** Kits that came to the job, or went, since it was opened. */
  kitsMoved: (Done & { kit: string; how: 'came' | 'went' })[]
  /** Entries that were true when written but no longer fit what is there. */
  held: Held[]
}

export function freshWork(): WorkState {
  return {
    stepsDone: {},
    stationsDone: {},
    timers: [],
    told: [],
    notes: [],
    lifted: {},
    decided: { answers: {} },
    dossiers: { machine: null, kit: null },
    kitsMoved: [],
    held: [],
  }
}

/** What has been decided, of any capability. */
export type Decisions = JobState['decided']
export const nothingDecided: Decisions = { answers: {}, places: {}, ways: {}, far: {} }

/** Everything that follows from the journal. Plain JSON. */
export type JobState = WorkState &
  WiringState &
  AccessState &
  RouteState &
  SupplyState &
  SensorState &
  SetupState &
  WakeState &
  LevelState &
  ProvingState &
  AftertreatmentState &
  CheckKitState &
  PhotoState &
  FindState &
  VehicleState &
  TrimState

/** Dossiers a job points at, the machine composed with its variant. */
export interface JobDossiers extends DossierPair {
  /** What finished jobs taught about times; the choice of ways goes by it. Never part of replay. */
  learnt?: KnownMinutes
  /** What a bench supply has to give for machine and kits, where a step asks for it: by the circuit, which no screen needs for it. */
  bench?: BenchSupply
}
