import type { Rgb } from 'culori'
import { converter, differenceCiede2000, filterDeficiencyDeuter, filterDeficiencyProt } from 'culori'
import { colourHex, type ColourName } from '../dossiers/index.ts'

const ciede2000 = differenceCiede2000()
const sights = [(colour: Rgb) => colour, filterDeficiencyDeuter(1), filterDeficiencyProt(1)]
const toRgb = converter('rgb')

function rgbOf(name: ColourName): Rgb {
  const colour = toRgb(colourHex[name])
  if (!colour) throw new Error(`"${name}" has no colour value`)
  return colour
}

/** CIEDE2000 between two insulation colours, the least over normal, deuteranope and protanope sight. */
export function leastDistance(a: ColourName, b: ColourName): number {
  return Math.min(...sights.map((sight) => ciede2000(sight(rgbOf(a)), sight(rgbOf(b)))))
}
