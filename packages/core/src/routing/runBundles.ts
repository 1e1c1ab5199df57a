import { asId } from '../shared/index.ts'
import type { PassageId, LoomPartId } from '../dossiers/index.ts'
import { bundleAreaMm2, bundleDiameterMm, sleeveSizeMm, wireDiameterMm } from './bundles.ts'
import type { LaidLoom, LoomEnd, PassageBundle, RoutedBranch, RoutedTrunk } from './model.ts'
import type { RouteGraph } from './routeGraph.ts'

/** A tie every so far along the loom, m; closer where it shakes or something moves. */
export const tieSpacingM = 0.12
const closeSpacingM = 0.08
/** A branch is free so far before its plug, so that it can be pulled, m. */
export const freeEndM = 0.15

/** The trunk bends out of the module's plug and can be unplugged again, m. */
export const exitM = 0.04

/** The trunk as a part of the loom; branches are called by their ends. */
export const trunkPart = asId<LoomPartId>('trunk')

export type LoomBundle = PassageBundle & {
  /** The trunk and the ends whose wires lie at the thickest place. */
  parts: LoomPartId[]
  /** Where that is, as a share of the passage. */
  at: number
}

/** Where an end leaves the trunk, tenths of a mm from where it has bent out of the module. */
export function breakOutOf(end: Pick<LoomEnd, 'breakOutM'>): number {
  return Math.round(Math.max(0, end.breakOutM - exitM) * 1e4)
}

/** How thick the loom is in every passage it lies in, at the thickest, against what is free there. */
export function bundlesOf(
  graph: RouteGraph,
  ends: readonly LoomEnd[],
  trunk: Pick<RoutedTrunk, 'stretches'>,
  branches: readonly Pick<RoutedBranch, 'stretches' | 'end'>[],
): LoomBundle[] {
  const lying = new Map<string, Lying[]>()
  const add = (passage: PassageId, from: number, to: number, wires: readonly number[], part: LoomPartId) =>
    lying.set(passage, [
      ...(lying.get(passage) ?? []),
      { from: Math.min(from, to), to: Math.max(from, to), wires, part },
    ])
  let passed = 0
  for (const { passage, from, to } of trunk.stretches) {
    const need = graph.edges.find((candidate) => candidate.passage.id === passage)?.need ?? 1
    const until = passed + need * Math.abs(to - from)
    // A wire is in the trunk up to its break-out, where it goes on as its branch; what ends beyond the path's end is bundled there.
    const outs = ends.map(breakOutOf).filter((at) => at > passed && at < until)
    const cuts = [passed, ...[...new Set(outs)].sort((a, b) => a - b), until]
    const at = (along: number) => from + Math.sign(to - from) * ((along - passed) / need)
    cuts.slice(1).forEach((end, i) => {
      const wires = ends.filter((item) => breakOutOf(item) > cuts[i]).flatMap((item) => item.areasMm2)
      add(passage, at(cuts[i]), at(end), wires, trunkPart)
    })
    passed = until
  }
  for (const { stretches, end } of branches)
    for (const { passage, from, to } of stretches) add(passage, from, to, end.areasMm2, end.id)
  return graph.edges.flatMap(({ passage }): LoomBundle[] => {
    const { wires, parts, at } = thickest(lying.get(passage.id) ?? [])
    if (wires.length === 0) return []
    const diameterMm = bundleDiameterMm(wires.map(wireDiameterMm))
    const areaMm2 = bundleAreaMm2(wires)
    const freeMm2 = passage.freeMm2 ?? null
    return [
      {
        passage: passage.id,
        name: passage.name,
        diameterMm: Math.round(diameterMm * 10) / 10,
        areaMm2,
        freeMm2,
        sleeveMm: sleeveSizeMm(diameterMm),
        over: freeMm2 !== null && areaMm2 > freeMm2,
        parts,
        at,
      },
    ]
  })
}

interface Lying {
  from: number
  to: number
  wires: readonly number[]
  part: LoomPartId
}

type Thickest = Pick<LoomBundle, 'parts' | 'at'> & { wires: number[] }

/** The wires at the thickest place of a passage: what lies one behind the other in it does not add up. */
function thickest(lying: readonly Lying[]): Thickest {
  const cuts = [...new Set(lying.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b)
  let most: Thickest = { wires: [], parts: [], at: 0 }
  for (let i = 1; i < cuts.length; i++) {
    if (cuts[i] - cuts[i - 1] < 1e-9) continue
    const middle = (cuts[i] + cuts[i - 1]) / 2
    const here = lying.filter(({ from, to }) => from <= middle && middle <= to)
    const wires = here.flatMap((part) => part.wires)
    if (bundleAreaMm2(wires) > bundleAreaMm2(most.wires))
      most = { wires, parts: [...new Set(here.map(({ part }) => part))], at: middle }
  }
  return most
}

/** Ties along everything that lies there, each stretch counted once however many branches share it; none in the last bit before a plug. */
export function tiesOf(graph: RouteGraph, trunk: RoutedTrunk, branches: readonly RoutedBranch[]): LaidLoom['ties'] {
  const covered = new Map<string, [number, number][]>()
  const cover = (passage: PassageId, from: number, to: number) => {
    if (Math.abs(to - from) < 1e-6) return
    covered.set(passage, [...(covered.get(passage) ?? []), [Math.min(from, to), Math.max(from, to)]])
  }
  for (const stretch of trunk.stretches) cover(stretch.passage, stretch.from, stretch.to)
  for (const branch of branches) {
    let free = freeEndM
    for (const stretch of [...branch.stretches].reverse()) {
      const lengthM = graph.edges.find((edge) => edge.passage.id === stretch.passage)?.length.lengthM ?? 0
      const long = Math.abs(stretch.to - stretch.from) * lengthM
      const kept = Math.max(0, long - free)
      free = Math.max(0, free - long)
      const share = lengthM === 0 ? 0 : kept / lengthM
      cover(stretch.passage, stretch.from, stretch.from + Math.sign(stretch.to - stretch.from) * share)
    }
  }
  const passages = graph.edges.flatMap(({ passage, length }) => {
    const parts = covered.get(passage.id)
    if (!parts) return []
    const lengthM = unionLength(parts) * length.lengthM
    const close = passage.hazards.some((hazard) => hazard.kind === 'vibration' || hazard.kind === 'moving')
    const spacing = close ? closeSpacingM : tieSpacingM
    return [{ passage: passage.id, spacingMm: spacing * 1000, count: Math.max(1, Math.ceil(lengthM / spacing - 1e-9)) }]
  })
  return { count: passages.reduce((sum, item) => sum + item.count, 0), passages }
}

function unionLength(parts: readonly [number, number][]): number {
  let end = -Infinity
  let sum = 0
  for (const [from, to] of [...parts].sort((a, b) => a[0] - b[0])) {
    sum += Math.max(0, to - Math.max(from, end))
    end = Math.max(end, to)
  }
  return sum
}
