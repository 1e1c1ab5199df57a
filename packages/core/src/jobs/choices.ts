import type { Kit } from '../dossiers/index.ts'
import {
  joinSchools,
  sameTarget,
  targetWords,
  type ConnectionTarget,
  type JoinSchool,
  type Match,
  type MatchLock,
} from '../wiring/index.ts'
import type { JobDossiers, JobState } from './model.ts'

/** A place as one short text, for choices in the journal: `plug/ecu`, `plug/ecu/12`, `stud/frame`, `cap`. */
export function placeText(target: ConnectionTarget | null): string {
  if (target === null || 'closed' in target || 'open' in target) return 'cap'
  if ('stud' in target) return `stud/${target.stud}`
  if ('kitEnd' in target) return `end/${target.kitEnd}`
  return 'cavity' in target ? `plug/${target.connector}/${target.cavity}` : `plug/${target.connector}`
}

/** @returns null for `cap`, undefined for a text that is no place */
export function readPlace(text: string): ConnectionTarget | null | undefined {
  if (text === 'cap') return null
  const [kind, id, cavity] = text.split('/')
  if (!id) return undefined
  if (kind === 'stud') return { stud: id }
  if (kind !== 'plug') return undefined
  if (cavity === undefined) return { connector: id }
  return /^\d+$/.test(cavity) ? { connector: id, cavity: Number(cavity) } : undefined
}

export const placeChoice = (kitEnd: string) => `place.${kitEnd}`
/** Gives the choice back to the plan. */
export const asProposed = 'as proposed'

/** Places a person has fixed for ends of the kit. */
export function locksOf(kit: Kit, state: Pick<JobState, 'choices'>): MatchLock[] {
  return kit.ends.flatMap((end) => {
    const value = state.choices[placeChoice(end.id)]?.value
    if (value === undefined || value === asProposed) return []
    const to = readPlace(value)
    return to === undefined ? [] : [{ kitEnd: end.id, to }]
  })
}

/** How this shop joins wires. */
export function joinSchoolOf(state: Pick<JobState, 'choices'>): JoinSchool {
  const value = state.choices.joining?.value
  return joinSchools.find((school) => school === value) ?? 'by place'
}

/** Names an end at a place, so that an accepted difference ends when the place changes. */
export function differenceKey(kitEnd: string, to: ConnectionTarget): string {
  return `${kitEnd}@${placeText(to)}`
}

export interface Difference {
  kitEnd: string
  planned: string
  built: string
  accepted?: { reason: string; by?: string }
}

/** Where what was built differs from the plan, accepted differences marked. */
export function differences({ machine, kit }: JobDossiers, state: JobState, plan: readonly Match[]): Difference[] {
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
