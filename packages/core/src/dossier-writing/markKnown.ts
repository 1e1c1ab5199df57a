import { thingKey, thingsKnown, type Known, type KnownHow, type KnownList } from '../dossiers/index.ts'
import type { Documents } from './typedField.ts'

type Document = Documents[keyof Documents]

/** Who says how something is known, and when. */
export interface Mark {
  who?: string
  /** Day, as 2026-05-12. */
  on?: string
  says?: string
}

/** The document with how one of its things is known; null takes back what was said. */
export function withKnown<D extends Document>(
  document: D,
  of: KnownList,
  id: string,
  how: KnownHow | null,
  mark: Mark = {},
): D {
  const others = (document.known ?? []).filter((item) => item.of !== of || item.id !== id)
  return withList(document, how === null ? others : [...others, { of, id, how, ...mark }])
}

/** The document with everything of a list that nobody spoke of known in one way. */
export function withRestKnown<D extends Document>(document: D, of: KnownList, how: KnownHow, mark: Mark = {}): D {
  const said = new Set((document.known ?? []).map(thingKey))
  const rest = [...thingsKnown(document)].flatMap(([key, thing]): Known[] =>
    thing.of === of && !said.has(key) ? [{ ...thing, how, ...mark }] : [],
  )
  return withList(document, [...(document.known ?? []), ...rest])
}

/** The document without what is said of things that are gone, and without their pins on photos. */
export function withoutGone<D extends Document>(document: D): D {
  const { known = [] } = document
  const pinned = 'photos' in document ? (document.photos ?? []).flatMap(({ pins }) => pins) : []
  if (known.length + pinned.length === 0) return document
  const there = thingsKnown(document)
  const isThere = (thing: Pick<Known, 'of' | 'id'>) => there.has(thingKey(thing))
  const left = known.filter(isThere)
  const kept = left.length === known.length ? document : withList(document, left)
  return pinned.every(isThere) || !('photos' in kept)
    ? kept
    : { ...kept, photos: kept.photos?.map((photo) => ({ ...photo, pins: photo.pins.filter(isThere) })) }
}

function withList<D extends Document>(document: D, known: readonly Known[]): D {
  const { known: _before, ...rest } = document
  // oxlint-disable-next-line typescript/consistent-type-assertions -- the same document, one optional list apart
  return (known.length > 0 ? { ...rest, known } : rest) as D
}
