import {
  isJoined,
  joinedId,
  membersOf,
  type Kit,
  type KitEndId,
  type KitMember,
  type PortEnd,
} from '../dossiers/index.ts'

/** Terminators a bus has in all, one at each end of it. */
export const busTerminators = 2

/** Two ports of different kits that are mated. */
export interface PortLink {
  from: KitEndId
  to: KitEndId
  /** Of a bus, which wants its terminators counted over all its kits; else a lead that one kit reads of the other. */
  bus: boolean
}

/** A port with the kit it is of. */
interface Port {
  member: KitMember
  end: PortEnd
  /** As the job names it. */
  id: KitEndId
}

/** What is done with the ports of several kits. */
export interface PortPlan {
  links: PortLink[]
  /** Bus ports that stay, by how each is closed. */
  closures: ReadonlyMap<KitEndId, PortEnd['closedBy']>
}

const plans = new WeakMap<Kit, PortPlan>()

/**
 * How the ports of several kits go together: those that name each other first (`meets`), then the bus ports as one chain in the order of the
 * kits, each kit on it once, its free ends with as many terminators as the whole bus still wants. A kit alone closes its ports as its
 * dossier says.
 */
export function portPlan(kit: Kit): PortPlan {
  const known = plans.get(kit)
  if (known) return known
  const plan = isJoined(kit) ? planned(kit) : { links: [], closures: new Map() }
  plans.set(kit, plan)
  return plan
}

/** Terminators inside a kit's module: what its loom does not add to the two a bus has. */
export function terminatorsInside({ terminators }: Kit): number {
  return terminators === undefined ? 0 : Math.max(0, busTerminators - terminators)
}

/** Ports that a bus comes out at. */
export function busPorts(kit: Kit): PortEnd[] {
  if (kit.terminators === undefined) return []
  return kit.ends.filter((end): end is PortEnd => end.type === 'port' && end.closedBy === 'terminator')
}

function planned(kit: Kit): PortPlan {
  const ports = membersOf(kit).flatMap((member) =>
    member.kit.ends.flatMap((end): Port[] =>
      end.type === 'port' ? [{ member, end, id: joinedId<KitEndId>(member.key, end.id) }] : [],
    ),
  )
  const used = new Set<KitEndId>()
  const links: PortLink[] = []
  const link = (from: Port, to: Port, bus: boolean) => {
    used.add(from.id)
    used.add(to.id)
    links.push({ from: from.id, to: to.id, bus })
  }
  for (const port of ports) {
    const other = used.has(port.id)
      ? undefined
      : ports.find(
          (mate) => mate.member !== port.member && !used.has(mate.id) && (meets(port, mate) || meets(mate, port)),
        )
    if (other) link(port, other, false)
  }
  const closures = new Map<KitEndId, PortEnd['closedBy']>()
  const onBus = membersOf(kit).flatMap((member) => {
    const own = ports.filter((port) => port.member === member && !used.has(port.id) && isBus(port))
    return own.length > 0 ? [{ member, ports: own }] : []
  })
  let chain: typeof onBus = []
  const close = () => {
    const inside = chain.reduce((sum, { member }) => sum + terminatorsInside(member.kit), 0)
    // The ends of the chain first: that is where a bus wants them.
    const free = chain.flatMap((item) => item.ports).filter((port) => !used.has(port.id))
    const ends = [...new Set([...free.slice(-1), ...free])].reverse()
    const wanted = Math.max(0, busTerminators - inside)
    if (chain.length > 1) ends.forEach((port, i) => closures.set(port.id, i < wanted ? 'terminator' : 'cap'))
    chain = []
  }
  for (const item of onBus) {
    const tail = chain.at(-1)?.ports.find((port) => !used.has(port.id))
    const [head] = item.ports
    if (tail && head) link(tail, head, true)
    else close()
    chain.push(item)
  }
  close()
  return { links, closures }
}

function isBus({ member, end }: Port): boolean {
  return busPorts(member.kit).includes(end)
}

function meets(a: Port, b: Port): boolean {
  return (a.end.meets ?? []).some(({ kit, end }) => kit === b.member.kit.id && end === b.end.id)
}
