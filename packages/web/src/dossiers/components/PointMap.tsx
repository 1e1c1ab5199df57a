import { routePoints, withPointAt, type Body, type Machine, type PointAt } from '@tidy-badger/core/dossiers'
import { passagePoints } from '@tidy-badger/core/routing'
import { useRef, type KeyboardEvent } from 'react'
import { bodyView, type View } from '@tidy-badger/core/drawing'
import { MachinePicture } from '../../machine-view/index.ts'
import { changeMachine } from '../draftStore.ts'

const stepM = 0.01
const bigStepM = 0.1

/** The points of a machine in one view: picked, dragged or moved with the arrow keys; an empty place takes a new one. */
export function PointMap({
  machine,
  body,
  view,
  picked,
  joinFrom,
  picture,
  onPick,
  onEmpty,
}: {
  machine: Machine
  body: Body
  view: View
  picked: string | null
  joinFrom: string | null
  picture: string | null
  onPick: (id: string) => void
  onEmpty?: (at: PointAt) => void
}) {
  const frame = useRef<SVGSVGElement>(null)
  const drag = useRef<string | null>(null)
  const { width, height, along, across } = bodyView(body, view)
  const unit = width / 720
  const at = (point: PointAt): [number, number] => [along(point.x), across(view === 'top' ? point.y : point.z)]
  /** The point under the pointer, with what this view does not show taken from before. */
  const under = (event: { clientX: number; clientY: number }, before: PointAt): PointAt | null => {
    const matrix = frame.current?.getScreenCTM()
    if (!matrix) return null
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    const up = across(0) - y
    return view === 'top' ? { ...before, x: x - along(0), y: up } : { ...before, x: x - along(0), z: up }
  }
  const move = (id: string, to: PointAt) => changeMachine((now) => withPointAt(now, id, to))
  const keys = (event: KeyboardEvent, id: string, now: PointAt) => {
    const step = event.shiftKey ? bigStepM : stepM
    const shift: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    }
    const by = shift[event.key]
    if (by) {
      event.preventDefault()
      move(
        id,
        view === 'top'
          ? { ...now, x: now.x + by[0], y: now.y + by[1] }
          : { ...now, x: now.x + by[0], z: now.z + by[1] },
      )
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      onPick(id)
    }
  }
  return (
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions, jsx-a11y/click-events-have-key-events -- a point is set by fields too
    <svg
      ref={frame}
      viewBox={`0 0 ${width} ${height}`}
      className="max-h-[460px] w-full touch-none rounded-lg bg-paper"
      role="group"
      aria-label={`Points of the ${machine.model}, ${view === 'top' ? 'from above' : 'from the left'}`}
      onClick={(event) => {
        if (!onEmpty || event.target !== frame.current) return
        const place = under(event, { x: 0, y: 0, z: body.heightM / 2 })
        if (place) onEmpty(place)
      }}
      onPointerMove={(event) => {
        const id = drag.current
        const before = routePoints(machine).find((item) => item.id === id)?.at
        const place = id && before ? under(event, before) : null
        if (id && place) move(id, place)
      }}
      onPointerUp={() => (drag.current = null)}
    >
      {picture && (
        <image
          href={picture}
          x={along(0)}
          y={across(view === 'top' ? body.widthM / 2 : body.heightM)}
          width={body.lengthM}
          height={view === 'top' ? body.widthM : body.heightM}
          preserveAspectRatio="none"
          opacity={0.7}
          pointerEvents="none"
        />
      )}
      <g pointerEvents="none" opacity={picture ? 0.35 : 0.7}>
        <MachinePicture machine={machine} view={view} unit={unit} />
      </g>
      <g pointerEvents="none">
        {(machine.passages ?? []).map((passage) => {
          const line = passagePoints(machine, passage.id).map(at)
          if (line.length < 2) return null
          return (
            <path
              key={passage.id}
              d={line.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('')}
              fill="none"
              stroke={picked === passage.from || picked === passage.to ? 'var(--lamp)' : 'var(--ink)'}
              strokeWidth={2.4 * unit}
              strokeDasharray={
                passage.hazards.some((hazard) => hazard.kind === 'barred') ? `${3 * unit} ${5 * unit}` : undefined
              }
            />
          )
        })}
      </g>
      {routePoints(machine).map((point) => {
        const place = point.at
        if (!place) return null
        const [x, y] = at(place)
        const on = point.id === picked
        return (
          <g
            key={point.id}
            role="button"
            tabIndex={0}
            aria-label={`${point.name}, ${Math.round(place.x * 1000)} mm from the front`}
            aria-pressed={on}
            style={{ cursor: 'grab' }}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId)
              drag.current = point.id
              onPick(point.id)
            }}
            onKeyDown={(event) => keys(event, point.id, place)}
          >
            <circle cx={x} cy={y} r={16 * unit} fill="transparent" stroke="transparent" strokeWidth={3 * unit} />
            {point.spot ? (
              <circle
                cx={x}
                cy={y}
                r={(on ? 8 : 5.5) * unit}
                fill={on ? 'var(--lamp)' : 'var(--ink)'}
                stroke="var(--paper)"
                strokeWidth={1.5 * unit}
              />
            ) : (
              <rect
                x={x - (on ? 9 : 7) * unit}
                y={y - (on ? 9 : 7) * unit}
                width={(on ? 18 : 14) * unit}
                height={(on ? 18 : 14) * unit}
                rx={3 * unit}
                fill={on ? 'var(--lamp)' : 'var(--paper)'}
                stroke="var(--ink)"
                strokeWidth={2 * unit}
              />
            )}
            {(on || joinFrom === point.id) && (
              <text x={x} y={y - 14 * unit} fontSize={14 * unit} fontWeight={700} textAnchor="middle" fill="var(--ink)">
                {point.name}
              </text>
            )}
          </g>
        )
      })}
    </svg>
  )
}
