import {
  inSentence,
  joinedId,
  membersOf,
  type FlyingLead,
  type Kit,
  type KitEnd,
  type KitEndId,
  type KitMember,
  type Machine,
  type PortEnd,
} from '../dossiers/index.ts'
import { solveAssignment } from '../shared/index.ts'
import { feedLinks, type FeedLink } from './feedLinks.ts'
import { currentOf } from './judgePlace.ts'
import { candidateCost, candidatesOf, costParts, judgeCandidate, modulePoint, type Candidate } from './matchCost.ts'
import { closureReason, reasonsFor } from './matchReasons.ts'
import type { ConnectionTarget } from './model.ts'
import { sameTarget } from './places.ts'
import { portPlan } from './portLinks.ts'
import type { CostPart } from './sortParts.ts'
import { caseWords } from './words.ts'

export interface Match {
  kitEnd: KitEndId
  /** null: this machine has no place for the end; it is capped. */
  target: ConnectionTarget | null
  cost: number
  /** What the cost is made of; empty when everything agrees. */
  breakdown: CostPart[]
  /** Why, in the order a person would say it. */
  reasons: string[]
  /** Next best place and how much worse the whole assignment gets with it; null when there is none. */
  second: { target: ConnectionTarget | null; margin: number } | null
  /** Other ends it may change places with. */
  swapsWith: KitEndId[]
  /** Chosen by a person, not by cost. */
  locked: boolean
}

/** A place a person has chosen for an end; null: it stays capped. */
export interface MatchLock {
  kitEnd: KitEndId
  to: ConnectionTarget | null
}

const nowhere = { needed: 24, spare: 9 }
const impossible = 1e6

type Placed = Exclude<KitEnd, { type: 'port' | 'vent' | 'plug' }>

/** One end to be placed, with the kit it is of. */
interface Row {
  member: KitMember
  end: Placed
  /** As the job names it. */
  id: KitEndId
}

/** A place, and the kit whose ends may take it; what only one end of all can take stands once, for all. */
type Column = Candidate & { key: string }

/**
 * Which end of the kit loom belongs where: the assignment of all ends together that costs least, locked choices kept. No end is
 * put where the check would stop it: what finds no lawful place has none. Both leads of a cut wire are one item, as an inline pair
 * is; a post takes several rings and a wire several leads. Ports are closed and plugs go into their own socket. Ties go to the first
 * in the document, so that runs repeat. Of several kits (`joinKits`) all ends are placed together: pairs of two may stand on one plug, an empty
 * cavity takes one pin, and what they draw from a circuit is charged to it together.
 */
