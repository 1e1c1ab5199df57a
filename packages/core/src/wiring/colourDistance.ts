import { colourNames, type ColourName, type WireColour } from '../dossiers/index.ts'
import { colourDistances } from './colourDistances.ts'

/** Two colours closer than this are told apart only side by side. */
export const closeColours = 12

const places = new Map(colourNames.map((name, i) => [name, i]))
const placeOf = (colour: ColourName): number => places.get(colour) ?? -1

/** CIEDE2000 between two insulation colours, the least over normal, deuteranope and protanope sight. */
export function colourDistance(a: ColourName, b: ColourName): number {
  const [one, other] = [placeOf(a), placeOf(b)]
  return one === other ? 0 : colourDistances[Math.max(one, other)][Math.min(one, other)]
}

export type Confusion = 'swapped' | 'stripe only' | 'close colours' | 'same'

/** How two wires could be taken for each other, or null when they cannot. */
export function wireConfusion(a: WireColour, b: WireColour): Confusion | null {
  if (a.base === b.base && a.stripe === b.stripe) return 'same'
  if (a.base === b.stripe && a.stripe === b.base) return 'swapped'
  if (a.base === b.base && (a.stripe === undefined) !== (b.stripe === undefined)) return 'stripe only'
  const bases = colourDistance(a.base, b.base)
  const stripes =
    a.stripe && b.stripe ? colourDistance(a.stripe, b.stripe) : a.stripe === b.stripe ? 0 : Number.POSITIVE_INFINITY
  return bases < closeColours && stripes < closeColours ? 'close colours' : null
}
