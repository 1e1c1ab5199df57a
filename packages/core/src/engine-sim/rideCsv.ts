import type { RideResult } from './simulateRide.ts'

export interface CsvDialect {
  separator: ',' | ';' | '\t'
  decimal: '.' | ','
  header: [string, string, string, string, string]
}

const plain: CsvDialect = {
  separator: ',',
  decimal: '.',
  header: ['time (s)', 'rpm (1/min)', 'throttle (%)', 'AFR', 'coolant (°C)'],
}

/** The ride as a log file: time, rpm, throttle, AFR, coolant; the last line has its line end. */
export function rideCsv(ride: RideResult, dialect: CsvDialect = plain): string {
  const text = (value: number, digits: number) => value.toFixed(digits).replace('.', dialect.decimal)
  const lines = [dialect.header.join(dialect.separator)]
  for (let row = 0; row < ride.timeS.length; row++)
    lines.push(
      [
        text(ride.timeS[row], 3),
        text(ride.rpm[row], 0),
        text(ride.throttlePct[row], 1),
        text(ride.afr[row], 2),
        text(ride.coolantC[row], 1),
      ].join(dialect.separator),
    )
  return lines.join('\n') + '\n'
}
