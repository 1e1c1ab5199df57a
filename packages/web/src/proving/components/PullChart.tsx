import { axisMarks } from '@tidy-badger/core/handover'
import { alongAxis, type Comparison } from '@tidy-badger/core/proving'
import { Area, CartesianGrid, ComposedChart, Line, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'

const axisLook = { tick: { fill: 'var(--quiet)', fontSize: 14 }, stroke: 'var(--line)' }

/** Power over engine speed, or road speed, before and after, with the band of what runs differ by. */
export default function PullChart({ curve, axis }: Pick<Comparison, 'curve' | 'axis'>) {
  const unit = axis === 'rpm' ? '1/min' : 'km/h'
  const along = curve.map((point) => alongAxis(axis, point))
  const data = curve.map((point) => ({
    ...point,
    band: point.seKw === null ? null : [point.afterKw - 2 * point.seKw, point.afterKw + 2 * point.seKw],
  }))
  return (
    <div
      role="img"
      aria-label={`Power over ${axis === 'rpm' ? 'engine' : 'road'} speed, before (thin) and after (thick)`}
    >
      <p className="text-small text-quiet">
        kW over {unit}: thin on stock, thick with the kit, its band what runs differ by
      </p>
      <ResponsiveContainer width="100%" height={240}>
        <ComposedChart data={data}>
          <CartesianGrid stroke="var(--line-soft)" />
          <XAxis
            {...axisLook}
            dataKey={axis === 'rpm' ? 'rpm' : 'speedKmh'}
            type="number"
            domain={['dataMin', 'dataMax']}
            ticks={axisMarks(Math.min(...along), Math.max(...along), 5)}
            tickFormatter={(at: number) => String(Math.round(at))}
          />
          <YAxis
            {...axisLook}
            width={52}
            domain={['auto', 'auto']}
            tickFormatter={(kw: number) => String(Math.round(kw))}
          />
          <Tooltip
            formatter={(value) => (Array.isArray(value) ? null : `${Number(value).toFixed(1)} kW`)}
            labelFormatter={(at) => `${Math.round(Number(at))} ${unit}`}
          />
          <Area dataKey="band" stroke="none" fill="var(--data)" fillOpacity={0.2} isAnimationActive={false} />
          <Line
            dataKey="beforeKw"
            name="before"
            stroke="var(--quiet)"
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
          <Line
            dataKey="afterKw"
            name="after"
            stroke="var(--data)"
            strokeWidth={4}
            dot={false}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  )
}
