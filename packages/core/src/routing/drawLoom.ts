import { trunkPart } from './runBundles.ts'
import {
  colourHex,
  type Hazard,
  type Kit,
  type LoomPartId,
  type Machine,
  type PassageId,
  type PlaceId,
  type PointAt,
  type ThingId,
} from '../dossiers/index.ts'
import { bundleDiameterMm, wireDiameterMm } from './bundles.ts'
import { nodeOfTarget } from './loomLengths.ts'
import type { LaidLoom, LoomEnd, Stretch } from './model.ts'
import { partOfPath, spreadAlong } from './passagePath.ts'
import { routeGraph } from './routeGraph.ts'

/** A line of the loom as it lies in the machine, with its thickness. */
export interface LoomLine {
  /** `trunk`, or the end's id. */
  part: LoomPartId
  points: PointAt[]
  diameterMm: number
}

/** Points of a passage from its `from` end, corners included; empty where its ends have no place. */
export function passagePoints(machine: Machine, passage: PassageId): PointAt[] {
  const graph = routeGraph(machine)
  const edge = graph.edges.find((item) => item.passage.id === passage)
  const [from, to] = edge ? [graph.nodes[edge.a].at, graph.nodes[edge.b].at] : []
  return from && to ? [from, ...(edge?.passage.via ?? []), to] : []
}

/** The dangers of a passage, with the place their marks stand at: the middle of the way. */
export interface HazardMarks {
  passage: PassageId
  hazards: readonly Hazard[]
  at: PointAt
}

/** The marks of all passages that have any danger and a place. */
export function hazardMarks(machine: Machine): HazardMarks[] {
  return (machine.passages ?? []).flatMap(({ id, hazards }) => {
    const [at] = hazards.length > 0 ? spreadAlong(passagePoints(machine, id), 1) : []
    return at ? [{ passage: id, hazards, at }] : []
  })
}

/** Stretches as one line of points. */
export function stretchPoints(machine: Machine, stretches: readonly Stretch[]): PointAt[] {
  return stretches.flatMap((stretch) => partOfPath(passagePoints(machine, stretch.passage), stretch.from, stretch.to))
}

/** Trunk and branches as lines; a branch that leads nowhere along a passage has no line. */
export function loomLines(machine: Machine, loom: LaidLoom): LoomLine[] {
  const diameterMm = (areas: readonly number[]) => bundleDiameterMm(areas.map(wireDiameterMm))
  return [
    {
      part: trunkPart,
      points: stretchPoints(machine, loom.trunk.stretches),
      diameterMm: diameterMm(loom.ends.flatMap((end) => end.areasMm2)),
    },
    ...loom.branches.map((branch) => ({
      part: branch.end.id,
      points: stretchPoints(machine, branch.stretches),
      diameterMm: diameterMm(branch.end.areasMm2),
    })),
  ].filter((line) => line.points.length > 1)
}

/** Where a mount place is; undefined where nobody has said. */
export function placePoint(machine: Machine, place: PlaceId): PointAt | undefined {
  return thingPoint(machine, { kind: 'place', id: place })
}

/** Where a branch ends: the spot or the middle of the zone of what it goes to. */
export function endPoint(machine: Machine, end: LoomEnd): PointAt | undefined {
  return end.target ? thingPoint(machine, end.target) : undefined
}

/** Where a plug, a stud or a mount place is on the machine. */
export function thingPoint(machine: Machine, target: ThingId): PointAt | undefined {
  const graph = routeGraph(machine)
  const at = nodeOfTarget(graph, machine, target)
  return at ? graph.nodes[at.node].at : undefined
}

export interface Frame {
  low: PointAt
  high: PointAt
}

/** The part of the machine the loom lies in, with room around it, within the machine's own size. */
export function loomFrame(machine: Machine, lines: readonly LoomLine[], roomM = 0.3): Frame | null {
  const { body } = machine
  const points = lines.flatMap((line) => line.points)
  if (!body || points.length === 0) return null
  const span = (axis: 'x' | 'y' | 'z', least: number, most: number): [number, number] => {
    const values = points.map((point) => point[axis])
    return [Math.max(least, Math.min(...values) - roomM), Math.min(most, Math.max(...values) + roomM)]
  }
  const [xl, xh] = span('x', -0.1, body.lengthM + 0.1)
  const [yl, yh] = span('y', -body.widthM / 2 - 0.1, body.widthM / 2 + 0.1)
  const [zl, zh] = span('z', -0.05, body.heightM + 0.1)
  return { low: { x: xl, y: yl, z: zl }, high: { x: xh, y: yh, z: zh } }
}

/** The colour a branch is known by: the wire that tells it from the others, or the sheath of a cable or of the trunk. */
export function branchColour(kit: Kit, part: LoomPartId): string {
  if (part === trunkPart) return '#4a4f52'
  const end = kit.ends.find((item) => item.id === part)
  if (end?.type === 'flying-lead' || end?.type === 'ring') return colourHex[end.colour.base]
  const telling =
    end?.type === 'inline-pair'
      ? (end.lines.find((line) => line.does === 'interrupt') ??
        end.lines.find((line) => line.does === 'tap') ??
        end.lines.at(0))
      : undefined
  return telling ? colourHex[telling.colour.base] : '#7c8284'
}
