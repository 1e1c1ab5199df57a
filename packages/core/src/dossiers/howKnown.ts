import type { Problem } from '../shared/index.ts'
import type { Kit } from './kitModel.ts'
import {
  knownLists,
  type DossierPhoto,
  type Known,
  type KnownHow,
  type KnownList,
  type Machine,
  type PhotoPin,
} from './model.ts'

export const knownWords: Record<KnownHow, string> = {
  measured: 'measured',
  sheet: 'from a sheet',
  guess: 'a guess',
  wrong: 'proved wrong',
}

/** "1 measured", "6 guesses" */
export function knownCount(how: KnownHow, count: number): string {
  return how === 'guess' ? `${count} guess${count === 1 ? '' : 'es'}` : `${count} ${knownWords[how]}`
}

/** How a thing is known; undefined where nobody said. */
export function knownOf(
  { known = [] }: { known?: readonly Known[] },
  of: KnownList,
  id: string | undefined,
): Known | undefined {
  return id === undefined ? undefined : known.find((item) => item.of === of && item.id === id)
}

/** Whether what is said of it may turn out otherwise: a guess, or one a reading spoke against. */
export function isUnsure(known: Known | undefined): known is Known & { how: 'guess' | 'wrong' } {
  return known?.how === 'guess' || known?.how === 'wrong'
}

/** "a guess by Ines, 2026-05-12: as on the Marlow" */
export function knownText({ how, who, on, says }: Known): string {
  const by = [`${knownWords[how]}${who === undefined ? '' : ` by ${who}`}`, on].filter(Boolean).join(', ')
  return [by, says].filter(Boolean).join(': ')
}

/** A thing of a document by its list and id, as one word. */
export const thingKey = ({ of, id }: Pick<Known, 'of' | 'id'>): string => `${of} ${id}`

/** Every thing of a document, variants included, by its key. */
export function thingsKnown(document: Machine | Kit): Map<string, Pick<Known, 'of' | 'id'>> {
  const made = new Map<string, Pick<Known, 'of' | 'id'>>()
  const add = (of: KnownList, items: readonly { id: string }[] = []) => {
    for (const { id } of items) made.set(thingKey({ of, id }), { of, id })
  }
  if (document.kind === 'kit') for (const of of knownLists.kit) add(of, document[of])
  else
    for (const of of knownLists.machine)
      for (const items of [document[of], ...document.variants.map((variant) => variant[of])]) add(of, items)
  return made
}

/** How many things of a document are known how, in the order of `knownHows`; those that may turn out otherwise by themselves. */
export function knownSummary(document: Machine | Kit): { counts: Record<KnownHow, number>; unsure: Known[] } {
  const counts: Record<KnownHow, number> = { measured: 0, sheet: 0, guess: 0, wrong: 0 }
  const { known = [] } = document
  for (const { how } of known) counts[how]++
  return { counts, unsure: known.filter(isUnsure) }
}

/** What a thing is called in its document; its id where it has no name of its own. */
export function thingName(document: Machine | Kit, of: KnownList, id: string): string {
  const lists: Partial<Record<KnownList, unknown>> = document
  const items: unknown = lists[of]
  const found: unknown = Array.isArray(items) ? items.find((item: { id: string }) => item.id === id) : undefined
  const { name, text }: { name?: unknown; text?: unknown } = { ...Object(found) }
  return typeof name === 'string' && name !== '' ? name : typeof text === 'string' ? text : id
}

/** Photos a thing is pinned on, with where. */
export function photosOf(
  { photos = [] }: Pick<Machine, 'photos'>,
  of: KnownList,
  id: string,
): { photo: DossierPhoto; pin: PhotoPin }[] {
  return photos.flatMap((photo) => {
    const pin = photo.pins.find((one) => one.of === of && one.id === id)
    return pin ? [{ photo, pin }] : []
  })
}

/** Photos that stand twice, and pins on nothing. */
export function photoContradictions(machine: Machine): Problem[] {
  const { photos = [] } = machine
  if (photos.length === 0) return []
  const there = thingsKnown(machine)
  const seen = new Set<string>()
  return photos.flatMap(({ photo, says, pins }, i) => {
    const twice = seen.has(photo)
    seen.add(photo)
    return [
      ...(twice
        ? [{ code: 'duplicate-id', path: `photos.${i}.photo`, message: `The photo "${says}" stands twice.` }]
        : []),
      ...pins.flatMap(({ of, id }, j) =>
        there.has(thingKey({ of, id }))
          ? []
          : [
              {
                code: 'unknown-reference',
                path: `photos.${i}.pins.${j}`,
                message: `On the photo "${says}" "${id}" is pinned; there is none in ${of}.`,
              },
            ],
      ),
    ]
  })
}

/** Things that say twice how they are known, or that there are none of. */
export function knownContradictions(document: Machine | Kit): Problem[] {
  const { known = [] } = document
  if (known.length === 0) return []
  const there = thingsKnown(document)
  const said = new Set<string>()
  return known.flatMap(({ of, id }, i) => {
    const key = thingKey({ of, id })
    const problem = (code: string, message: string) => [{ code, path: `known.${i}.id`, message }]
    if (!there.has(key))
      return problem('unknown-reference', `How "${id}" is known stands here; there is none in ${of}.`)
    if (said.has(key)) return problem('duplicate-id', `How "${id}" of ${of} is known stands twice.`)
    said.add(key)
    return []
  })
}
