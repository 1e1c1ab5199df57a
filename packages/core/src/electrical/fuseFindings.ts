import type { DossierPair, FlyingLead, Kit, Machine, RingEnd } from '../dossiers/index.ts'
import { collectFindings } from '../findings/index.ts'
import { currentOf, type Connection, type Finding, type WiringState } from '../wiring/index.ts'
import { judgeFuse, type FuseVerdict } from './chooseFuse.ts'
import { supplyRules, type SupplyRule } from './rules.ts'
import { airAtEnd } from './supplyOf.ts'
import { supplyWords, type SupplyFacts } from './words.ts'

/**
 * The fuse of a feed where it is joined, or would be by the plan: it blows before the wire burns, and carries what hangs on it.
 * @returns null for a feed without a fuse in its lead
 */
export function judgeFeedFuse(
  machine: Machine,
  kit: Kit,
  end: FlyingLead | RingEnd,
  made: Pick<Connection, 'to' | 'fuseA'> | undefined,
): FuseVerdict | null {
  const fuseA = made?.fuseA ?? (end.type === 'ring' ? end.fuseA : undefined)
  if (fuseA === undefined) return null
  const airC = airAtEnd(machine, made ? [{ kitEnd: end.id, target: made.to }] : [], end.id)
  return judgeFuse(fuseA, {
    continuousA: currentOf(kit, end),
    areaMm2: end.areaMm2,
    ambientC: airC,
    bundled: true,
  })
}

/** Feeds whose fuse is larger than their wire can carry in the air it lies in, or smaller than their load wants. */
export function fuseFindings(
  { machine, kit }: DossierPair,
  { connections }: Pick<WiringState, 'connections'>,
): Finding<SupplyRule>[] {
  const { findings, say } = collectFindings<SupplyFacts, Finding['at']>(supplyRules, supplyWords)
  for (const made of connections) {
    const end = kit.ends.find((item) => item.id === made.kitEnd)
    if (end?.type !== 'ring' && end?.type !== 'flying-lead') continue
    const judged = judgeFeedFuse(machine, kit, end, made)
    if (!judged || judged.kind === 'right') continue
    const own = end.type === 'ring' && end.fuseA !== judged.fuseA ? end.fuseA : undefined
    const ownIsRight =
      own !== undefined && judgeFeedFuse(machine, kit, end, { to: made.to, fuseA: own })?.kind === 'right'
    say(
      judged.kind === 'over-wire' ? 'fuse-over-wire' : 'fuse-under-load',
      { kitEnd: end.id },
      { end: end.name, verdict: judged, kitA: ownIsRight ? own : null },
    )
  }
  return findings
}
