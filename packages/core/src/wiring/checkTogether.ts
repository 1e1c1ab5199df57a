import {
  cavityKey,
  inSentence,
  joinedId,
  machineIndex,
  memberOf,
  netAt,
  rowClash,
  type ConnectorId,
  type InlinePair,
  type JoinedKit,
  type KitEnd,
  type KitEndId,
  type KitMember,
  type Machine,
  type Net,
} from '../dossiers/index.ts'
import { byGravity, collectFindings, type SayOf } from '../findings/index.ts'
import { checkOneKit, type CheckContext } from './checkOneKit.ts'
import { outletOf } from './feedLinks.ts'
import { currentOf } from './judgePlace.ts'
import { crossLinks, joinedPlace, memberPlan, memberWiring, type MemberWiring } from './memberWiring.ts'
import { findingKey, type Connection, type Finding, type FindingPlace } from './model.ts'
import { busPorts, busTerminators, portPlan, terminatorsInside } from './portLinks.ts'
import { proposeMatches } from './proposeMatches.ts'
import { wiringRules, type WiringRule } from './ruleCatalogue.ts'
import { wiringWords, type WiringFacts } from './words.ts'

type Say = SayOf<WiringFacts, FindingPlace>

/** What is asked of the ports of all kits together, not of each. */
const ofPorts = new Set<WiringRule>(['port-open', 'port-wrong-closure', 'bus-terminators'])
/** What is not said of an end that is in another kit. */
const ofLinked = new Set<WiringRule>(['port-open', 'end-open', 'spare-open'])

/**
 * All findings about several kits: each for itself, as if it were alone, and what they do to each other: a circuit that cannot feed both, an
 * empty cavity that both want, plugs on one another, the bus they share.
 * @param kit of several (`joinKits`)
 * @param connections ends named as the job names them
 */
export function checkTogether(
  machine: Machine,
  kit: JoinedKit,
  connections: readonly Connection[],
  { plan = proposeMatches(machine, kit), errata = [] }: CheckContext = {},
): Finding<WiringRule>[] {
  const links = crossLinks(kit, connections)
  const linked = new Set<string>(links.flatMap(({ kitEnd, to }) => [kitEnd, to]))
  const shared = sharedPorts(kit)
  const planned = new Map(
    crossLinks(
      kit,
      plan.map(({ kitEnd, target }) => ({ kitEnd, to: target })),
    ).flatMap(({ kitEnd, to }) => (outletOf(kit, to) ? [[kitEnd, to] as const] : [])),
  )
  const wiring = memberWiring(kit, connections)
  const own = wiring.flatMap(({ member, connections: made }) =>
    checkOneKit(machine, member.kit, made, { plan: memberPlan(kit, member, plan), errata })
      .map((finding) => ({ ...finding, at: joinedPlace(member, finding.at) }))
      .filter(
        ({ rule, at }) =>
          at.kitEnd === undefined ||
          !(
            (ofPorts.has(rule) && shared.has(at.kitEnd)) ||
            (ofLinked.has(rule) && linked.has(at.kitEnd)) ||
            ((rule === 'end-open' || rule === 'spare-open') && planned.has(at.kitEnd))
          ),
      ),
  )
  const { findings: between, say } = collectFindings<WiringFacts, FindingPlace>(wiringRules, wiringWords)
  linkFindings(kit, connections, links, say)
  outletFindings(kit, connections, planned, say)
  busFindings(kit, connections, links, say)
  feedFindings(machine, wiring, say)
  pinFindings(wiring, say)
  stackFindings(machine, wiring, say)
  changeFindings(machine, wiring, say)
  const all = [...own, ...between]
  // What is said of the machine is said once, whichever kit asked.
  const seen = new Set<string>()
  return all
    .filter((finding) => {
      const key = `${findingKey(finding)} ${finding.reason}`
      if (finding.at.kitEnd === undefined && seen.has(key)) return false
      seen.add(key)
      return true
    })
    .sort(byGravity)
}

