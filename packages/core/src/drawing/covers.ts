import type { Cover, DrawnPartId, Machine } from '../dossiers/index.ts'
import type { DrawnMachine } from './drawnFrom.ts'
import { partsOf } from './partsOf.ts'

/** Words a cover goes by that its part is not drawn under. */
const otherWords: readonly (readonly [RegExp, string])[] = [
  [/^hood$/, 'bonnet'],
  [/^both seats$/, 'seat'],
  [/^(rider's|pillion|driver's) seat$/, 'seat'],
  [/^(left|right)( side)? (fairing|radiator shroud)( lower)?$/, 'fairing'],
]

/** What sits on a part and comes off with it. */
const sitsOn: Readonly<Record<string, string>> = { 'filler cap': 'tank' }

/** The drawn parts that come off with a cover: those its dossier names, else the one that carries its name. */
export function coverParts(machine: DrawnMachine, cover: Pick<Cover, 'name' | 'parts'>): readonly DrawnPartId[] {
  const parts = partsOf(machine)
  if (cover.parts) return cover.parts.filter((id) => parts.some((part) => part.id === id))
  const name = cover.name.toLowerCase()
  const drawnAs = otherWords.find(([pattern]) => pattern.test(name))?.[1] ?? name
  return parts.filter((part) => part.name === drawnAs || sitsOn[part.name] === drawnAs).map((part) => part.id)
}

/** The parts that are not on the machine: those of covers that are off, unless another cover that is on is drawn by them too. */
export function partsOff(machine: Machine, isOff: (cover: Cover) => boolean): ReadonlySet<DrawnPartId> {
  const covers = machine.covers ?? []
  const on = new Set(covers.filter((cover) => !isOff(cover)).flatMap((cover) => coverParts(machine, cover)))
  return new Set(
    covers
      .filter(isOff)
      .flatMap((cover) => coverParts(machine, cover))
      .filter((id) => !on.has(id)),
  )
}
