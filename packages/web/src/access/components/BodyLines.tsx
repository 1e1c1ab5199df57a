import { bodyOutline, bodyView, viewRimM as rim, type DrawnPoint, type View } from '@tidy-badger/core/access'
import type { Body } from '@tidy-badger/core/dossiers'

/** The machine itself as lines. @param unit width of a hair on the screen, m */
export function BodyLines({ body, view, unit }: { body: Body; view: View; unit: number }) {
  const drawn = bodyOutline(body)[view]
  const { across } = bodyView(body, view)
  const path = (line: readonly DrawnPoint[]) =>
    line.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${(x + rim).toFixed(3)} ${across(y).toFixed(3)}`).join('')
  return (
    <g fill="none" stroke="var(--quiet)" strokeWidth={1.6 * unit} strokeLinejoin="round" strokeLinecap="round">
      {drawn.wheels.map((wheel, i) =>
        view === 'side' ? (
          <g key={i}>
            <circle cx={wheel.x + rim} cy={across(wheel.at)} r={wheel.radius} />
            <circle cx={wheel.x + rim} cy={across(wheel.at)} r={wheel.radius * 0.55} />
          </g>
        ) : (
          <rect
            key={i}
            x={wheel.x - wheel.radius + rim}
            y={across(wheel.at) - wheel.width / 2}
            width={wheel.radius * 2}
            height={wheel.width}
            rx={wheel.width / 4}
          />
        ),
      )}
      {drawn.lines.map((line, i) => (
        <path key={i} d={path(line)} />
      ))}
    </g>
  )
}
