import {
  cavityKey,
  machineIndex,
  memberOf,
  wireAt,
  type ConnectorId,
  type JoinedKit,
  type KitEndId,
  type Machine,
} from '../dossiers/index.ts'
import { currentOf, type ConnectionTarget } from '../wiring/index.ts'
import { milli } from './supplyOf.ts'

/** Signals that leads of several kits are joined to at one cavity. */
export interface SharedSignal {
  connector: ConnectorId
  cavity: number
  /** Plug and circuit, in words. */
  where: string
  circuit: string
  ends: { kitEnd: KitEndId; name: string; kit: string; areaMm2: number }[]
  wireMm2: number
  how: 'one joint' | 'a joint each'
  why: string
}

/** Joints in one wire stand no nearer, mm: the wire between bends, and one joint can be mended without the other. */
export const jointsApartMm = 40

/**
 * Where leads of several kits go to one wire: one joint for all where a joint of the kits takes them together, else a joint each, apart.
 */
export function sharedSignals(
  machine: Machine,
  kit: JoinedKit,
  made: readonly { kitEnd: KitEndId; to: ConnectionTarget | null }[],
): SharedSignal[] {
  const index = machineIndex(machine)
  const byWire = new Map<string, { connector: ConnectorId; cavity: number; ends: KitEndId[] }>()
  for (const { kitEnd, to } of made) {
    if (to === null || !('connector' in to) || !('cavity' in to)) continue
    const own = memberOf(kit, kitEnd)
    const end = own?.member.kit.ends.find((item) => item.id === own.id)
    if (end?.type !== 'flying-lead' || end.cut || end.intoSpare) continue
    const key = cavityKey(to.connector, to.cavity)
    const known = byWire.get(key) ?? { connector: to.connector, cavity: to.cavity, ends: [] }
    if (!known.ends.includes(kitEnd)) byWire.set(key, { ...known, ends: [...known.ends, kitEnd] })
  }
  return [...byWire.values()].flatMap(({ connector, cavity, ends }): SharedSignal[] => {
    const leads = ends.flatMap((id) => {
      const own = memberOf(kit, id)
      const end = own?.member.kit.ends.find((item) => item.id === own.id)
      return own && end?.type === 'flying-lead'
        ? [
            {
              ...{ kitEnd: id, name: end.name, kit: own.member.kit.model, areaMm2: end.areaMm2, of: own.member },
              feedA: end.wants.signal.startsWith('supply') ? currentOf(own.member.kit, end) : 0,
            },
          ]
        : []
    })
    if (new Set(leads.map(({ of }) => of)).size < 2) return []
    const plug = index.connectors.get(connector)
    const wire = wireAt(machine, connector, cavity)
    const net = wire && index.nets.get(wire.net)
    const zone = machine.zones.find(({ id }) => id === plug?.zone)
    const together = milli(leads.reduce((sum, { areaMm2 }) => sum + areaMm2, 0))
    const conditions: readonly string[] = zone?.conditions ?? []
    const joint = kit.taps.find(
      (tap) =>
        /sleeve/.test(tap.method) &&
        !tap.barred.some((where) => conditions.includes(where)) &&
        tap.lowMm2 <= together &&
        together <= tap.highMm2,
    )
    const amps = milli(leads.reduce((sum, { feedA }) => sum + feedA, 0))
    const drawn =
      amps === 0
        ? 'They only listen and draw nothing worth counting.'
        : `Together they draw ${amps} A${net?.spareA === undefined ? '' : ` of the ${net.spareA} A the circuit has to spare`}.`
    return [
      {
        ...{ connector, cavity, wireMm2: wire?.areaMm2 ?? 0 },
        where: `${plug?.name ?? connector}, cavity ${cavity}`,
        circuit: net?.name ?? '',
        ends: leads.map(({ of: _of, feedA: _feedA, ...lead }) => lead),
        how: joint ? 'one joint' : 'a joint each',
        why: joint
          ? `One opening in the wire instead of ${leads.length}: a ${joint.method} takes ${together} mm² of leads together. ${drawn}`
          : `No joint of the kits takes ${together} mm² together there: one each, at least ${jointsApartMm} mm apart, so that either can be mended alone.`,
      },
    ]
  })
}