/** Bus ports that the plan makes one bus of. */
function sharedPorts(kit: JoinedKit): Set<string> {
  const { links, closures } = portPlan(kit)
  return new Set<string>([...links.flatMap(({ from, to }) => [from, to]), ...closures.keys()])
}

/** An end with the name of its kit. */
function ofKit({ kit }: KitMember, end: KitEnd): string {
  return `${end.name} of the ${kit.model}`
}

function named(kit: JoinedKit, id: KitEndId): string {
  const own = memberOf(kit, id)
  const end = own?.member.kit.ends.find((item) => item.id === own.id)
  const socket = own?.member.kit.sockets?.find(({ id }) => String(id) === String(own.id))
  if (!own) return id
  return end ? ofKit(own.member, end) : `${socket?.name ?? own.id} of the ${own.member.kit.model}`
}

/** Ends of two kits that are mated and have nothing to do with each other. */
function linkFindings(
  kit: JoinedKit,
  connections: readonly Connection[],
  links: readonly { kitEnd: KitEndId; to: KitEndId }[],
  say: Say,
): void {
  const wanted = portPlan(kit).links
  const onBus = new Set<string>(
    kit.members.flatMap(({ key, kit: own }) => busPorts(own).map(({ id }) => joinedId(key, id))),
  )
  for (const { kitEnd, to } of links) {
    const asPlanned = wanted.some(
      (link) => (link.from === kitEnd && link.to === to) || (link.to === kitEnd && link.from === to),
    )
    if (!asPlanned && !(onBus.has(kitEnd) && onBus.has(to)) && !isOnOutlet(kit, kitEnd, to))
      say('loom-to-loom', { kitEnd }, { end: named(kit, kitEnd), other: named(kit, to) })
  }
  // A port that is to go on at another kit and was closed instead.
  for (const { from, to } of wanted) {
    if (links.some((link) => [link.kitEnd, link.to].includes(from) && [link.kitEnd, link.to].includes(to))) continue
    for (const [one, other] of [
      [from, to],
      [to, from],
    ] as const) {
      const closed = connections.some((made) => made.kitEnd === one && 'closed' in made.to)
      if (closed) say('closed-but-wanted', { kitEnd: one }, { end: named(kit, one), where: belongs(kit, other) })
    }
  }
  for (const { from, to } of wanted)
    for (const [one, other] of [
      [from, to],
      [to, from],
    ] as const)
      if (
        !links.some((link) => link.kitEnd === one || link.to === one) &&
        !connections.some((made) => made.kitEnd === one)
      )
        say('end-open', { kitEnd: one }, { end: named(kit, one), left: false, where: belongs(kit, other) })
}

/** Whether a lead that is there to bring current is on the outlet of another kit's relay. */
function isOnOutlet(kit: JoinedKit, kitEnd: KitEndId, to: string): boolean {
  const end = kit.ends.find(({ id }) => id === kitEnd)
  return end?.type === 'flying-lead' && end.wants.signal === 'supply-switched' && outletOf(kit, to) !== null
}

/** Feeds on another kit's relay: those that hang open, those that nobody tugged, and those that are too much together. */
function outletFindings(
  kit: JoinedKit,
  connections: readonly Connection[],
  planned: ReadonlyMap<KitEndId, KitEndId>,
  say: Say,
): void {
  for (const [kitEnd, to] of planned)
    if (!connections.some((made) => made.kitEnd === kitEnd))
      say('end-open', { kitEnd }, { end: named(kit, kitEnd), left: false, where: belongs(kit, to) })
  const taken = new Map<string, { ends: KitEndId[]; amps: number }>()
  for (const { kitEnd, to, tugged } of connections) {
    if (!('kitEnd' in to) || !isOnOutlet(kit, kitEnd, to.kitEnd)) continue
    const own = memberOf(kit, kitEnd)
    const end = own?.member.kit.ends.find(({ id }) => id === own.id)
    if (!own || end?.type !== 'flying-lead' || own.member === memberOf(kit, to.kitEnd)?.member) continue
    if (!tugged) say('not-tugged', { kitEnd }, { end: named(kit, kitEnd), plug: false })
    const { ends, amps } = taken.get(to.kitEnd) ?? { ends: [], amps: 0 }
    taken.set(to.kitEnd, { ends: [...ends, kitEnd], amps: amps + currentOf(own.member.kit, end) })
  }
  for (const [place, { ends, amps }] of taken) {
    const found = outletOf(kit, place)
    const last = ends.at(-1)
    const gives = found?.outlet.givesA
    if (last === undefined || gives === undefined || amps <= gives + 1e-9) continue
    say(
      'feed-over-spare',
      { kitEnd: last },
      {
        ends: ends.map((id) => named(kit, id)),
        circuit: `${found?.outlet.name ?? place} of the ${found?.owner.kit.model ?? ''}`,
        amps: Math.round(amps * 1000) / 1000,
        spareA: gives,
      },
    )
  }
}

