import { perPair } from '../shared/index.ts'
import type { ConnectorId, DossierPair, Kit, KitEndId, TapMethod, StepId } from '../dossiers/index.ts'
import type { Decided, Done } from '../journal/index.ts'
import type { JoinPractice } from './joinMethods.ts'
import type { ConnectionTarget, FindingPlace, PlannedPlace } from './model.ts'
import { sameTarget, targetWords } from './places.ts'
import { proposeMatches, type Match, type MatchLock } from './proposeMatches.ts'

export const irreversibleActs = ['cut', 'notch', 'hole'] as const
export type IrreversibleAct = (typeof irreversibleActs)[number]

export const earlierWorks = ['unknown module', 'bypass', 'puncture', 'parked plug', 'cut wire', 'other'] as const
export type EarlierWork = (typeof earlierWorks)[number]

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

export interface FoundWork extends Done {
  what: EarlierWork
  text: string
  about?: FindingPlace
  /** Plugs an unknown module sits in, each with when it was taken out there. */
  plugs?: { connector: ConnectorId; out?: Done }[]
  /** Pierced by this job itself, and taken off again. */
  own?: boolean
  dealt?: Done & { how: string }
}

export interface TakenReading extends Done {
  quantity: string
  value: number
  unit: string
  step?: StepId
  /** The meter card it answers. */
  card?: string
  about?: FindingPlace
}

export interface WiringDecisions {
  joining?: Decided<JoinPractice>
  /** Places fixed by hand, by end; capped is a place too. */
  places: Record<KitEndId, Decided<PlannedPlace>>
}

/** What is connected, and what is known of the wires. */
export interface WiringState {
  connections: MadeConnection[]
  /** Halves for which two people wrote down different places without taking it apart between. */
  disputes: { kitEnd: KitEndId; entries: [string, string] }[]
  /** Whether the battery is on, by the last step that says so. */
  power: 'on' | 'off'
  readings: TakenReading[]
  irreversible: (Done & { act: IrreversibleAct; text: string; consentBy: string; about?: FindingPlace })[]
  /** What an earlier fitter left, and what this job itself pierced and took off again. */
  found: FoundWork[]
  /** Fuses that were put into leads, A: they stay in when the lead is taken to another place. */
  fuses: Record<KitEndId, number>
  /** Differences from the plan a person has taken as they are; the key names end and place. */
  accepted: Record<string, Done & { reason: string }>
  decided: WiringDecisions
}

export function freshWiring(): WiringState {
  return {
    connections: [],
    disputes: [],
    power: 'on',
    readings: [],
    irreversible: [],
    found: [],
    fuses: {},
    accepted: {},
    decided: { places: {} },
  }
}

type Chosen = Pick<WiringState, 'decided'>

/** A place as one short text, for keys: `plug/ecu`, `plug/ecu/12`, `stud/frame`, `cap`. */
export function placeText(target: ConnectionTarget | null): string {
  if (target === null || 'closed' in target || 'open' in target) return 'cap'
  if ('stud' in target) return `stud/${target.stud}`
  if ('kitEnd' in target) return `end/${target.kitEnd}`
  return 'cavity' in target ? `plug/${target.connector}/${target.cavity}` : `plug/${target.connector}`
}

/** Places a person has fixed for ends of the kit. */
export function locksOf(kit: Kit, state: Chosen): MatchLock[] {
  return kit.ends.flatMap((end) => {
    const to = state.decided.places[end.id]?.value
    return to === undefined ? [] : [{ kitEnd: end.id, to: 'closed' in to ? null : to }]
  })
}

/** Ends as the plan has them, places fixed by hand kept; computed once per machine, kit and set of places. */
export function connectionPlan(dossiers: DossierPair, state?: Chosen): Match[] {
  const locks = state ? locksOf(dossiers.kit, state) : []
  return plans(dossiers, JSON.stringify(locks), () => proposeMatches(dossiers.machine, dossiers.kit, locks))
}
const plans = perPair<Match[]>('connections')

/** How this shop joins wires. */
export function joinPracticeOf(state: Chosen): JoinPractice {
  return state.decided.joining?.value ?? 'by place'
}

/** Names an end at a place, so that an accepted difference ends when the place changes. */
export function differenceKey(kitEnd: KitEndId, to: ConnectionTarget): string {
  return `${kitEnd}@${placeText(to)}`
}

export interface Difference {
  kitEnd: KitEndId
  planned: string
  built: string
  accepted?: { reason: string; by?: string }
}

/** Where what was built differs from the plan, accepted differences marked. */
export function differences(
  { machine, kit }: DossierPair,
  state: Pick<WiringState, 'connections' | 'accepted'>,
  plan: readonly Match[],
): Difference[] {
  return plan.flatMap((match) => {
    const made = state.connections.find((connection) => connection.kitEnd === match.kitEnd)
    const planned = match.target ?? { closed: 'cap' as const }
    if (!made || sameTarget(made.to, planned)) return []
    const accepted = state.accepted[differenceKey(match.kitEnd, made.to)]
    return [
      {
        kitEnd: match.kitEnd,
        planned: targetWords(machine, planned, kit),
        built: targetWords(machine, made.to, kit),
        ...(accepted ? { accepted: { reason: accepted.reason, by: accepted.by } } : {}),
      },
    ]
  })
}
