import { joinedId, memberOf, membersOf, type Kit, type KitEndId, type KitMember } from '../dossiers/index.ts'
import type { Connection, ConnectionTarget, FindingPlace } from './model.ts'
import type { Match } from './proposeMatches.ts'

/** What of a job's wiring is one kit's own, by the names that kit has for its ends. */
export interface MemberWiring<Made extends Connection = Connection> {
  member: KitMember
  connections: Made[]
}

/** Connections by kit, each in its own kit's names. What goes into another kit is in none of them: {@link crossLinks}. */
export function memberWiring<Made extends Connection>(kit: Kit, connections: readonly Made[]): MemberWiring<Made>[] {
  return membersOf(kit).map((member) => ({
    member,
    connections: connections.flatMap((made) => {
      const own = memberOf(kit, made.kitEnd)
      if (own?.member.key !== member.key) return []
      const to = ownTarget(kit, member, made.to)
      return to ? [{ ...made, kitEnd: own.id, to }] : []
    }),
  }))
}

/** A place in the names of one kit; null for one in another kit. */
function ownTarget(kit: Kit, member: KitMember, to: ConnectionTarget): ConnectionTarget | null {
  if (!('kitEnd' in to)) return to
  const into = memberOf(kit, to.kitEnd)
  return into?.member.key === member.key ? { kitEnd: into.id } : null
}

/** Ends of one kit that go into another. */
export function crossLinks<Made extends { kitEnd: KitEndId; to: ConnectionTarget | null }>(
  kit: Kit,
  connections: readonly Made[],
): { kitEnd: KitEndId; to: KitEndId }[] {
  return connections.flatMap(({ kitEnd, to }) => {
    if (to === null || !('kitEnd' in to)) return []
    const [from, into] = [memberOf(kit, kitEnd), memberOf(kit, to.kitEnd)]
    // oxlint-disable-next-line typescript/consistent-type-assertions -- an end or a socket of the kit
    return from && into && from.member.key !== into.member.key ? [{ kitEnd, to: to.kitEnd as KitEndId }] : []
  })
}

/** The plan of one kit, in its own names; an end that goes into another kit is not in it. */
export function memberPlan(kit: Kit, member: KitMember, plan: readonly Match[]): Match[] {
  return plan.flatMap((match): Match[] => {
    const own = memberOf(kit, match.kitEnd)
    if (own?.member.key !== member.key) return []
    const target = match.target && ownTarget(kit, member, match.target)
    if (match.target && !target) return []
    const plain = (id: KitEndId) => memberOf(kit, id)?.id ?? id
    return [{ ...match, kitEnd: own.id, target, swapsWith: match.swapsWith.map(plain) }]
  })
}

/** The place of a finding in the names of the whole job. */
export function joinedPlace({ key }: KitMember, at: FindingPlace): FindingPlace {
  return at.kitEnd === undefined ? at : { ...at, kitEnd: joinedId(key, at.kitEnd) }
}
