import type { Hazard, InlinePair, Kit, Machine, ConnectorId, KitEndId } from '../dossiers/index.ts'
import type { Passage, Spot } from '../dossiers/writtenCase.ts'
import { asWritten, seededRandom, asId } from '../shared/index.ts'
import type { Match } from '../wiring/index.ts'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'

export interface RandomRoute {
  machine: Machine
  kit: Kit
  matches: Match[]
}

/** A machine of chance: points strewn over a truck's length, joined to their neighbours, with hazards; places and a loom on it. */
export function randomRoute(
  seed: number,
  sizes: { points: number; passages: number; places: number; branches: number },
): RandomRoute {
  const random = seededRandom(seed)
  const pick = (count: number) => Math.floor(random.uniform() * count)
  const base = shippedMachine('hallam-voss-packhorse-62')
  const loom = shippedKit('thistle-d5')
  const pair = loom.ends.find((end): end is InlinePair => end.type === 'inline-pair')
  if (!pair) throw new Error('the loom has no pair')
  const spread = Math.cbrt(sizes.points) * 0.32
  const spots = Array.from({ length: sizes.points }, (_, i): Spot => ({
    id: `s${i}`,
    name: `Point ${i}`,
    at: { x: random.between(0, spread), y: random.between(0, spread), z: random.between(0, spread) },
    serves: [],
  }))
  const hazards = (): Hazard[] => {
    const chance = random.uniform()
    if (chance < 0.5) return []
    if (chance < 0.62) return [{ kind: 'wet' }]
    if (chance < 0.74)
      return [{ kind: 'hot', surfaceC: Math.round(random.between(120, 500)), clearMm: 40, what: 'pipe' }]
    if (chance < 0.84) return [{ kind: 'moving', swingMm: Math.round(random.between(10, 60)), what: 'arm' }]
    if (chance < 0.92) return [{ kind: 'pinch', what: 'seat' }]
    return [{ kind: 'sharp', what: 'edge' }]
  }
  const passage = (id: string, a: number, b: number): Passage => ({
    id,
    name: `Passage ${id}`,
    from: `s${a}`,
    to: `s${b}`,
    hazards: hazards(),
    ...(random.uniform() < 0.08
      ? { bulkhead: { kind: 'new hole' as const, minutes: { best: 5, likely: 5 + pick(20), worst: 40 } } }
      : {}),
    ...(random.uniform() < 0.05 ? { freeMm2: 20 } : {}),
  })
  const distance = (a: Spot, b: Spot) => Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y, a.at.z - b.at.z)
  const joined = new Set<string>()
  const passages: Passage[] = []
  const join = (a: number, b: number) => {
    const key = [a, b].sort((x, y) => x - y).join('-')
    if (a === b || joined.has(key)) return
    joined.add(key)
    passages.push(passage(`p${passages.length}`, a, b))
  }
  // Each point to the nearest before it, so that all are joined; then near pairs until there are enough.
  spots.forEach((spot, i) => {
    if (i === 0) return
    const before = spots.slice(0, i)
    join(
      i,
      before.indexOf(before.reduce((best, other) => (distance(other, spot) < distance(best, spot) ? other : best))),
    )
  })
  for (let tries = 0; passages.length < sizes.passages && tries < sizes.passages * 40; tries++) {
    const a = pick(sizes.points)
    const near = spots
      .map((spot, i) => ({ i, far: distance(spot, spots[a]) }))
      .sort((x, y) => x.far - y.far)
      .slice(1, 6)
    join(a, near[pick(near.length)].i)
  }
  const trunkM = Math.round(random.between(0.3, 0.9) * 100) / 100
  const ends = Array.from({ length: sizes.branches }, (_, i): InlinePair => ({
    ...pair,
    id: asId<KitEndId>(`e${i}`),
    tag: `E${i}`,
    name: `Pair ${i}`,
    breakOutM: Math.round(random.between(0, trunkM) * 100) / 100,
    branchM: Math.round(random.between(0.2, 0.8) * 100) / 100,
  }))
  const connectors = ends.map((_, i) => ({ ...base.connectors[0], id: `c${i}`, name: `Plug ${i}` }))
  connectors.forEach((connector) => spots[pick(sizes.points)].serves.push({ connector: connector.id }))
  const places = Array.from({ length: sizes.places }, (_, i) => ({
    id: `place${i}`,
    name: `Place ${i}`,
    zone: base.zones[0].id,
    place: 'somewhere',
  }))
  places.forEach((place) => spots[pick(sizes.points)].serves.push({ place: place.id }))
  return {
    machine: asWritten<Machine>({
      ...base,
      id: `random-${seed}`,
      zones: base.zones.map(({ at: _at, ...zone }) => zone),
      connectors,
      nets: [],
      wires: [],
      studs: [],
      covers: [],
      ways: [],
      places,
      spots,
      passages,
      variants: [],
    }),
    kit: { ...loom, trunkM, ends, places: [] },
    matches: ends.map((end, i) => ({
      kitEnd: end.id,
      target: { connector: asId<ConnectorId>(`c${i}`) },
      cost: 0,
      breakdown: [],
      reasons: [],
      second: null,
      swapsWith: [],
      locked: false,
    })),
  }
}
