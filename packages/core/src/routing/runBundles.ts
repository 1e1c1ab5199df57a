import { bundleAreaMm2, bundleDiameterMm, sleeveSizeMm, wireDiameterMm } from './bundles.ts'
import type { LaidLoom, LoomEnd, PassageBundle, RoutedBranch, RoutedTrunk, Stretch } from './model.ts'
import type { RouteGraph } from './routeGraph.ts'

/** A tie every so far along the loom, m; closer where it shakes or something moves. */
export const tieSpacingM = 0.12
const closeSpacingM = 0.08
/** A branch is free so far before its plug, so that it can be pulled, m. */
export const freeEndM = 0.15

/** How thick the loom is in every passage it lies in, at the thickest, against what is free there. */
export function bundlesOf(
  graph: RouteGraph,
  ends: readonly LoomEnd[],
  trunk: RoutedTrunk,
  branches: readonly RoutedBranch[],
): PassageBundle[] {
  const lying = new Map<string, Lying[]>()
  const add = ({ passage, from, to }: Stretch, wires: readonly number[]) =>
    lying.set(passage, [...(lying.get(passage) ?? []), { from: Math.min(from, to), to: Math.max(from, to), wires }])
  let passed = 0
  for (const stretch of trunk.stretches) {
    // A wire is in the trunk up to its break-out; what ends beyond the path's end is bundled there and counts throughout.
    const before = passed
    add(
      stretch,
      ends.filter((end) => end.breakOutM > before).flatMap((end) => end.areasMm2),
    )
    const edge = graph.edges.find((candidate) => candidate.passage.id === stretch.passage)
    passed += ((edge?.need ?? 0) / 1e4) * Math.abs(stretch.to - stretch.from)
  }
  for (const branch of branches) for (const stretch of branch.stretches) add(stretch, branch.end.areasMm2)
  return graph.edges.flatMap(({ passage }): PassageBundle[] => {
    const wires = thickest(lying.get(passage.id) ?? [])
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
      },
    ]
  })
}

interface Lying {
  from: number
  to: number
  wires: readonly number[]
}

/** The wires at the thickest place of a passage: what lies one behind the other in it does not add up. */
function thickest(parts: readonly Lying[]): number[] {
  const cuts = [...new Set(parts.flatMap((part) => [part.from, part.to]))].sort((a, b) => a - b)
  return cuts.slice(1).reduce<number[]>((most, to, i) => {
    const middle = (cuts[i] + to) / 2
    const here = parts.flatMap((part) => (part.from <= middle && middle <= part.to ? part.wires : []))
    return bundleAreaMm2(here) > bundleAreaMm2(most) ? here : most
  }, [])
}

/** Ties along everything that lies there, each stretch counted once however many branches share it; none in the last bit before a plug. */
export function tiesOf(graph: RouteGraph, trunk: RoutedTrunk, branches: readonly RoutedBranch[]): LaidLoom['ties'] {
  const covered = new Map<string, [number, number][]>()
  const cover = (passage: string, from: number, to: number) => {
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
