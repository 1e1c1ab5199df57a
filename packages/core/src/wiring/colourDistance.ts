import type { Rgb } from 'culori'
import {
  converter,
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  modeLab65,
  modeRgb,
  useMode as takeIn,
} from 'culori/fn'
import { colourHex, type ColourName, type WireColour } from '../dossiers/index.ts'

// Only the spaces that are walked through, so that a page loads no more than that.
takeIn(modeRgb)
takeIn(modeLab65)

const ciede2000 = differenceCiede2000()
const sights = [(colour: Rgb) => colour, filterDeficiencyDeuter(1), filterDeficiencyProt(1)]
const known = new Map<string, number>()

/** Two colours closer than this are told apart only side by side. */
export const closeColours = 12

/** CIEDE2000 between two insulation colours, the least over normal, deuteranope and protanope sight. */
export function colourDistance(a: ColourName, b: ColourName): number {
  if (a === b) return 0
  const key = a < b ? `${a}|${b}` : `${b}|${a}`
  const cached = known.get(key)
  if (cached !== undefined) return cached
  const distance = Math.min(...sights.map((sight) => ciede2000(sight(rgbOf(a)), sight(rgbOf(b)))))
  known.set(key, distance)
  return distance
}

const toRgb = converter('rgb')

function rgbOf(name: ColourName): Rgb {
  const colour = toRgb(colourHex[name])
  if (!colour) throw new Error(`wiring: "${name}" has no colour value`)
  return colour
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
