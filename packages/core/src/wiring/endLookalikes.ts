import { wireName, type Kit, type KitEnd, type KitEndId } from '../dossiers/index.ts'
import { wireConfusion } from './colourDistance.ts'
import { pinCount } from './pins.ts'

/** Another end of the same kit that a hand could take for this one. */
export interface EndLookalike {
  kitEnd: KitEndId
  name: string
  shared: string
  telling: string
}

/** Ends of the same loom with the same plug, the same wire, or another socket their shape enters; and what tells. */
export function endLookalikes(kit: Kit, id: KitEndId): readonly EndLookalike[] {
  const known = looksKnown.get(kit) ?? new Map<KitEndId, readonly EndLookalike[]>()
  looksKnown.set(kit, known)
  const found = known.get(id) ?? findEndLookalikes(kit, id)
  known.set(id, found)
  return found
}

/** A document never changes, so what looks alike in it is worked out once. */
const looksKnown = new WeakMap<Kit, Map<KitEndId, readonly EndLookalike[]>>()

function findEndLookalikes(kit: Kit, id: KitEndId): EndLookalike[] {
  const wanted = kit.ends.find((end) => end.id === id)
  if (!wanted) return []
  const sockets =
    wanted.type === 'plug'
      ? wanted.enters.flatMap((socketId): EndLookalike[] => {
          const socket = kit.sockets?.find((item) => item.id === socketId)
          if (!socket || socketId === wanted.into) return []
          return [{ kitEnd: id, name: socket.name, shared: 'its shape enters there too', telling: wanted.telling }]
        })
      : []
  const ends = kit.ends.flatMap((other): EndLookalike[] => {
    if (other.id === id) return []
    const shared = sharedLooks(wanted, other)
    return shared === null
      ? []
      : [{ kitEnd: other.id, name: other.name, shared, telling: tellEnds(kit, wanted, other) }]
  })
  return [...sockets, ...ends]
}

function sharedLooks(a: KitEnd, b: KitEnd): string | null {
  if (a.type === 'inline-pair' && b.type === 'inline-pair') {
    const [one, two] = [a.factoryHalf.shell, b.factoryHalf.shell]
    const same =
      pinCount(a) === pinCount(b) && one.family === two.family && one.colour === two.colour && one.key === two.key
    return same ? `both ${one.colour}, ${pinCount(a)} pins, key ${one.key}` : null
  }
  const [one, two] = [colourOf(a), colourOf(b)]
  if (!one || !two || (a.type === 'plug') !== (b.type === 'plug')) return null
  const confusion = wireConfusion(one, two)
  if (confusion === null) return null
  if (confusion === 'same') return `both ${wireName(one)}`
  return `${wireName(one)} and ${wireName(two)}`
}

function colourOf(end: KitEnd) {
  return 'colour' in end ? end.colour : undefined
}

function tellEnds(kit: Kit, wanted: KitEnd, other: KitEnd): string {
  const rule = kit.naming?.find((item) => item.ends.includes(wanted.id) && item.ends.includes(other.id))
  if (rule) return rule.says
  const features = [`Yours has tag ${wanted.tag}, the other ${other.tag}`]
  if (wanted.type === 'inline-pair' && other.type === 'inline-pair') {
    const differing = wanted.lines.find((line) =>
      other.lines.every((theirs) => wireConfusion(theirs.colour, line.colour) !== 'same'),
    )
    if (differing) features.push(`yours has a ${wireName(differing.colour)} wire`)
  }
  if ('areaMm2' in wanted && 'areaMm2' in other && wanted.areaMm2 !== other.areaMm2)
    features.push(`yours is ${wanted.areaMm2 > other.areaMm2 ? 'thicker' : 'thinner'} (${wanted.areaMm2} mm²)`)
  if (Math.abs(wanted.branchM - other.branchM) >= 0.05)
    features.push(`yours is ${wanted.branchM > other.branchM ? 'longer' : 'shorter'} (${wanted.branchM.toFixed(2)} m)`)
  return `${features.join('; ')}.`
}
