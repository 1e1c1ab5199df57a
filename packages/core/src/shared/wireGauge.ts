/**
 * Diameter of a solid wire of an AWG number, mm (ASTM B258): 0.127 · 92^((36 − n) / 39).
 * @example 18 → 1.0237 mm, 0.8230 mm²
 */
export function awgDiameterMm(awg: number): number {
  return 0.127 * 92 ** ((36 - awg) / 39)
}

export function awgAreaMm2(awg: number): number {
  return (Math.PI / 4) * awgDiameterMm(awg) ** 2
}
