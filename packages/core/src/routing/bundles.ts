import type { KitEnd } from '../dossiers/index.ts'

/** Outer diameter of a thin-walled vehicle wire, mm, from its copper area (ISO 6722 class B, within 0.15 mm to 6 mm²). */
export function wireDiameterMm(areaMm2: number): number {
  return 0.75 + 1.32 * Math.sqrt(areaMm2)
}

/** Diameter of a bundle of round wires, mm: the circles' area over a packing of 0.65. */
export function bundleDiameterMm(diametersMm: readonly number[]): number {
  return Math.sqrt(diametersMm.reduce((sum, d) => sum + d * d, 0) / 0.65)
}

/** Cross-section a bundle takes up, mm²: the circle around it. */
export function bundleAreaMm2(areasMm2: readonly number[]): number {
  return (Math.PI / 4) * bundleDiameterMm(areasMm2.map(wireDiameterMm)) ** 2
}

const sleevesMm = [4, 6, 8, 10, 13, 16, 20, 25, 32, 40] as const
/** The next sleeve a bundle slides into, mm inside; null above the largest. */
export function sleeveSizeMm(diameterMm: number): number | null {
  return sleevesMm.find((size) => size >= diameterMm) ?? null
}

/** Copper areas of the wires of one branch, mm². A cut line runs to the module and back; a line passed through stays at the plug. */
export function branchWires(end: KitEnd): number[] {
  switch (end.type) {
    case 'inline-pair':
      return end.lines.flatMap((line) =>
        line.does === 'interrupt' ? [line.areaMm2, line.areaMm2] : line.does === 'tap' ? [line.areaMm2] : [],
      )
    case 'flying-lead':
    case 'ring':
      return [end.areaMm2]
    case 'plug':
      return end.colour ? [0.35] : [0.35, 0.35, 0.35, 0.35]
    case 'port':
      return [0.35, 0.35]
    case 'vent':
      return []
  }
}
