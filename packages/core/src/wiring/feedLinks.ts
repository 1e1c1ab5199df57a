import {
  joinedId,
  memberOf,
  membersOf,
  type FlyingLead,
  type Kit,
  type KitEndId,
  type KitMember,
  type Socket,
  type SocketId,
} from '../dossiers/index.ts'
import { currentOf } from './judgePlace.ts'

/** A feed of one kit that hangs on the relay of another. */
export interface FeedLink {
  /** The lead, as the job names it. */
  from: KitEndId
  /** The outlet of the relay, as the job names it. */
  to: SocketId
  owner: KitMember
  outlet: Socket
  user: KitMember
  end: FlyingLead
}

/** A kit's outlet behind its own relay and fuse; null where the place is none. */
export function outletOf(kit: Kit, place: string): { owner: KitMember; outlet: Socket } | null {
  const owner = memberOf(kit, place)
  const outlet = owner?.member.kit.sockets?.find(({ id }) => String(id) === owner.id)
  return owner && outlet?.givesA !== undefined ? { owner: owner.member, outlet } : null
}

/** The lead a kit wakes by and lives from; a kit with a feed of its own from the battery has none, its lead only pulls its coil. */
export function feedLead(kit: Kit): FlyingLead | null {
  if (kit.ends.some((end) => end.type === 'ring' && end.wants.signal === 'supply-always')) return null
  const leads = kit.ends.filter(
    (end): end is FlyingLead => end.type === 'flying-lead' && end.wants.signal === 'supply-switched' && !end.cut,
  )
  const [lead] = leads
  return leads.length === 1 && lead && !lead.intoSpare ? lead : null
}

/**
 * One relay and one fuse for all that wake together: feeds of a job's other kits on the outlet of a relay that one of them brings, in the
 * order of the kits, as long as the outlet gives it.
 * @param fixed ends whose place a person has chosen
 */
export function feedLinks(kit: Kit, fixed: ReadonlySet<KitEndId> = new Set()): FeedLink[] {
  const members = membersOf(kit)
  const links: FeedLink[] = []
  for (const owner of members)
    for (const outlet of owner.kit.sockets ?? []) {
      let left = outlet.givesA ?? 0
      for (const user of members) {
        if (user === owner || user.present) continue
        const end = feedLead(user.kit)
        if (!end) continue
        const from = joinedId<KitEndId>(user.key, end.id)
        const takes = currentOf(user.kit, end)
        if (fixed.has(from) || takes > left + 1e-9 || links.some((link) => link.from === from)) continue
        left -= takes
        links.push({ from, to: joinedId<SocketId>(owner.key, outlet.id), owner, outlet, user, end })
      }
    }
  return links
}
