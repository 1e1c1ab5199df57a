import Papa from 'papaparse'
import type { Comparison } from '../proving/index.ts'

/** Both curves as CSV: engine speed, road speed where it is known, power before and after, and the gain's standard error. */
export function proofCsv({ curve }: Pick<Comparison, 'curve'>): string {
  const figure = (value: number | null, digits: number) => (value === null ? '' : value.toFixed(digits))
  return Papa.unparse({
    fields: ['rpm (1/min)', 'speed (km/h)', 'before (kW)', 'after (kW)', 'standard error (kW)'],
    data: curve.map(({ rpm, speedKmh, beforeKw, afterKw, seKw }) => [
      ...[figure(rpm, 0), figure(speedKmh, 1), figure(beforeKw, 2), figure(afterKw, 2), figure(seKw, 3)],
    ]),
  })
}
