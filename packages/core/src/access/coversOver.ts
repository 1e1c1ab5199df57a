import type { AccessWay, CoverId, Machine, Passage } from '../dossiers/index.ts'
import { findTarget, waysTo } from './compileAccess.ts'

/**
 * Covers that are off while something is laid in a passage: those written down for it, else what no way to its ends leaves on.
 * Covers that must be off before these are not in it.
 */
export function coversOver(machine: Machine, passage: Passage): CoverId[] {
  if (passage.under) return passage.under
  return [...new Set([passage.from, passage.to].flatMap((end) => takenAnyway(machine, end)))]
}

/** Of a zone what each of its ways takes off; of a spot what each way to a thing there does, for all things there. */
function takenAnyway(machine: Machine, point: string): CoverId[] {
  const spot = machine.spots?.find(({ id }) => id === point)
  if (!spot) return inAll((machine.ways ?? []).filter(({ to }) => 'zone' in to && to.zone === point))
  return spot.serves.flatMap((item) => {
    const target = findTarget(
      machine,
      'connector' in item
        ? `connector:${item.connector}`
        : 'stud' in item
          ? `stud:${item.stud}`
          : `place:${item.place}`,
    )
    return target ? inAll(waysTo(machine, target)) : []
  })
}

function inAll(ways: readonly AccessWay[]): CoverId[] {
  const [first, ...others] = ways
  return first ? first.needs.filter((id) => others.every((way) => way.needs.includes(id))) : []
}
