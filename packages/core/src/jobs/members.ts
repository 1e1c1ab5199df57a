import { isJoined, memberOf, membersOf, type KitEndId, type KitMember } from '../dossiers/index.ts'
import { asId } from '../shared/index.ts'
import {
  connectionPlan,
  feedLinks,
  joinedPlace,
  memberPlan,
  memberWiring,
  placeText,
  type ConnectionTarget,
  type Finding,
  type PlannedPlace,
} from '../wiring/index.ts'
import type { Decisions, JobDossiers, JobState } from './state.ts'

/** One kit of a job, as a job of its own on the same machine. */
export interface MemberJob {
  member: KitMember
  dossiers: JobDossiers
}

/** The kits of a job, each with the machine; of a job with one kit that job itself. */
export function memberJobs(dossiers: JobDossiers): MemberJob[] {
  if (!isJoined(dossiers.kit)) return membersOf(dossiers.kit).map((member) => ({ member, dossiers }))
  return dossiers.kit.members.map((member) => ({ member, dossiers: { ...dossiers, kit: member.kit } }))
}

/**
 * What was decided for one kit of a job, in that kit's own names. Where it goes otherwise than it would alone, for what another kit takes,
 * that is as if somebody had decided it.
 */
export function memberChosen<Chosen extends Pick<JobState, 'decided'>>(
  dossiers: JobDossiers,
  member: KitMember,
  state: Chosen,
): Chosen {
  const { key } = member
  if (key === '') return state
  const { mountPlace: _place, held: _held, kits, ...rest } = state.decided
  const own: Decisions = { ...rest, ...kits?.[key], places: ownRecord(key, state.decided.places) }
  const alone = new Map(
    connectionPlan({ ...dossiers, kit: member.kit }, { decided: own }).map(({ kitEnd, target }) => [kitEnd, target]),
  )
  const places = { ...own.places }
  // What lives from another kit's relay has no place of its own on the machine.
  for (const { from } of feedLinks(dossiers.kit, fixedEnds(state)))
    if (memberOf(dossiers.kit, from)?.member.key === key)
      places[memberOf(dossiers.kit, from)?.id ?? from] = { entry: '', value: { closed: 'cap' } }
  for (const { kitEnd, target } of memberPlan(dossiers.kit, member, connectionPlan(dossiers, state))) {
    const was = alone.get(kitEnd) ?? null
    if (placeText(was) === placeText(target) || (target !== null && !('connector' in target || 'stud' in target)))
      continue
    places[kitEnd] = { entry: '', value: target === null ? { closed: 'cap' } : plannedPlace(target) }
  }
  return { ...state, decided: { ...own, places } }
}

const fixedEnds = ({ decided }: Pick<JobState, 'decided'>) =>
  new Set(Object.keys(decided.places).map((id) => asId<KitEndId>(id)))

function plannedPlace(target: Extract<ConnectionTarget, { connector: unknown } | { stud: unknown }>): PlannedPlace {
  if ('stud' in target) return { stud: target.stud }
  return 'cavity' in target ? { connector: target.connector, cavity: target.cavity } : { connector: target.connector }
}

/** The state of one kit's work in a job, in that kit's own names: what the others are joined to is not in it. */
export function memberState(dossiers: JobDossiers, member: KitMember, state: JobState): JobState {
  const { key } = member
  if (key === '') return state
  const { kit } = dossiers
  const isOwn = (id: string | undefined) => id === undefined || memberOf(kit, id)?.member.key === key
  const plain = <Id extends string>(id: Id): Id => memberOf(kit, id)?.id ?? id
  const plainPlace = <Place extends { kitEnd?: string }>(at: Place): Place =>
    at.kitEnd === undefined ? at : { ...at, kitEnd: plain(at.kitEnd) }
  const wiring = memberWiring(kit, state.connections).find((item) => item.member.key === key)
  return {
    ...memberChosen(dossiers, member, state),
    connections: wiring?.connections ?? [],
    disputes: state.disputes.flatMap((item) => (isOwn(item.kitEnd) ? [{ ...item, kitEnd: plain(item.kitEnd) }] : [])),
    readings: state.readings.flatMap((reading) =>
      isOwn(reading.about?.kitEnd)
        ? [
            {
              ...reading,
              ...(reading.about ? { about: plainPlace(reading.about) } : {}),
              // Cards of an end carry its name within theirs.
              ...(reading.card === undefined ? {} : { card: reading.card.replace(`${key}:`, '') }),
            },
          ]
        : [],
    ),
    found: state.found.flatMap((item) =>
      isOwn(item.about?.kitEnd) ? [item.about ? { ...item, about: plainPlace(item.about) } : item] : [],
    ),
    irreversible: state.irreversible.flatMap((item) =>
      isOwn(item.about?.kitEnd) ? [item.about ? { ...item, about: plainPlace(item.about) } : item] : [],
    ),
    fuses: ownRecord(key, state.fuses),
    accepted: ownRecord(key, state.accepted),
    routes: ownRecord(key, state.routes),
    mounted: state.mountedOf[key] ?? null,
    parts: ownRecord(key, state.parts),
    settings: ownRecord(key, state.settings),
    stepsDone: { ...state.stepsDone, ...ownRecord(key, state.stepsDone) },
  }
}

/** What a record says of one kit, by that kit's own names. */
function ownRecord<T>(key: string, record: Record<string, T>): Record<string, T> {
  const before = `${key}:`
  return Object.fromEntries(
    Object.entries(record).flatMap(([id, value]) => (id.startsWith(before) ? [[id.slice(before.length), value]] : [])),
  )
}

/** Findings of each kit for itself, ends named as the job names them; what is said of the machine by several stands once. */
export function findingsOfMembers<Found extends Finding>(
  dossiers: JobDossiers,
  state: JobState,
  find: (dossiers: JobDossiers, state: JobState, member: KitMember) => Found[],
): Found[] {
  const jobs = memberJobs(dossiers)
  if (!isJoined(dossiers.kit)) return jobs.flatMap(({ member }) => find(dossiers, state, member))
  const seen = new Set<string>()
  return jobs.flatMap(({ member, dossiers: own }) =>
    find(own, memberState(dossiers, member, state), member).flatMap((finding): Found[] => {
      const said = `${finding.rule} ${JSON.stringify(finding.at)} ${finding.reason}`
      if (finding.at.kitEnd === undefined && seen.has(said)) return []
      seen.add(said)
      return [{ ...finding, at: joinedPlace(member, finding.at) }]
    }),
  )
}

/** The kit that a step, an end or a part is of, as a job of its own; the first where it is the machine's. */
export function jobOf(dossiers: JobDossiers, id: string): MemberJob {
  const key = memberOf(dossiers.kit, id)?.member.key
  const jobs = memberJobs(dossiers)
  const found = jobs.find(({ member }) => member.key === key) ?? jobs[0]
  if (!found) throw new Error('jobs: a job has at least one kit')
  return found
}