export function proposeMatches(machine: Machine, kit: Kit, locks: readonly MatchLock[] = []): Match[] {
  const members = membersOf(kit)
  const shared = new Map(feedLinks(kit, new Set(locks.map(({ kitEnd }) => kitEnd))).map((link) => [link.from, link]))
  const rows = members.flatMap((member): Row[] =>
    member.kit.ends.flatMap((end): Row[] => {
      const id = joinedId<KitEndId>(member.key, end.id)
      return end.type !== 'port' && end.type !== 'vent' && end.type !== 'plug' && !isCutPartner(end) && !shared.has(id)
        ? [{ member, end, id }]
        : []
    }),
  )
  const every = members.flatMap(({ key, kit: own }, i): Column[] =>
    candidatesOf(machine, own).flatMap((candidate) =>
      candidate.kind === 'spare' && i > 0 ? [] : [{ ...candidate, key }],
    ),
  )
  const points = new Map(members.map((member) => [member.key, modulePoint(machine, member.kit)]))
  const lockOf = ({ id }: Row) => locks.find((item) => item.kitEnd === id)
  const priceOf = (row: Row, candidate: Column): number => {
    const { member, end } = row
    const lock = lockOf(row)
    return (candidate.key !== member.key && candidate.kind !== 'spare') ||
      (lock && (lock.to === null || !sameTarget(lock.to, candidate.target)))
      ? impossible
      : Math.min(impossible, candidateCost(machine, member.kit, end, candidate, points.get(member.key)))
  }
  // A place that no end can take is none: most wires of a machine.
  const priced = every.map((candidate) => ({ candidate, prices: rows.map((row) => priceOf(row, candidate)) }))
  const open = priced.filter(({ prices }) => prices.some((price) => price < impossible))
  const candidates = open.map(({ candidate }) => candidate)
  const cost = rows.map((row, i) => {
    const lock = lockOf(row)
    return [
      ...open.map(({ prices }) => prices[i]),
      ...rows.map((other) => {
        if (other !== row) return impossible
        // A place fixed by hand that would be stopped is no place: the end stays without one, and its reason says so.
        if (lock) return lock.to === null ? nowhere.spare : impossible / 4
        return row.end.needed ? nowhere.needed : nowhere.spare
      }),
    ]
  })
  const best = withinSpare(rows, candidates, cost)
  const matches = new Map<KitEndId, Match>()
  rows.forEach((row, i) => {
    const { member, end, id } = row
    const column = best.columnOfRow[i]
    const candidate: Candidate | undefined = candidates[column]
    const mates = groupOf(rows, row)
    const taken = mates.map((mate) => best.columnOfRow[rows.indexOf(mate)])
    const second = secondBest(cost, i, sameColumns(candidates, taken), best.total)
    const lock = lockOf(row)
    const match: Match = {
      kitEnd: id,
      target: candidate?.target ?? null,
      cost: candidate ? cost[i][column] : end.needed ? nowhere.needed : nowhere.spare,
      breakdown: candidate ? (costParts(machine, member.kit, end, candidate, points.get(member.key)) ?? []) : [],
      reasons: candidate
        ? reasonsFor(machine, member.kit, end, candidate)
        : [noPlaceReason(machine, member.kit, end, every, lock)],
      second: second === null ? null : { target: candidates[second.column]?.target ?? null, margin: second.margin },
      swapsWith: mates.filter((mate) => mate !== row).map((mate) => mate.id),
      locked: lock !== undefined,
    }
    matches.set(id, match)
    if (end.type === 'flying-lead' && end.cut) {
      const partner = joinedId<KitEndId>(member.key, end.cut.partner)
      matches.set(partner, { ...match, kitEnd: partner })
    }
  })
  const { links, closures } = portPlan(kit)
  return kit.ends.map((end) => {
    const link = links.find(({ from, to }) => from === end.id || to === end.id)
    const feed = shared.get(end.id)
    return (
      matches.get(end.id) ??
      (feed && sharedMatch(end, feed)) ??
      (link
        ? linkedMatch(end, kit, link.from === end.id ? link.to : link.from, link.bus)
        : closedMatch(end, kit, closures.get(end.id)))
    )
  })
}

type Assignment = ReturnType<typeof solveAssignment>

/** Feeds are charged together: while a circuit carries more of them than it can spare, the last of them goes elsewhere. */
function withinSpare(ends: readonly Row[], candidates: readonly Candidate[], cost: number[][]): Assignment {
  for (;;) {
    const best = solveAssignment(cost)
    const loads = new Map<string, { spareA: number; currentA: number; rows: number[] }>()
    ends.forEach(({ end, member }, row) => {
      const candidate: Candidate | undefined = candidates[best.columnOfRow[row]]
      if (end.type !== 'flying-lead' || end.wants.signal !== 'supply-switched' || candidate?.kind !== 'cavity') return
      const { net } = candidate
      if (net.spareA === undefined) return
      const load = loads.get(net.id) ?? { spareA: net.spareA, currentA: 0, rows: [] }
      loads.set(net.id, { ...load, currentA: load.currentA + currentOf(member.kit, end), rows: [...load.rows, row] })
    })
    const over = [...loads].find(([, load]) => load.rows.length > 1 && load.currentA > load.spareA + 1e-9)
    if (!over) return best
    const [net, { rows }] = over
    const row = rows[rows.length - 1]
    candidates.forEach((candidate, column) => {
      if (candidate.kind === 'cavity' && candidate.net.id === net) cost[row][column] = impossible
    })
  }
}

