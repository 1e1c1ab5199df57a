import { rejectReasons, type LogStretch } from '@tidy-badger/core/fuel-trim'
import { Area, CartesianGrid, ComposedChart, Line, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import { reasonWords } from '../words.ts'

const axis = { tick: { fill: 'var(--quiet)', fontSize: 14 }, stroke: 'var(--line)' }
const minutes = (value: number) => `${Math.round(value / 60)}`

function everyFiveMinutes(data: { timeS: number }[]): number[] {
  const first = data[0]?.timeS ?? 0
  const last = data.at(-1)?.timeS ?? 0
  const step = last - first > 3600 ? 600 : 300
  return Array.from({ length: Math.floor((last - first) / step) + 1 }, (_, i) => first + i * step)
}

/** The ride as three strips over one time axis; below them what was used, and why the rest was not. */
export default function RideChart({ stretches }: { stretches: LogStretch[] }) {
  const data = stretches.map((stretch) => ({ ...stretch, band: [stretch.afrLow, stretch.afrHigh] }))
  const seen = [...new Set(stretches.map((stretch) => stretch.reason))].filter((reason) => reason > 0)
  return (
    <div>
      <Strip title="AFR, mean and extremes" data={data}>
        <YAxis {...axis} width={52} domain={[10, 18]} allowDataOverflow />
        <Area dataKey="band" fill="var(--data)" fillOpacity={0.22} stroke="none" isAnimationActive={false} />
        <Line dataKey="afr" stroke="var(--data)" strokeWidth={2} dot={false} isAnimationActive={false} />
      </Strip>
      <Strip title="Throttle, %" data={data}>
        <YAxis {...axis} width={52} domain={[0, 100]} />
        <Area
          dataKey="throttlePct"
          fill="var(--lamp)"
          fillOpacity={0.45}
          stroke="var(--lamp-ink)"
          isAnimationActive={false}
        />
      </Strip>
      <Strip title="Engine speed, rpm" data={data} withTime>
        <YAxis {...axis} width={52} tickFormatter={(value: number) => (value === 0 ? '0' : `${value / 1000}k`)} />
        <Line dataKey="rpm" stroke="var(--ink)" strokeWidth={2} dot={false} isAnimationActive={false} />
      </Strip>
      <figure className="mt-2 pr-3 pl-[52px]">
        <svg
          viewBox={`0 0 ${stretches.length} 10`}
          preserveAspectRatio="none"
          className="h-6 w-full border-2 border-ink"
          role="img"
          aria-label="Which stretches were used"
        >
          {stretches.map((stretch, i) => (
            <rect
              key={stretch.timeS}
              x={i}
              y={10 - 10 * stretch.used}
              width={1.02}
              height={10 * stretch.used}
              fill="var(--data)"
            />
          ))}
        </svg>
        <figcaption className="mt-1 text-small text-quiet">
          Filled: rows used. {seen.length > 0 && `Left out mostly because: ${seen.map(whyLeftOut).join(', ')}.`}
        </figcaption>
      </figure>
    </div>
  )
}

function Strip({
  title,
  data,
  withTime = false,
  children,
}: {
  title: string
  data: { timeS: number }[]
  withTime?: boolean
  children: React.ReactNode
}) {
  return (
    <figure>
      <figcaption className="pl-[52px] font-head text-small font-semibold">
        {title}
        {withTime && <span className="font-normal text-quiet"> · minutes across</span>}
      </figcaption>
      <ResponsiveContainer width="100%" height={withTime ? 150 : 128}>
        <ComposedChart data={data} syncId="ride" margin={{ top: 6, right: 12, bottom: 0, left: 0 }}>
          <CartesianGrid stroke="var(--line-soft)" vertical={false} />
          <XAxis
            dataKey="timeS"
            type="number"
            domain={['dataMin', 'dataMax']}
            tickFormatter={minutes}
            ticks={everyFiveMinutes(data)}
            hide={!withTime}
            {...axis}
          />
          <Tooltip
            content={({ payload }) => {
              const stretch: LogStretch | undefined = payload?.[0]?.payload
              if (!stretch) return null
              return (
                <div className="border-2 border-ink bg-paper px-3 py-2 text-small">
                  <p className="figures">
                    {(stretch.timeS / 60).toFixed(1)} min · AFR {stretch.afr.toFixed(2)} · {Math.round(stretch.rpm)} rpm
                    · {Math.round(stretch.throttlePct)} %
                    {stretch.coolantC !== null && ` · ${Math.round(stretch.coolantC)} °C`}
                  </p>
                  <p>{stretch.reason === 0 ? 'used' : `left out: ${whyLeftOut(stretch.reason)}`}</p>
                </div>
              )
            }}
          />
          {children}
        </ComposedChart>
      </ResponsiveContainer>
    </figure>
  )
}

/** Why rows were left out, in words. @param reason its number, from 1 */
function whyLeftOut(reason: number): string {
  const known = rejectReasons[reason - 1]
  return known === undefined ? '' : reasonWords[known]
}
