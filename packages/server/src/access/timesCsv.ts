import type { TimeReport } from '@tidy-badger/core/jobs'
import Papa from 'papaparse'

/** The time report as CSV (RFC 4180): one line a station. */
export function timesCsv(report: TimeReport): string {
  const tenths = (minutes: number) => minutes.toFixed(1)
  return Papa.unparse({
    fields: ['station', 'planned (min)', 'taken (min)', 'tasks', 'tasks measured'],
    data: report.rows.map((row) => [
      row.station,
      tenths(row.plannedMin),
      tenths(row.takenMin),
      row.tasks,
      row.measured,
    ]),
  })
}
