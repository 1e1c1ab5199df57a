import { machineIndex, type Machine, type ConnectorId } from '../dossiers/index.ts'

type Face = { cavities: readonly { blank?: boolean }[] }

/** Cavities that take a terminal. */
export function pinCount(face: Face): number {
  return face.cavities.filter((cavity) => !cavity.blank).length
}

/** How many pins two faces differ by; plugs of one size with other cavities blanked still mate. */
export function pinsApart(a: Face, b: Face): number {
  if (a.cavities.length === b.cavities.length) return 0
  return Math.abs(pinCount(a) - pinCount(b))
}

/** Whether an airbag circuit runs through a plug: then nothing else is joined in it either. */
export function carriesAirbag(machine: Machine, connector: ConnectorId): boolean {
  return machineIndex(machine).airbagPlugs.has(connector)
}
