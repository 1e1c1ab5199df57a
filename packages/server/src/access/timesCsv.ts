import type { TimeReport } from '@tidy-badger/core/jobs'
import { csvText } from '@tidy-badger/core/shared'

/** The time report as CSV: one line a station. */
export function timesCsv(report: TimeReport): string {
  const tenths = (minutes: number) => minutes.toFixed(1)
  return csvText(
    [
      ['station', 'planned (min)', 'taken (min)', 'tasks', 'tasks measured'],
      ...report.rows.map((row) => [row.station, tenths(row.plannedMin), tenths(row.takenMin), row.tasks, row.measured]),
    ],
    '\r\n',
  )
}
