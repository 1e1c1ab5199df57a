/** A trim to the tenth of a percent with its sign, "+1.3", "−0.4"; what rounds to nothing has none. */
export function signedPct(value: number): string {
  const rounded = Math.round(value * 10) / 10
  return rounded === 0 ? '0.0' : `${rounded > 0 ? '+' : '−'}${Math.abs(rounded).toFixed(1)}`
}
