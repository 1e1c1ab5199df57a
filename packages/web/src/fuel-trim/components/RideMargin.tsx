import { rejectReasons, type TrimSuggestion } from '@tidy-badger/core/fuel-trim'
import type { JobState } from '@tidy-badger/core/jobs'
import { useJob } from '../../jobs/index.ts'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { count, filterColumns, reasonWords } from '../words.ts'

/** Which rows were used and why the others were not; what had to be assumed. */
export function RideMargin({ suggestion, log }: { suggestion: TrimSuggestion; log: JobState['logs'][number] }) {
  const { state } = useJob()
  const dropped = rejectReasons
    .flatMap((reason) => (suggestion.rejected[reason] ? [{ reason, rows: suggestion.rejected[reason] ?? 0 }] : []))
    .sort((a, b) => b.rows - a.rows)
  const all = suggestion.usedRows + dropped.reduce((sum, item) => sum + item.rows, 0)
  const cold = suggestion.coldLimit
  const late = suggestion.delaySeconds.toFixed(2)
  const delay = {
    estimated: `The sensor answers ${late} s late; the log itself shows it.`,
    given: `The sensor was said to answer ${late} s late.`,
    assumed: `The ride is too steady to show how late the sensor answers; ${late} s is assumed.`,
  }[suggestion.delaySource]
  const later = state.trim.revisions.findIndex((revision) => revision.entry === log.tableInForce)
  return (
    <>
      {log.usedBy && (
        <MarginCard tone="lamp" title="Used already">
          Trims from this ride are in the table. What is shown now is measured against the table it was ridden with.
        </MarginCard>
      )}
      {suggestion.usedRows === 0 && (
        <MarginCard tone="lamp" title="No row could be used">
          The reasons stand below. Nothing is suggested.
        </MarginCard>
      )}
      <section>
        <h3 className="text-body font-bold">
          {count(suggestion.usedRows)} of {count(all)} rows used
        </h3>
        <div aria-hidden className="mt-1.5 mb-2 h-3.5 border-2 border-ink">
          <div className="h-full bg-data" style={{ width: `${(100 * suggestion.usedRows) / Math.max(1, all)}%` }} />
        </div>
        <ul className="text-small">
          {dropped.map(({ reason, rows }) => (
            <li key={reason} className="flex justify-between gap-3">
              <span>{reasonWords[reason]}</span>
              <span className="figures">{count(rows)}</span>
            </li>
          ))}
        </ul>
      </section>
      <MarginCard tone="quiet" title={delay}>
        {cold?.raised && <p>Warm-up still showed in the readings, so rows below {cold.usedC} °C were left out.</p>}
        <p>
          Ridden with {later <= 0 ? 'the table as shipped' : `table ${later + 1}`}.
          {suggestion.filtersOff.length > 0 &&
            ` Not checked, for want of a column: ${suggestion.filtersOff.map((reason) => filterColumns[reason] ?? reason).join(', ')}.`}
        </p>
      </MarginCard>
      <MarginCard tone="lamp" title="Lean is not always fuel">
        Misfire, an exhaust leak and a tired sensor read lean too. Look for them before adding much in one place.
      </MarginCard>
    </>
  )
}
