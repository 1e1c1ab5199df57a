import type { Rect } from './bodyView.ts'

/** What of a picture is shown: so many times as large, from this corner, in the picture's own units. */
export interface Look {
  x: number
  y: number
  zoom: number
}

/** The size of a picture, in its own units. */
export interface Whole {
  width: number
  height: number
}

/** As near as one comes. */
export const mostZoom = 8

/** All of it. */
export const wholeLook: Look = { x: 0, y: 0, zoom: 1 }

/** What is shown, in the picture's units; of the picture's own shape, and never beyond its edge. */
export function shownBy({ x, y, zoom }: Look, { width, height }: Whole): Rect {
  return { x, y, width: width / zoom, height: height / zoom }
}

const within = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value))

/** Moved so that nothing beyond the edge is shown. */
function kept({ x, y, zoom }: Look, { width, height }: Whole): Look {
  return { x: within(x, 0, width - width / zoom), y: within(y, 0, height - height / zoom), zoom }
}

/** Nearer or farther, so that what is at a point stays there where the edge allows it. */
export function zoomed(look: Look, whole: Whole, factor: number, [px, py]: readonly [number, number]): Look {
  const zoom = within(look.zoom * factor, 1, mostZoom)
  const share = look.zoom / zoom
  return kept({ x: px - (px - look.x) * share, y: py - (py - look.y) * share, zoom }, whole)
}

/** Pushed along by so much, in the picture's units. */
export function pushed(look: Look, whole: Whole, [dx, dy]: readonly [number, number]): Look {
  return kept({ ...look, x: look.x + dx, y: look.y + dy }, whole)
}

/** How near one comes by itself to show a thing: it is seen with what lies around it. */
const mostByItself = 2.5

/**
 * A place of the picture in the middle, as near as it can be.
 * @param room how much is shown, times the place: the same again around it unless said
 */
export function lookAt(target: Rect, whole: Whole, room = 2): Look {
  const fits = Math.min(whole.width / (room * target.width), whole.height / (room * target.height), mostByItself)
  const zoom = Math.max(1, fits)
  return kept(
    {
      x: target.x + target.width / 2 - whole.width / zoom / 2,
      y: target.y + target.height / 2 - whole.height / zoom / 2,
      zoom,
    },
    whole,
  )
}
