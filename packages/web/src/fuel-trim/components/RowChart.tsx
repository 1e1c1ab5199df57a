import { Area, ComposedChart, Line, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from 'recharts'

// With every tick there is room for: else each is measured first.
const axis = { tick: { fill: 'var(--quiet)', fontSize: 14 }, stroke: 'var(--line)', interval: 0 }
const tenth = (value: number) => String(Math.round(value * 10) / 10)

/** Needed trim along one engine speed with its band, and the cell in hand on it. */
export default function RowChart({
  row,
  load,
  at,
}: {
  row: { load: number; wanted: number; band: number[] }[]
  load: number
  at: number
}) {
  return (
    <ResponsiveContainer width="100%" height={150}>
      <ComposedChart data={row} margin={{ top: 8, right: 12, bottom: 0, left: -22 }}>
        <XAxis dataKey="load" type="number" domain={[0, 100]} {...axis} />
        <YAxis tickFormatter={tenth} {...axis} />
        <Area dataKey="band" fill="var(--data)" fillOpacity={0.2} stroke="none" isAnimationActive={false} />
        <Line
          dataKey="wanted"
          stroke="var(--data)"
          strokeWidth={3}
          dot={{ r: 3.5, fill: 'var(--data)' }}
          isAnimationActive={false}
        />
        <ReferenceDot x={load} y={at} r={7} fill="none" stroke="var(--lamp)" strokeWidth={4} />
      </ComposedChart>
    </ResponsiveContainer>
  )
}
