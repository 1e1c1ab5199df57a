import { planAccess, findTarget } from '../access/index.ts'
import { hazardKinds, type HazardKind, type Machine, type MountPlace } from '../dossiers/index.ts'
import type { LaidLoom } from './model.ts'
import type { MountPractice } from './mountPractices.ts'

export interface PlaceFacts {
  /** To get at it again, min. */
  serviceMin: number
  /** Something must be unscrewed for it. */
  tools: boolean
  hidden: boolean
  lampSeen: boolean
  dash: boolean
}

export interface RankedPlace extends LaidLoom {
  facts: PlaceFacts
  rank: number
  feasible: boolean
  /** Nothing that can be done is better in one way without being worse in another. */
  compromise: boolean
  /** One sentence: why not this one; empty for the first. */
  lost: string
  /** What it is better at than the first. */
  better: string[]
}

const dangerNames: Record<HazardKind, [string, string]> = {
  hot: ['hot stretch', 'hot stretches'],
  moving: ['moving part', 'moving parts'],
  pinch: ['pinch', 'pinches'],
  sharp: ['sharp edge', 'sharp edges'],
  wet: ['wet stretch', 'wet stretches'],
  vibration: ['shaking stretch', 'shaking stretches'],
  barred: ['barred stretch', 'barred stretches'],
}

/** Dangers by kind and count, in words; with `than` only what there is more of. */
export function dangerWords(dangers: LaidLoom['dangers'], than: LaidLoom['dangers'] = {}): string {
  return hazardKinds
    .flatMap((kind) => {
      const count = (dangers[kind] ?? 0) - (than[kind] ?? 0)
      return count > 0 ? [`${count} ${dangerNames[kind][count === 1 ? 0 : 1]}`] : []
    })
    .join(', ')
}

/** What it takes to get at a place again, by the covers of the machine. */
export function placeFacts(machine: Machine, place: MountPlace): PlaceFacts {
  const target = findTarget(machine, `place:${place.id}`)
  const plan = target && machine.covers ? planAccess(machine, [target], {}) : null
  const removals = plan?.removals ?? []
  return {
    serviceMin: Math.round(removals.reduce((sum, { cover }) => sum + cover.off.likely + cover.on.likely, 0) * 10) / 10,
    tools: removals.some(({ tools }) => tools.length > 0),
    hidden: place.hidden ?? false,
    lampSeen: place.lampSeen ?? false,
    dash: place.dash ?? false,
  }
}

interface Criterion {
  of: (place: Laid) => number
  /** The two figures in words, first the one that is better. */
  says: (better: Laid, worse: Laid) => string
}
type Laid = LaidLoom & { facts: PlaceFacts }

const metres = (value: number) => `${value.toFixed(2)} m`
const criteria = {
  extension: {
    of: (place) => place.extensions,
    says: (a, b) =>
      a.extensions === 0
        ? `every branch reaches, there ${b.extensions === 1 ? 'one wants' : `${b.extensions} want`} ${metres(b.extensionM)} of extension`
        : `${a.extensions} extensions (${metres(a.extensionM)}) against ${b.extensions} (${metres(b.extensionM)})`,
  },
  tools: {
    of: (place) => (place.facts.tools ? 1 : 0),
    says: () => 'reached without tools, there something is unscrewed',
  },
  hidden: { of: (place) => (place.facts.hidden ? 0 : 1), says: () => 'out of sight, there it is seen' },
  dash: { of: (place) => (place.facts.dash ? 0 : 1), says: () => 'in view and reach while driving' },
  hazardScore: {
    of: (place) => Math.round(place.hazardScore * 10),
    says: (a, b) => {
      const more = dangerWords(b.dangers, a.dangers)
      return `fewer dangers on the way${more === '' ? ', and shorter beside them' : `, there ${more} more`}`
    },
  },
  work: {
    of: (place) => Math.round(place.workMin),
    says: (a, b) => `${Math.round(b.workMin - a.workMin)} min less work at bulkheads`,
  },
  service: {
    of: (place) => Math.round(place.facts.serviceMin),
    says: (a, b) => `got at again in ${Math.round(a.facts.serviceMin)} min, there in ${Math.round(b.facts.serviceMin)}`,
  },
  lamp: { of: (place) => (place.facts.lampSeen ? 0 : 1), says: () => 'its lamp is seen' },
  length: {
    of: (place) => Math.round(place.branches.reduce((sum, branch) => sum + branch.lengthM, place.trunk.lengthM) * 10),
    says: () => 'a shorter way',
  },
} satisfies Record<string, Criterion>
type CriterionName = keyof typeof criteria

/** What is looked at first, by school. */
const orders: Record<MountPractice, CriterionName[]> = {
  'reachable without tools': ['extension', 'tools', 'hazardScore', 'service', 'work', 'lamp', 'hidden', 'length'],
  'hidden from view': ['hidden', 'extension', 'hazardScore', 'work', 'tools', 'service', 'lamp', 'length'],
  'dash for tuning, stowed after': ['dash', 'extension', 'lamp', 'hazardScore', 'work', 'service', 'tools', 'length'],
}
/** Over these nothing may be lost for a place to be a compromise of its own. */
const paretoOver: CriterionName[] = ['extension', 'tools', 'hidden', 'hazardScore', 'work', 'service', 'lamp']

/**
 * Places in order of the shop's school, those that cannot be done last. Marked are the few of which none is beaten in everything
 * that counts, and each says why it is not the first and what it is better at.
 */
export function rankPlaces(machine: Machine, laid: readonly LaidLoom[], school: MountPractice): RankedPlace[] {
  const all = laid.map((loom) => ({ ...loom, facts: placeFacts(machine, loom.place) }))
  const done = (loom: Laid) => loom.against.length === 0
  const order = orders[school]
  const sorted = [...all].sort((a, b) => {
    if (done(a) !== done(b)) return done(a) ? -1 : 1
    if (!done(a) && a.against.length !== b.against.length) return a.against.length - b.against.length
    for (const name of order) {
      const difference = criteria[name].of(a) - criteria[name].of(b)
      if (difference !== 0) return difference
    }
    return a.place.id < b.place.id ? -1 : 1
  })
  const possible = sorted.filter(done)
  const [first] = sorted
  return sorted.map((loom, rank): RankedPlace => {
    const decided = order.find((name) => criteria[name].of(first) !== criteria[name].of(loom))
    return {
      ...loom,
      rank: rank + 1,
      feasible: done(loom),
      compromise: done(loom) && !possible.some((other) => dominates(other, loom)),
      lost:
        rank === 0
          ? ''
          : !done(loom)
            ? loom.against[0]
            : decided
              ? `${first.place.name}: ${criteria[decided].says(first, loom)}.`
              : `As good as ${first.place.name}.`,
      better:
        rank === 0 || !done(loom)
          ? []
          : order
              .filter((name) => criteria[name].of(loom) < criteria[name].of(first))
              .map((name) => criteria[name].says(loom, first).replaceAll('there', 'at the first')),
    }
  })
}

/** At least as good in everything that counts and better in something. */
export function dominates(a: Laid, b: Laid): boolean {
  let better = false
  for (const name of paretoOver) {
    const difference = criteria[name].of(a) - criteria[name].of(b)
    if (difference > 0) return false
    if (difference < 0) better = true
  }
  return better
}
