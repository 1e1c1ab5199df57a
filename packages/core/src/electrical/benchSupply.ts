import type { Kit, Machine } from '../dossiers/index.ts'
import { supplyOf } from './supplyOf.ts'

const supplySizesA = [5, 10, 15, 20, 30, 40, 50, 60, 80, 100] as const

/**
 * What a bench supply must give while the machine's battery is out: the cold draw of pumps and control units as the key goes on and
 * the module, a quarter to spare.
 * @returns null where the machine's draw is not known
 */
export function benchSupply(
  machine: Machine,
  kit: Kit,
): { peakA: number; sizeA: number | null; volts: [number, number] } | null {
  if (!machine.power) return null
  const peakA = machine.power.primePeakA + supplyOf(kit).inrushA
  return { peakA, sizeA: supplySizesA.find((size) => size >= peakA * 1.25) ?? null, volts: [12.5, 13.5] }
}
