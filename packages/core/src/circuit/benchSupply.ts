import type { Kit, Machine } from '../dossiers/index.ts'
import { supplyOf } from '../electrical/index.ts'
import { buildCircuit } from './buildCircuit.ts'

/** What stands in for the battery while it is out. */
export interface BenchSupply {
  /** Most that is drawn as the key goes on, A. */
  peakA: number
  /** Next usual size with a quarter to spare, A; null: larger than any. */
  sizeA: number | null
  volts: [number, number]
}

const supplySizesA = [5, 10, 15, 20, 30, 40, 50, 60, 80, 100] as const
const spare = 1.25

/**
 * What a bench supply must give while the machine's battery is out, with all kits: the cold draw of pumps and control units as the
 * dossier has it, or what the circuit draws with the key on where that is more, and the cold draw of every kit; a quarter to spare.
 * @returns null where the machine's draw is not known
 */
export function benchSupply(machine: Machine, kits: readonly Kit[]): BenchSupply | null {
  if (!machine.power) return null
  const kitsA = kits.reduce((sum, kit) => sum + supplyOf(kit).inrushA, 0)
  const peakA = Math.max(machine.power.primePeakA, keyOnA(machine)) + kitsA
  return { peakA, sizeA: supplySizesA.find((size) => size >= peakA * spare) ?? null, volts: [12.5, 13.5] }
}

/** What the machine alone draws with the key on, A. */
function keyOnA(machine: Machine): number {
  const known = drawn.get(machine)
  if (known !== undefined) return known
  const amps = buildCircuit(machine, [], { state: 'key on' }).amps({ battery: 'all' })
  drawn.set(machine, amps)
  return amps
}
const drawn = new WeakMap<Machine, number>()
