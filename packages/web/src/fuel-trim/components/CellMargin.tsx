import { Area, ComposedChart, Line, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { Button } from '../../ui/Button.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { acceptable, type CellView } from '../selectors.ts'
import { count, signed } from '../words.ts'

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
        <h3 className="text-[17px] font-bold">
          <span className="figures">{cell.rpm.toLocaleString('en')}</span> rpm,{' '}
          <span className="figures">{cell.load}</span> % throttle
        </h3>
        {row.length > 1 && (
          <>
            <p className="text-[15px] text-quiet">needed trim along the row, with its band, %</p>
            <ResponsiveContainer width="100%" height={150}>
              <ComposedChart data={row} margin={{ top: 8, right: 12, bottom: 0, left: -22 }}>
                <XAxis
                  dataKey="load"
                  type="number"
                  domain={[0, 100]}
                  tick={{ fill: 'var(--quiet)', fontSize: 14 }}
                  stroke="var(--line)"
                />
                <YAxis
                  tick={{ fill: 'var(--quiet)', fontSize: 14 }}
                  stroke="var(--line)"
                  tickFormatter={(value: number) => String(Math.round(value * 10) / 10)}
                />
                <Area dataKey="band" fill="var(--data)" fillOpacity={0.2} stroke="none" isAnimationActive={false} />
                <Line
                  dataKey="wanted"
                  stroke="var(--data)"
                  strokeWidth={3}
                  dot={{ r: 3.5, fill: 'var(--data)' }}
                  isAnimationActive={false}
                />
                <ReferenceDot
                  x={cell.load}
                  y={suggestion?.estimatePct ?? cell.now}
                  r={7}
                  fill="none"
                  stroke="var(--lamp)"
                  strokeWidth={4}
                />
              </ComposedChart>
            </ResponsiveContainer>
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
