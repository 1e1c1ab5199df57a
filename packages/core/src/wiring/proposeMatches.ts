import type { FlyingLead, Kit, KitEnd, KitEndId, Machine } from '../dossiers/index.ts'
import { solveAssignment } from '../shared/index.ts'
import { candidateCost, candidatesOf, costParts, modulePoint, type Candidate, type CostPart } from './matchCost.ts'
import { closureReason, reasonsFor } from './matchReasons.ts'
import type { ConnectionTarget } from './model.ts'
import { sameTarget } from './places.ts'

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

type Placed = Exclude<KitEnd, { type: 'port' | 'plug' }>

/**
 * Which end of the kit loom belongs where: the assignment of all ends together that costs least, locked choices kept.
 * Both leads of a cut wire are one item, as an inline pair is. Ports are closed and plugs go into their own socket.
 * Ties go to the first in the document, so that runs repeat.
 */
export function proposeMatches(machine: Machine, kit: Kit, locks: readonly MatchLock[] = []): Match[] {
  const ends = kit.ends.filter((end): end is Placed => end.type !== 'port' && end.type !== 'plug' && !isCutPartner(end))
  const candidates = candidatesOf(machine)
  const from = modulePoint(machine, kit)
  const cost = ends.map((end) => {
    const lock = locks.find((item) => item.kitEnd === end.id)
    return [
      ...candidates.map((candidate) => {
        if (lock && (lock.to === null || !sameTarget(lock.to, candidate.target))) return impossible
        return Math.min(lock ? impossible / 2 : impossible, candidateCost(machine, end, candidate, from))
      }),
      ...ends.map((other) => {
        if (other !== end || (lock && lock.to !== null)) return impossible
        return end.needed ? nowhere.needed : nowhere.spare
      }),
    ]
  })
  const best = solveAssignment(cost)
  const matches = new Map<KitEndId, Match>()
  ends.forEach((end, row) => {
    const column = best.columnOfRow[row]
    const candidate: Candidate | undefined = candidates[column]
    const mates = groupOf(ends, end)
    const taken = new Set(mates.map((mate) => best.columnOfRow[ends.indexOf(mate)]))
    const second = secondBest(cost, row, taken, best.total)
    const locked = locks.some((item) => item.kitEnd === end.id)
    const match: Match = {
      kitEnd: end.id,
      target: candidate?.target ?? null,
      cost: cost[row][column],
      breakdown: candidate ? (costParts(machine, end, candidate, from) ?? []) : [],
      reasons: candidate ? reasonsFor(machine, end, candidate) : [`${machine.model} has no place for it: cap it.`],
      second: second === null ? null : { target: candidates[second.column]?.target ?? null, margin: second.margin },
      swapsWith: mates.filter((mate) => mate !== end).map((mate) => mate.id),
      locked,
    }
    matches.set(end.id, match)
    if (end.type === 'flying-lead' && end.cut) matches.set(end.cut.partner, { ...match, kitEnd: end.cut.partner })
  })
  return kit.ends.map((end) => matches.get(end.id) ?? closedMatch(end, kit))
}

/** The lead to the ECU's half follows its partner. */
function isCutPartner(end: KitEnd): end is FlyingLead {
  return end.type === 'flying-lead' && end.cut?.half === 'ecu'
}

/** Ends that may change places with this one, itself included. */
function groupOf(ends: readonly Placed[], end: Placed): Placed[] {
  if (end.type !== 'inline-pair' || end.interchangeable === undefined) return [end]
  return ends.filter((other) => other.type === 'inline-pair' && other.interchangeable === end.interchangeable)
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

function closedMatch(end: KitEnd, kit: Kit): Match {
  const target: ConnectionTarget =
    end.type === 'plug' ? { kitEnd: end.into } : { closed: end.type === 'port' ? end.closedBy : 'cap' }
  return {
    kitEnd: end.id,
    target,
    cost: 0,
    breakdown: [],
    reasons: closureReason(end, kit),
    second: null,
    swapsWith: [],
    locked: false,
  }
}
