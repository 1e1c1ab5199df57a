import type { DossierPair, KitTrim, Machine } from '../dossiers/index.ts'

/** What a trim is fitted on and towards. */
export interface TrimBasis {
  trim: KitTrim
  target: NonNullable<Machine['target']>
}

/**
 * @returns null where the unit has no fuel table or the machine no mixture to aim at; a two-stroke scavenges, so that a mixture
 * sensor reads lean of what burns: there is nothing on it to trim by
 */
export function trimBasis({ machine, kit }: DossierPair): TrimBasis | null {
  return kit.trim && machine.target && machine.engine.strokes !== 2 ? { trim: kit.trim, target: machine.target } : null
}

/** @throws where there is nothing to trim; callers ask `trimBasis` first */
export function requireTrimBasis(dossiers: DossierPair): TrimBasis {
  const basis = trimBasis(dossiers)
  if (!basis) throw new Error(`fuel-trim: "${dossiers.kit.id}" on "${dossiers.machine.id}" has no fuel table to trim`)
  return basis
}
