import type { DrawnPartChange, DrawnPartId, Machine } from '../dossiers/index.ts'
import { partsOf } from '../drawing/index.ts'

/** A part of the drawing by its box in a view: where it lies along the machine, and up (from the left) or to the right (from above), m. */
export interface PartBox {
  id: DrawnPartId
  name: string
  low: [number, number]
  high: [number, number]
}

/** The drawn parts of a machine in a view, the largest first. */
export function partBoxes(machine: Machine, view: 'side' | 'top'): PartBox[] {
  const across = view === 'side' ? 'z' : 'y'
  return partsOf(machine)
    .flatMap(({ id, name, low, high }): PartBox[] => {
      const [from, to] = [low[across], high[across]]
      return from === undefined || to === undefined ? [] : [{ id, name, low: [low.x, from], high: [high.x, to] }]
    })
    .sort((a, b) => sizeOf(b) - sizeOf(a))
}

const sizeOf = ({ low, high }: PartBox) => (high[0] - low[0]) * (high[1] - low[1])

/** The part under a point of a view: the smallest whose box it is in, so that what sits on another is found; null beside all of them. */
export function partUnder(boxes: readonly PartBox[], [x, other]: readonly [number, number]): PartBox | null {
  return boxes.findLast(({ low, high }) => x >= low[0] && x <= high[0] && other >= low[1] && other <= high[1]) ?? null
}

/** How a part is put elsewhere: metres to the rear, to the right, up; times as large. */
export interface PartMove {
  dx?: number
  dy?: number
  dz?: number
  times?: number
}

const leastSize = 0.2
const mostSize = 5
const mostShiftM = 5
const round = (value: number) => Math.round(value * 1000) / 1000

/** The machine with a drawn part moved or made larger, on top of what was changed before; moved back, nothing is left of it. */
export function movedPart(machine: Machine, id: DrawnPartId, { dx = 0, dy = 0, dz = 0, times = 1 }: PartMove): Machine {
  if (!machine.body) return machine
  const { parts = [], ...body } = machine.body
  const before: DrawnPartChange = parts.find((part) => part.id === id) ?? { id }
  const moved = (now: number | undefined, by: number) =>
    round(Math.min(mostShiftM, Math.max(-mostShiftM, (now ?? 0) + by)))
  const size = round(Math.min(mostSize, Math.max(leastSize, (before.size ?? 1) * times)))
  const { dx: _x, dy: _y, dz: _z, size: _size, ...rest } = before
  const [x, y, z] = [moved(before.dx, dx), moved(before.dy, dy), moved(before.dz, dz)]
  const after: DrawnPartChange = {
    ...rest,
    ...(x === 0 ? {} : { dx: x }),
    ...(y === 0 ? {} : { dy: y }),
    ...(z === 0 ? {} : { dz: z }),
    ...(size === 1 ? {} : { size }),
  }
  const isBack = Object.keys(after).length === 1
  const at = parts.findIndex((part) => part.id === id)
  const left = isBack
    ? parts.filter((part) => part.id !== id)
    : at < 0
      ? [...parts, after]
      : parts.map((part, i) => (i === at ? after : part))
  return { ...machine, body: left.length > 0 ? { ...body, parts: left } : body }
}
