import type { Kit, Machine } from '../dossiers/index.ts'
import { proposeMatches } from '../wiring/index.ts'

/** How a kit would go on a machine. */
export interface Fit {
  /** The kit's own sheet names the machine. */
  declared: boolean
  /** Ends that go onto the machine, and how many of them have a lawful place. */
  ends: number
  placed: number
  /** Ends the kit does not work without that have none. */
  missing: string[]
  /** What the whole matching would lose with the second best place of its least certain end; null where nothing else is lawful. */
  margin: number | null
  /** The least certain end. */
  weakest: string | null
}

/** Matches a kit's ends with a machine as if its sheet named it. */
export function fitOf(machine: Machine, kit: Kit): Fit {
  const declared = kit.fits.includes(machine.id)
  const matches = proposeMatches(machine, declared ? kit : { ...kit, fits: [...kit.fits, machine.id] })
  const ends = new Map(kit.ends.map((end) => [end.id, end]))
  const onMachine = matches.flatMap((match) => {
    const end = ends.get(match.kitEnd)
    return end && end.type !== 'port' && end.type !== 'vent' && end.type !== 'plug' ? [{ match, end }] : []
  })
  const placed = onMachine.filter(({ match }) => match.target !== null)
  let weakest: { margin: number; name: string } | null = null
  for (const { match, end } of placed)
    if (match.second && (weakest === null || match.second.margin < weakest.margin))
      weakest = { margin: match.second.margin, name: `${end.tag}, ${end.name}` }
  return {
    ...{ declared, ends: onMachine.length, placed: placed.length },
    missing: onMachine
      .filter(({ match, end }) => match.target === null && end.needed)
      .map(({ end }) => `${end.tag}, ${end.name}`),
    ...{ margin: weakest?.margin ?? null, weakest: weakest?.name ?? null },
  }
}
