import { lazy, Suspense } from 'react'
import { Button } from '../../ui/Button.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { WhenSeen } from '../../ui/WhenSeen.tsx'
import { acceptable, type CellView } from '../selectors.ts'
import { count, signed } from '../words.ts'

const RowChart = lazy(() => import('./RowChart.tsx'))

/** One cell: what was measured and wanted, what changes, how sure, and the needed trim along its row. */
export function CellMargin({ cell, cells, onToggle }: { cell: CellView; cells: CellView[]; onToggle: () => void }) {
  const { suggestion, measured } = cell
  const row = cells
    .filter((other) => other.rpm === cell.rpm && other.suggestion?.earned)
    .flatMap(({ load, suggestion: known }) =>
      known?.estimatePct == null || known.stdErrPct == null
        ? []
        : [
            {
              load,
              wanted: known.estimatePct,
              band: [known.estimatePct - 2 * known.stdErrPct, known.estimatePct + 2 * known.stdErrPct],
            },
          ],
    )
  return (
    <>
      <div>
        <h3 className="text-lead font-bold">
          <span className="figures">{count(cell.rpm)}</span> rpm, <span className="figures">{cell.load}</span> %
          throttle
        </h3>
        {row.length > 1 && (
          <>
            <p className="text-small text-quiet">needed trim along the row, with its band, %</p>
            <WhenSeen className="h-[150px]">
              <Suspense fallback={null}>
                <RowChart row={row} load={cell.load} at={suggestion?.estimatePct ?? cell.now} />
              </Suspense>
            </WhenSeen>
          </>
        )}
      </div>
      <MarginCard tone={suggestion?.earned ? 'data' : 'quiet'} title={headline(cell)}>
        {measured && suggestion?.earned && (
          <p>
            Measured <span className="figures">{measured.afr.toFixed(2)}</span>, wanted{' '}
            <span className="figures">{measured.target.toFixed(2)}</span>. {count(measured.rows)} rows near it,{' '}
            {suggestion.evidence.toFixed(0)} s of evidence, give or take{' '}
            <span className="figures">{(2 * (suggestion.stdErrPct ?? 0)).toFixed(1)} %</span>.
          </p>
        )}
        {!suggestion?.earned && (
          <p>
            {suggestion && suggestion.evidence > 0
              ? `Only ${suggestion.evidence.toFixed(1)} s of evidence: it keeps its value.`
              : 'The ride was never here: it keeps its value.'}
          </p>
        )}
        {cell.fullLoad && acceptable(cell) && (
          <p className="mt-1 font-semibold">
            Near full load: look at it before you take it. Too lean here holes pistons.
          </p>
        )}
      </MarginCard>
      {acceptable(cell) && (
        <Button onClick={onToggle}>{cell.accepted ? 'Keep the old value' : `Take ${signed(cell.next)} %`}</Button>
      )}
    </>
  )
}

function headline(cell: CellView): string {
  if (!cell.suggestion?.earned) return `${signed(cell.now)} % here, not earned`
  if (!acceptable(cell)) return `${signed(cell.now)} % here, and right as it is`
  return `${signed(cell.next)} % here (was ${signed(cell.now)})`
}
