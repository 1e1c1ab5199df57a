import type { Body, Box, Cover, PointAt, WayFrom } from '../dossiers/index.ts'

/** From where a machine is seen: from above, from its left side, from its right one, from below, from its seats ahead. */
export const views = ['top', 'side', 'right', 'below', 'inside'] as const
export type View = (typeof views)[number]

/** Room around the machine in a view, m. */
export const viewRimM = 0.12

export interface Rect {
  x: number
  y: number
  width: number
  height: number
}

/** How a machine's own axes lie in a view, m on the paper from its upper left corner. */
export interface BodyView {
  width: number
  height: number
  /** From the front end rearwards; from inside: from the middle to the right. */
  along: (value: number) => number
  /** From above or below: from the middle to the right; else up from the ground. */
  across: (value: number) => number
  at: (point: PointAt) => [x: number, y: number]
  rect: (box: Box) => Rect
  /** What turns a drawing in the machine's own axes into this view, as an SVG transform. */
  transform: string
}

/**
 * A machine in a view. From above, from below and from the left its front is to the left, from the right to the right. From above its left
 * is at the bottom of the paper, as the left hand of somebody who looks to the left; from below at the top. From inside one looks ahead.
 */
export function bodyView(body: Body, view: View): BodyView {
  const flat = isFlat(view)
  const [low, high] = flat ? [-body.widthM / 2, body.widthM / 2] : [0, body.heightM]
  const inside = view === 'inside'
  const along = (value: number) =>
    (inside ? value + body.widthM / 2 : view === 'right' ? body.lengthM - value : value) + viewRimM
  const across = (value: number) => (view === 'below' ? value - low : high - value) + viewRimM
  return {
    width: (inside ? body.widthM : body.lengthM) + 2 * viewRimM,
    height: high - low + 2 * viewRimM,
    along,
    across,
    at: (point) => [along(inside ? point.y : point.x), across(flat ? point.y : point.z)],
    rect: (box) => {
      const [width, height] = [inside ? box.width : box.length, flat ? box.width : box.height]
      return {
        x: along(inside ? box.y : box.x) - width / 2,
        y: across(flat ? box.y : box.z) - height / 2,
        width,
        height,
      }
    },
    transform: `translate(${along(0)} ${across(0)}) scale(${view === 'right' ? -1 : 1} ${view === 'below' ? 1 : -1})`,
  }
}

/** Whether it shows how things lie across the machine, not how high. */
export function isFlat(view: View): boolean {
  return view === 'top' || view === 'below'
}

/** The sides a machine is drawn from: from inside only what has a cabin that one sits in. */
export function viewsOf({ form }: Pick<Body, 'form'>): readonly View[] {
  return form === 'car' || form === 'pickup' ? views : views.filter((view) => view !== 'inside')
}

/** From where a point of a machine is shown: into the bay of a car or pickup from above, all others from their left side. */
export function viewFor({ form }: Body): 'side' | 'top' {
  return form === 'car' || form === 'pickup' ? 'top' : 'side'
}

/** From where one sees what a hand reaches from there. */
export function viewFrom(body: Body, from: WayFrom): View {
  if (from === 'above') return 'top'
  if (from === 'below') return 'below'
  if (from === 'left') return 'side'
  if (from === 'right') return 'right'
  if (from === 'inside' && viewsOf(body).includes('inside')) return 'inside'
  return viewFor(body)
}

/** From where a cover is shown: from below where a hand comes from there, one that lies to a side from that side, else as things are reached. */
export function viewOfCover(body: Body, { box }: Pick<Cover, 'box'>, from: WayFrom | null): View {
  if (from === 'below') return 'below'
  if (from === 'inside') return viewFrom(body, from)
  const aside = box ? box.y / body.widthM : 0
  if (aside < -0.18) return 'side'
  if (aside > 0.18) return 'right'
  return viewFrom(body, from ?? 'above')
}

const names: Record<View, string> = {
  top: 'From above',
  side: 'From the left',
  right: 'From the right',
  below: 'From below',
  inside: 'From inside',
}

/** From where it is seen: "From above". */
export function viewName(view: View): string {
  return names[view]
}

/** The same with where the front is, where that is not plain. */
export function viewWords(view: View): string {
  if (view === 'side') return names.side
  if (view === 'inside') return `${names.inside}, looking ahead`
  return `${names[view]}, front to the ${view === 'right' ? 'right' : 'left'}`
}

/** The smallest place of a view that holds all of the points; null for none. */
export function aroundPoints(points: readonly PointAt[], { at }: Pick<BodyView, 'at'>): Rect | null {
  return aroundAll(
    points.map((point) => {
      const [x, y] = at(point)
      return { x, y, width: 0, height: 0 }
    }),
  )
}

/** The smallest place that holds all of them; null for none. */
export function aroundAll(rects: readonly Rect[]): Rect | null {
  if (rects.length === 0) return null
  const [x, y] = [Math.min(...rects.map((rect) => rect.x)), Math.min(...rects.map((rect) => rect.y))]
  return {
    x,
    y,
    width: Math.max(...rects.map((rect) => rect.x + rect.width)) - x,
    height: Math.max(...rects.map((rect) => rect.y + rect.height)) - y,
  }
}