/** Columns that stand for the same places. */
function sameColumns(candidates: readonly Candidate[], columns: readonly number[]): Set<number> {
  const same = new Set(columns)
  for (const column of columns) {
    const place: Candidate | undefined = candidates[column]
    if (place)
      candidates.forEach((candidate, i) => {
        if (sameTarget(candidate.target, place.target)) same.add(i)
      })
  }
  return same
}

/** Why an end has no place: the place chosen for it would be stopped, the machine is another, or it has nothing for it. */
function noPlaceReason(
  machine: Machine,
  kit: Kit,
  end: Placed,
  candidates: readonly Candidate[],
  lock: MatchLock | undefined,
): string {
  const { to } = lock ?? { to: null }
  const chosen = to && candidates.find((candidate) => sameTarget(candidate.target, to))
  const [verdict] = (chosen && judgeCandidate(machine, kit, end, chosen)) ?? []
  if (to)
    return `The place chosen for it is none: ${verdict ? caseWords(verdict).reason : 'such an end cannot go there.'}`
  return kit.fits.includes(machine.id) || kit.fits.length === 0
    ? `${machine.model} has no place for it: cap it.`
    : `No place known here: the kit is not made for ${machine.model}. Cap it.`
}

/** The lead to the ECU's half follows its partner. */
function isCutPartner(end: KitEnd): end is FlyingLead {
  return end.type === 'flying-lead' && end.cut?.half === 'ecu'
}

/** Ends that may change places with this one, itself included. */
function groupOf(rows: readonly Row[], row: Row): Row[] {
  const { end, member } = row
  if (end.type !== 'inline-pair' || end.interchangeable === undefined) return [row]
  return rows.filter(
    (other) =>
      other.member === member && other.end.type === 'inline-pair' && other.end.interchangeable === end.interchangeable,
  )
}

function secondBest(
  cost: readonly (readonly number[])[],
  row: number,
  taken: ReadonlySet<number>,
  bestTotal: number,
): { column: number; margin: number } | null {
  const without = cost.map((line, i) =>
    i === row ? line.map((value, j) => (taken.has(j) ? impossible : value)) : line,
  )
  const other = solveAssignment(without)
  const margin = other.total - bestTotal
  return other.total >= impossible / 2 ? null : { column: other.columnOfRow[row], margin }
}

const busReason = (closure: PortEnd['closedBy']) =>
  closure === 'terminator'
    ? 'The bus ends here: of the two terminators it wants, those inside the modules counted, one is missing.'
    : 'The bus has its two terminators inside the modules already.'

/** A port that is joined to a port of another kit. */
function linkedMatch(end: KitEnd, kit: Kit, to: KitEndId, bus: boolean): Match {
  const other = inSentence(kit.ends.find((item) => item.id === to)?.name ?? to)
  return {
    ...closedMatch(end, kit),
    target: { kitEnd: to },
    reasons: [
      bus
        ? `One bus for both kits: it goes on at ${other}.`
        : `Both kits are on this machine: it is mated to ${other}.`,
    ],
  }
}

/** A feed on the relay that another kit brings. */
function sharedMatch(end: KitEnd, { to, owner, outlet, user, end: lead }: FeedLink): Match {
  return {
    ...closedMatch(end, user.kit),
    target: { kitEnd: to },
    reasons: [
      `One relay and one fuse wake both: ${currentOf(user.kit, lead)} A of the ${outlet.givesA ?? 0} A that ${inSentence(outlet.name)} of the ${owner.kit.model} gives.`,
      'No second joint in the lamp wire, and nothing more for it to carry.',
    ],
  }
}

function closedMatch(end: KitEnd, kit: Kit, closure?: PortEnd['closedBy']): Match {
  const target: ConnectionTarget =
    end.type === 'plug'
      ? { kitEnd: end.into }
      : end.type === 'vent'
        ? { open: true }
        : { closed: closure ?? (end.type === 'port' ? end.closedBy : 'cap') }
  return {
    kitEnd: end.id,
    target,
    cost: 0,
    breakdown: [],
    reasons: closure ? [busReason(closure)] : closureReason(end, kit),
    second: null,
    swapsWith: [],
    locked: false,
  }
}
