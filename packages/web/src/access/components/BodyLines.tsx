import { bodyOutline, type DrawnPoint } from '@tidy-badger/core/access'
import type { Body } from '@tidy-badger/core/dossiers'

export type View = 'top' | 'side'
/** Room around the machine, m. */
export const rim = 0.12

/** How a machine's own axes lie in a view: x to the right, up or to the right of its middle upwards on the paper. */
export function bodyView(body: Body, view: View) {
  const [low, high] = view === 'top' ? [-body.widthM / 2, body.widthM / 2] : [0, body.heightM]
  return {
    width: body.lengthM + 2 * rim,
    height: high - low + 2 * rim,
    along: (x: number) => x + rim,
    across: (value: number) => (view === 'top' ? value - low + rim : high - value + rim),
  }
}

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