const belongs = (kit: JoinedKit, to: KitEndId) => `It goes to ${inSentence(named(kit, to))}.`

/** Each bus as it is built has its two terminators, those inside the modules counted. */
function busFindings(
  kit: JoinedKit,
  connections: readonly Connection[],
  links: readonly { kitEnd: KitEndId; to: KitEndId }[],
  say: Say,
): void {
  const shared = sharedPorts(kit)
  const onBus = kit.members.flatMap((member) => {
    const ports = busPorts(member.kit).map(({ id }) => joinedId(member.key, id))
    return ports.some((id) => shared.has(id)) ? [{ member, ports }] : []
  })
  const groups: (typeof onBus)[] = []
  for (const item of onBus) {
    const joined = groups.filter((group) =>
      group.some(({ ports }) =>
        links.some(
          ({ kitEnd, to }) =>
            (ports.includes(kitEnd) && item.ports.includes(to)) || (ports.includes(to) && item.ports.includes(kitEnd)),
        ),
      ),
    )
    for (const group of joined) groups.splice(groups.indexOf(group), 1)
    groups.push([...joined.flat(), item])
  }
  for (const group of groups) {
    const ports = group.flatMap((item) => item.ports)
    const isLinked = (id: KitEndId) => links.some(({ kitEnd, to }) => kitEnd === id || to === id)
    const closureOf = (id: KitEndId) => connections.find((made) => made.kitEnd === id && 'closed' in made.to)?.to
    const open = ports.filter((id) => !isLinked(id) && closureOf(id) === undefined)
    const fitted =
      group.reduce((sum, { member }) => sum + terminatorsInside(member.kit), 0) +
      ports.filter((id) => {
        const to = closureOf(id)
        return to !== undefined && 'closed' in to && to.closed === 'terminator' && !isLinked(id)
      }).length
    for (const id of open) {
      const planned = portPlan(kit).closures.get(id)
      if (planned) say('port-open', { kitEnd: id }, { end: named(kit, id), wants: planned })
    }
    if (fitted === busTerminators || (fitted < busTerminators && open.length > 0)) continue
    say('bus-terminators', { kitEnd: ports[0] }, { fitted, wanted: busTerminators })
  }
}

/** Leads of several kits that each find enough on a circuit may take too much of it together. */
function feedFindings(machine: Machine, wiring: readonly MemberWiring[], say: Say): void {
  const index = machineIndex(machine)
  const onNet = new Map<Net, { member: KitMember; end: KitEnd; currentA: number }[]>()
  for (const { member, connections } of wiring)
    for (const { kitEnd, to } of connections) {
      const end = member.kit.ends.find((item) => item.id === kitEnd)
      if (end?.type !== 'flying-lead' || end.wants.signal !== 'supply-switched') continue
      if (!('connector' in to) || !('cavity' in to)) continue
      const wire = index.wireInCavity.get(cavityKey(to.connector, to.cavity))
      const net = wire && index.nets.get(wire.net)
      if (net) onNet.set(net, [...(onNet.get(net) ?? []), { member, end, currentA: currentOf(member.kit, end) }])
    }
  for (const [net, leads] of onNet) {
    if (net.spareA === undefined || new Set(leads.map(({ member }) => member)).size < 2) continue
    const sum = Math.round(leads.reduce((total, lead) => total + lead.currentA, 0) * 1000) / 1000
    const last = leads[leads.length - 1]
    if (!last || sum <= net.spareA || leads.some((lead) => lead.currentA > (net.spareA ?? 0))) continue
    say(
      'feed-over-spare',
      { kitEnd: joinedId(last.member.key, last.end.id) },
      { ends: leads.map(({ member, end }) => ofKit(member, end)), circuit: net.name, amps: sum, spareA: net.spareA },
    )
  }
}

