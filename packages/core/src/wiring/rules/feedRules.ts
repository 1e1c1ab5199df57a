import { cavityKey, type FlyingLead, type NetId } from '../../dossiers/index.ts'
import { currentOf } from '../judgePlace.ts'
import type { CheckScene } from '../scene.ts'

/** Leads that each find enough on a circuit may take too much of it together. */
export function sharedFeedFindings({ say, kit, index, connections }: CheckScene): void {
  const onNet = new Map<NetId, { end: FlyingLead; currentA: number }[]>()
  for (const { kitEnd, to } of connections) {
    const end = kit.ends.find((item) => item.id === kitEnd)
    if (end?.type !== 'flying-lead' || end.wants.signal !== 'supply-switched') continue
    if (!('connector' in to) || !('cavity' in to)) continue
    const net = index.wireInCavity.get(cavityKey(to.connector, to.cavity))?.net
    if (net !== undefined) onNet.set(net, [...(onNet.get(net) ?? []), { end, currentA: currentOf(kit, end) }])
  }
  for (const [id, leads] of onNet) {
    const net = index.nets.get(id)
    const sum = Math.round(leads.reduce((total, lead) => total + lead.currentA, 0) * 1000) / 1000
    if (leads.length < 2 || net?.spareA === undefined || sum <= net.spareA) continue
    if (leads.some((lead) => lead.currentA > (net.spareA ?? 0))) continue
    say(
      'feed-over-spare',
      { kitEnd: leads[leads.length - 1].end.id },
      { ends: leads.map((lead) => lead.end.name), circuit: net.name, amps: sum, spareA: net.spareA },
    )
  }
}
