import { inSentence, wireAt, wireName, wireShort, type KitEnd, type Kit, type Machine } from '../dossiers/index.ts'
import { solveAssignment } from '../shared/index.ts'
import { candidateCost, candidatesOf, type Candidate } from './matchCost.ts'
import type { ConnectionTarget } from './model.ts'
import { pinCount } from './lookalikes.ts'

export interface Match {
  kitEnd: string
  /** null: this machine has no place for the end; it is capped. */
  target: ConnectionTarget | null
  cost: number
  /** Why, in the order a person would say it. */
  reasons: string[]
  /** Next best place and how much worse the whole assignment gets with it; null when there is none. */
  second: { target: ConnectionTarget | null; margin: number } | null
}

const nowhere = { needed: 24, spare: 9 }
const impossible = 1e6

/**
 * Which end of the kit loom belongs where: the assignment of all ends together that costs least.
 * Ports are closed, not assigned. Ties go to the first in the document, so that runs repeat.
 */
export function proposeMatches(machine: Machine, kit: Kit): Match[] {
  const ends = kit.ends.filter((end) => end.type !== 'port')
  const candidates = candidatesOf(machine)
  const cost = ends.map((end) => [
    ...candidates.map((candidate) => Math.min(impossible, candidateCost(machine, end, candidate))),
    ...ends.map((other) => (other === end ? (end.needed ? nowhere.needed : nowhere.spare) : impossible)),
  ])
  const best = solveAssignment(cost)
  const matches = ends.map((end, row): Match => {
    const column = best.columnOfRow[row]
    const candidate = column < candidates.length ? candidates[column] : null
    const without = cost.map((line, i) =>
      i === row ? line.map((value, j) => (j === column ? impossible : value)) : line,
    )
    const other = solveAssignment(without)
    const otherColumn = other.columnOfRow[row]
    return {
      kitEnd: end.id,
      target: candidate?.target ?? null,
      cost: cost[row][column],
      reasons: candidate ? reasonsFor(machine, end, candidate) : [`${machine.model} has no place for it: cap it.`],
      second:
        other.total >= impossible
          ? null
          : { target: candidates[otherColumn]?.target ?? null, margin: other.total - best.total },
    }
  })
  return kit.ends.map(
    (end) =>
      matches.find((match) => match.kitEnd === end.id) ?? {
        kitEnd: end.id,
        target: { closed: end.type === 'port' ? end.closedBy : 'cap' },
        cost: 0,
        reasons: [
          end.type === 'port' && end.closedBy === 'terminator'
            ? 'The bus needs its terminator here.'
            : 'Keeps water out.',
        ],
        second: null,
      },
  )
}

function reasonsFor(machine: Machine, end: KitEnd, candidate: Candidate): string[] {
  if (candidate.kind === 'stud' && end.type === 'ring') {
    const { stud } = candidate
    const named = end.sheet.some((sheet) => sheet.machine === machine.id && sheet.stud === stud.id)
    return [
      ...(named ? ["the kit's sheet names it"] : []),
      `power ground, ${end.holeMm} mm eye over M${stud.threadMm}`,
      stud.place,
    ]
  }
  if (candidate.kind === 'cavity' && end.type === 'flying-lead') {
    const sheet = end.sheet.find((item) => item.machine === machine.id)
    const { wire, net } = candidate
    return [
      `carries ${inSentence(net.name)}`,
      sheet && wireShort(sheet.colour) === wireShort(wire.colour)
        ? `${wireName(wire.colour)}, as the sheet says`
        : wireName(wire.colour),
      `${wire.areaMm2} mm² wire`,
    ]
  }
  if (candidate.kind === 'connector' && end.type === 'inline-pair') {
    const { connector } = candidate
    const roles = end.lines.map((line) => line.wants.signal.replaceAll('-', ' '))
    const colours = end.lines.flatMap((line) => {
      const wire = wireAt(machine, connector.id, line.cavity)
      return wire && wireShort(wire.colour) === wireShort(line.colour) ? [wireShort(wire.colour)] : []
    })
    return [
      `same signals: ${[...new Set(roles)].join(', ')}`,
      `${pinCount(connector)} pins in both`,
      `${connector.shell.colour} ${connector.shell.outline} shell, key: ${connector.shell.key}`,
      ...(colours.length > 0 ? [`wire colours agree: ${colours.join(', ')}`] : []),
    ]
  }
  return []
}
