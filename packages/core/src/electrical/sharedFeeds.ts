import { memberOf, type JoinedKit, type KitEndId, type Machine } from '../dossiers/index.ts'
import { crossLinks, currentOf, outletOf, type ConnectionTarget, type Match } from '../wiring/index.ts'
import { ampacityA, fuseOverLoad } from './chooseFuse.ts'
import { conductorTemperatureC, insulationC } from './supplyLine.ts'
import { airAtEnd, milli, netOfMatch, supplyOf } from './supplyOf.ts'
import { atMost, dropLimitsV, type Verdict } from './verdict.ts'
import { runResistanceOhm } from './wireRun.ts'

/** One relay and one fuse that several kits live from. */
export interface SharedFeed {
  /** Key of the kit that brings the relay. */
  owner: string
  /** The outlet, as it is called, with its kit. */
  name: string
  users: { kitEnd: KitEndId; name: string; kit: string; currentA: number }[]
  /** All of them together, the owner too, A: for good, and in the first half minute of cold heaters. */
  sumA: number
  inrushA: number
  /** What the switched circuit gives now, and what it would give to each on its own, A. */
  coil: { circuit: string; withA: number; withoutA: number } | null
  checks: Verdict[]
}

/**
 * What hangs together on one relay, summed and judged: against what the outlet gives, the kit's fuse, its wire, its drop.
 * @param made ends with where they are, as planned or as built
 * @param plan of the whole job, for where the feed lies
 */
export function sharedFeeds(
  machine: Machine,
  kit: JoinedKit,
  made: readonly { kitEnd: KitEndId; to: ConnectionTarget | null }[],
  plan: readonly Match[],
): SharedFeed[] {
  const byOutlet = new Map<string, KitEndId[]>()
  for (const { kitEnd, to } of crossLinks(kit, made))
    if (outletOf(kit, to)) byOutlet.set(to, [...(byOutlet.get(to) ?? []), kitEnd])
  return [...byOutlet].flatMap(([place, ends]): SharedFeed[] => {
    const found = outletOf(kit, place)
    if (!found) return []
    const { owner, outlet } = found
    const { feed, coil, continuousA, inrushA } = supplyOf(owner.kit)
    const users = ends.flatMap((id) => {
      const own = memberOf(kit, id)
      const end = own?.member.kit.ends.find((item) => item.id === own.id)
      return own && end?.type === 'flying-lead'
        ? [
            {
              ...{ kitEnd: id, name: end.name, kit: own.member.kit.model, cold: end.coldA ?? 0 },
              currentA: currentOf(own.member.kit, end),
            },
          ]
        : []
    })
    const taken = users.reduce((sum, user) => sum + user.currentA, 0)
    const sumA = milli(continuousA + taken)
    const ownPlan = plan.flatMap((match) => {
      const own = memberOf(kit, match.kitEnd)
      return own?.member === owner ? [{ ...match, kitEnd: own.id }] : []
    })
    const checks = [
      atMost('What hangs on the outlet', milli(taken), outlet.givesA ?? 0, 'A', "the kit's dossier"),
      ...(feed && 'fuseA' in feed && feed.fuseA !== undefined
        ? [
            atMost(
              `All of it against the fuse, ${fuseOverLoad} times`,
              milli(sumA * fuseOverLoad),
              feed.fuseA,
              'A',
              'a blade fuse carries 1 / 1.35 of its rating for good',
            ),
          ]
        : []),
      ...(feed ? feedChecks(machine, ownPlan, feed, sumA) : []),
    ]
    const circuit = coil && netOfMatch(machine, ownPlan, coil.id)
    const coilA = coil ? currentOf(owner.kit, coil) : 0
    return [
      {
        owner: owner.key,
        name: `${outlet.name} of the ${owner.kit.model}`,
        users: users.map(({ cold: _cold, ...user }) => user),
        sumA,
        inrushA: milli(inrushA + users.reduce((sum, user) => sum + Math.max(user.cold, user.currentA), 0)),
        coil: circuit ? { circuit: circuit.name, withA: coilA, withoutA: milli(coilA + taken) } : null,
        checks,
      },
    ]
  })
}

function feedChecks(
  machine: Machine,
  plan: readonly Match[],
  feed: { id: KitEndId; breakOutM: number; branchM: number; areaMm2: number },
  sumA: number,
): Verdict[] {
  const air = airAtEnd(machine, plan, feed.id)
  const lengthM = feed.breakOutM + feed.branchM
  const warm = Math.min(conductorTemperatureC(sumA, feed.areaMm2, air, true), insulationC)
  return [
    atMost(
      `All of it against the feed wire, ${feed.areaMm2} mm²`,
      sumA,
      milli(ampacityA(feed.areaMm2, air, true)),
      'A',
      'thin-walled vehicle wire, 105 °C',
    ),
    atMost(
      `Drop of the feed with all of it, ${lengthM.toFixed(2)} m`,
      milli(runResistanceOhm(lengthM, feed.areaMm2, warm) * sumA),
      dropLimitsV.feed,
      'V',
      'general practice: a feed loses less than 0.3 V',
    ),
  ]
}
