import {
  machineIndex,
  wireAt,
  type FlyingLead,
  type Kit,
  type Machine,
  type Net,
  type RingEnd,
} from '../dossiers/index.ts'
import type { Match } from '../wiring/index.ts'

/** How a kit gets its current, by what its loom is made of. */
export interface Supply {
  kind: 'injectors' | 'pairs' | 'control unit' | 'switched lead' | 'battery ring' | 'relay'
  /** What the feed carries for good, A, and in the first half minute of a cold heater. */
  continuousA: number
  inrushA: number
  /** Lead or ring that carries it. */
  feed?: FlyingLead | RingEnd
  /** Lead to the coil of the relay. */
  coil?: FlyingLead
  ground?: FlyingLead | RingEnd
}

/** A wideband's heater draws so much from cold, A, for half a minute. */
const coldHeaterA = 3

/** How the kit is fed and grounded, from its own ends. */
export function supplyOf(kit: Kit): Supply {
  const { module, ends } = kit
  const ring = ends.find((end): end is RingEnd => end.type === 'ring' && end.wants.signal === 'supply-always')
  const lead = ends.find(
    (end): end is FlyingLead => end.type === 'flying-lead' && end.wants.signal === 'supply-switched',
  )
  const ground = ends.find(
    (end): end is FlyingLead | RingEnd =>
      (end.type === 'ring' || end.type === 'flying-lead') && end.wants.signal === 'power-ground',
  )
  const pairs = ends.filter((end) => end.type === 'inline-pair')
  const supplied = (does: 'tap' | 'interrupt') =>
    pairs.some((end) => end.lines.some((line) => line.does === does && line.wants.signal === 'supply-switched'))
  const feed = ring ?? lead
  const draw = feed?.currentA ?? module.supplyA
  const heated = ends.some((end) => end.type === 'plug' && end.far === 'sensor')
  const common = {
    continuousA: draw,
    inrushA: heated ? Math.max(draw, coldHeaterA) : draw,
    ...(ground ? { ground } : {}),
  }
  if (ring && lead) return { kind: 'relay', ...common, feed: ring, coil: lead }
  if (ring) return { kind: 'battery ring', ...common, feed: ring }
  if (lead) return { kind: 'switched lead', ...common, feed: lead }
  if (supplied('interrupt')) return { kind: 'control unit', ...common }
  return { kind: supplied('tap') ? 'injectors' : 'pairs', ...common }
}

/** The circuit an end is joined to by the plan. */
export function netOfMatch(machine: Machine, matches: readonly Match[], kitEnd: string): Net | undefined {
  const { nets, studs } = machineIndex(machine)
  const target = matches.find((match) => match.kitEnd === kitEnd)?.target
  if (!target) return undefined
  if ('stud' in target) return nets.get(studs.get(target.stud)?.net ?? '')
  if (!('cavity' in target)) return undefined
  return nets.get(wireAt(machine, target.connector, target.cavity)?.net ?? '')
}
