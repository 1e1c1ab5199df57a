import type { DossierPair } from '../dossiers/index.ts'
import { collectFindings } from '../findings/index.ts'
import type { Finding, WiringState } from '../wiring/index.ts'
import { ampacityA } from './chooseFuse.ts'
import { supplyRules, type SupplyRule } from './rules.ts'
import { airAtEnd } from './supplyOf.ts'

/** Feeds whose fuse is larger than their wire can carry in the air it lies in. */
export function fuseFindings(
  { machine, kit }: DossierPair,
  { connections }: Pick<WiringState, 'connections'>,
): Finding<SupplyRule>[] {
  const { findings, say } = collectFindings<SupplyRule, Finding['at']>(supplyRules)
  for (const made of connections) {
    const end = kit.ends.find((item) => item.id === made.kitEnd)
    const fuseA = made.fuseA ?? (end?.type === 'ring' ? end.fuseA : undefined)
    if (end?.type !== 'ring' || fuseA === undefined) continue
    const airC = airAtEnd(machine, [{ kitEnd: end.id, target: made.to }], end.id)
    const carries = ampacityA(end.areaMm2, airC, true)
    if (fuseA > carries)
      say(
        'fuse-over-wire',
        { kitEnd: end.id },
        `A fuse of ${fuseA} A in ${end.name}: its ${end.areaMm2} mm² at ${airC} °C carry ${carries.toFixed(1)} A, the wire would burn first.`,
        `Put in ${end.fuseA === undefined || end.fuseA > carries ? 'one that the wire bears' : `the kit's own ${end.fuseA} A`}.`,
      )
  }
  return findings
}
