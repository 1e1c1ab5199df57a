import type { FlyingLead, Kit, KitEnd, KitEndId, Machine } from '../dossiers/index.ts'
import { solveAssignment } from '../shared/index.ts'
import { currentOf } from './judgePlace.ts'
import { candidateCost, candidatesOf, costParts, judgeCandidate, modulePoint, type Candidate } from './matchCost.ts'
import { closureReason, reasonsFor } from './matchReasons.ts'
import type { ConnectionTarget } from './model.ts'
import { sameTarget } from './places.ts'
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

/**
 * Which end of the kit loom belongs where: the assignment of all ends together that costs least, locked choices kept. No end is
 * put where the check would stop it: what finds no lawful place has none. Both leads of a cut wire are one item, as an inline pair
 * is; a post takes several rings and a wire several leads. Ports are closed and plugs go into their own socket. Ties go to the first
 * in the document, so that runs repeat.
 */
export function proposeMatches(machine: Machine, kit: Kit, locks: readonly MatchLock[] = []): Match[] {
  const ends = kit.ends.filter(
    (end): end is Placed => end.type !== 'port' && end.type !== 'vent' && end.type !== 'plug' && !isCutPartner(end),
  )
  const candidates = candidatesOf(machine, kit)
  const from = modulePoint(machine, kit)
  const lockOf = (end: KitEnd) => locks.find((item) => item.kitEnd === end.id)
  const cost = ends.map((end) => {
    const lock = lockOf(end)
    return [
      ...candidates.map((candidate) =>
        lock && (lock.to === null || !sameTarget(lock.to, candidate.target))
          ? impossible
          : Math.min(impossible, candidateCost(machine, kit, end, candidate, from)),
      ),
      ...ends.map((other) => {
        if (other !== end) return impossible
        // A place fixed by hand that would be stopped is no place: the end stays without one, and its reason says so.
        if (lock) return lock.to === null ? nowhere.spare : impossible / 4
        return end.needed ? nowhere.needed : nowhere.spare
      }),
    ]
  })
  const best = withinSpare(kit, ends, candidates, cost)
  const matches = new Map<KitEndId, Match>()
  ends.forEach((end, row) => {
    const column = best.columnOfRow[row]
    const candidate: Candidate | undefined = candidates[column]
    const mates = groupOf(ends, end)
    const taken = mates.map((mate) => best.columnOfRow[ends.indexOf(mate)])
    const second = secondBest(cost, row, sameColumns(candidates, taken), best.total)
    const lock = lockOf(end)
    const match: Match = {
      kitEnd: end.id,
      target: candidate?.target ?? null,
      cost: candidate ? cost[row][column] : end.needed ? nowhere.needed : nowhere.spare,
      breakdown: candidate ? (costParts(machine, kit, end, candidate, from) ?? []) : [],
      reasons: candidate
        ? reasonsFor(machine, kit, end, candidate)
        : [noPlaceReason(machine, kit, end, candidates, lock)],
      second: second === null ? null : { target: candidates[second.column]?.target ?? null, margin: second.margin },
      swapsWith: mates.filter((mate) => mate !== end).map((mate) => mate.id),
      locked: lock !== undefined,
    }
    matches.set(end.id, match)
    if (end.type === 'flying-lead' && end.cut) matches.set(end.cut.partner, { ...match, kitEnd: end.cut.partner })
  })
  return kit.ends.map((end) => matches.get(end.id) ?? closedMatch(end, kit))
}

type Assignment = ReturnType<typeof solveAssignment>

/** Feeds are charged together: while a circuit carries more of them than it can spare, the last of them goes elsewhere. */
function withinSpare(
  kit: Kit,
  ends: readonly Placed[],
  candidates: readonly Candidate[],
  cost: number[][],
): Assignment {
  for (;;) {
    const best = solveAssignment(cost)
    const loads = new Map<string, { spareA: number; currentA: number; rows: number[] }>()
    ends.forEach((end, row) => {
      const candidate: Candidate | undefined = candidates[best.columnOfRow[row]]
      if (end.type !== 'flying-lead' || end.wants.signal !== 'supply-switched' || candidate?.kind !== 'cavity') return
      const { net } = candidate
      if (net.spareA === undefined) return
      const load = loads.get(net.id) ?? { spareA: net.spareA, currentA: 0, rows: [] }
      loads.set(net.id, { ...load, currentA: load.currentA + currentOf(kit, end), rows: [...load.rows, row] })
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
    end.type === 'plug'
      ? { kitEnd: end.into }
      : end.type === 'vent'
        ? { open: true }
        : { closed: end.type === 'port' ? end.closedBy : 'cap' }
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