/** Pins of two kits for one empty cavity. */
function pinFindings(wiring: readonly MemberWiring[], say: Say): void {
  const taken = new Map<string, { member: KitMember; end: KitEnd }>()
  for (const { member, connections } of wiring)
    for (const { kitEnd, to } of connections) {
      const end = member.kit.ends.find((item) => item.id === kitEnd)
      if (end?.type !== 'flying-lead' || !end.intoSpare || !('connector' in to) || !('cavity' in to)) continue
      const key = cavityKey(to.connector, to.cavity)
      const before = taken.get(key)
      if (before && before.member !== member)
        say(
          'pin-occupied',
          { kitEnd: joinedId(member.key, end.id), connector: to.connector, cavity: to.cavity },
          { cavity: to.cavity, circuit: ofKit(before.member, before.end), methods: null },
        )
      else taken.set(key, { member, end })
    }
}

/** Pairs of several kits on one plug stand in a row, which has one first place and one last. */
function stackFindings(machine: Machine, wiring: readonly MemberWiring[], say: Say): void {
  const onPlug = new Map<ConnectorId, { member: KitMember; end: InlinePair }[]>()
  for (const { member, connections } of wiring)
    for (const end of member.kit.ends) {
      if (end.type !== 'inline-pair') continue
      const at = new Set(
        connections.flatMap(({ kitEnd, to }) =>
          kitEnd === end.id && 'connector' in to && !('cavity' in to) ? [to.connector] : [],
        ),
      )
      for (const plug of at) onPlug.set(plug, [...(onPlug.get(plug) ?? []), { member, end }])
    }
  for (const [plug, pairs] of onPlug) {
    const [first, second] = rowClash(pairs) ?? []
    if (first && second && first.member !== second.member)
      say(
        'row-clash',
        { kitEnd: joinedId(second.member.key, second.end.id), connector: plug },
        {
          end: ofKit(second.member, second.end),
          other: ofKit(first.member, first.end),
          plug: machineIndex(machine).connectors.get(plug)?.name ?? plug,
          at: (first.end.deviceHalf && first.end.stands) ?? 'last',
        },
      )
  }
}

/** One signal is changed by one kit. */
function changeFindings(machine: Machine, wiring: readonly MemberWiring[], say: Say): void {
  const changedBy = new Map<Net, { member: KitMember; end: InlinePair }>()
  for (const { member, connections } of wiring)
    for (const end of member.kit.ends) {
      if (end.type !== 'inline-pair') continue
      const plug = connections.find(({ kitEnd, to }) => kitEnd === end.id && 'connector' in to && !('cavity' in to))?.to
      if (!plug || !('connector' in plug)) continue
      for (const { cavity, does } of end.lines) {
        const net = netAt(machine, plug.connector, cavity)
        // Supplies and grounds are switched, not changed.
        if (does !== 'interrupt' || !net || /supply|ground|reference/.test(net.signal)) continue
        const before = changedBy.get(net)
        if (before && before.member !== member) {
          say(
            'changed-twice',
            { kitEnd: joinedId(member.key, end.id), connector: plug.connector },
            { end: ofKit(member, end), other: ofKit(before.member, before.end), circuit: net.name },
          )
          break
        }
        changedBy.set(net, { member, end })
      }
    }
}
