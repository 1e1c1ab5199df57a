import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'

const axis = { tick: { fill: 'var(--quiet)', fontSize: 14 }, stroke: 'var(--line)' }

/** Power over engine speed, before and after. */
export default function PullChart({ curve }: { curve: { rpm: number; beforeKw: number; afterKw: number }[] }) {
  return (
    <div role="img" aria-label="Power over engine speed, before (thin) and after (thick)">
      <p className="text-small text-quiet">kW over 1/min: thin on stock, thick with the kit</p>
      <ResponsiveContainer width="100%" height={240}>
        <LineChart data={curve}>
          <CartesianGrid stroke="var(--line-soft)" />
          <XAxis
            {...axis}
            dataKey="rpm"
            type="number"
            domain={['dataMin', 'dataMax']}
            tickFormatter={(rpm: number) => String(Math.round(rpm))}
          />
          <YAxis {...axis} width={52} domain={['auto', 'auto']} />
          <Tooltip
            formatter={(value) => `${Number(value).toFixed(1)} kW`}
            labelFormatter={(rpm) => `${Math.round(Number(rpm))} 1/min`}
          />
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
        </LineChart>
      </ResponsiveContainer>
    </div>
  )
}
