/** A label that is wanted: what it points at, and how much room its text takes. All in the units of the paper, y downwards. */
export interface LabelWanted {
  id: string
  at: { x: number; y: number }
  width: number
  height: number
}

/** Where a label stands, over or under the drawing, and its leader. */
export interface LabelPlaced {
  id: string
  /** Its upper left corner. */
  x: number
  y: number
  width: number
  height: number
  /** From what it points at to its edge. */
  leader: { from: { x: number; y: number }; to: { x: number; y: number } }
}

/** So many at most are placed at a time: every way to place them is tried. */
export const mostLabels = 4

/**
 * Places labels over and under a drawing, so that none overlaps another or the drawing and no leader crosses another, with the shortest
 * leaders. Exhaustive: which stand above, and in which order, is tried in every way.
 * @param wanted at most {@link mostLabels}; more are left out, the last first
 * @param area size of the drawing, its upper left corner at 0, 0; labels stand within its width, above 0 and below its height
 * @param gap between labels, and between a label and the drawing
 * @returns null where they cannot all be placed (too wide)
 */
export function placeLabels(
  wanted: readonly LabelWanted[],
  area: { width: number; height: number },
  gap: number,
): LabelPlaced[] | null {
  const labels = wanted.slice(0, mostLabels)
  let best: { placed: LabelPlaced[]; cost: number } | null = null
  for (let above = 0; above < 1 << labels.length; above++) {
    const over = labels.filter((_, i) => (above >> i) & 1)
    const under = labels.filter((_, i) => !((above >> i) & 1))
    const lower = orders(under).map((order) => band(order, area, gap, false))
    for (const up of orders(over).map((order) => band(order, area, gap, true)))
      for (const down of lower) {
        if (!up || !down) continue
        const all = [...up, ...down]
        const cost = all.reduce((sum, { leader }) => sum + lengthOf(leader), 0)
        if (best && cost >= best.cost) continue
        if (!all.some((one, i) => all.some((other, j) => j > i && cross(one.leader, other.leader))))
          best = { placed: all, cost }
      }
  }
  return best?.placed ?? null
}

/** One band of labels in this order, each as near to what it points at as the others let it; null where they do not fit. */
function band(
  labels: readonly LabelWanted[],
  area: { width: number; height: number },
  gap: number,
  above: boolean,
): LabelPlaced[] | null {
  const lefts = spread(
    labels.map(({ at, width }) => ({ wish: at.x - width / 2, width })),
    area.width,
    gap,
  )
  return (
    lefts &&
    labels.map(({ id, at, width, height }, i) => {
      const [x, y] = [lefts[i], above ? -gap - height : area.height + gap]
      const to = { x: Math.max(x, Math.min(x + width, at.x)), y: above ? y + height : y }
      return { id, x, y, width, height, leader: { from: at, to } }
    })
  )
}

/** Intervals side by side within a width, each as near to its wish as the others let it, by pooling those that push each other. */
function spread(items: readonly { wish: number; width: number }[], width: number, gap: number): number[] | null {
  const total = items.reduce((sum, item) => sum + item.width, 0) + gap * Math.max(0, items.length - 1)
  if (total > width) return null
  // Offsets of each from the first make the wishes those of one monotone row.
  const offsets = items.map((_, i) => items.slice(0, i).reduce((sum, item) => sum + item.width + gap, 0))
  const pools: { mean: number; count: number }[] = []
  for (const [i, item] of items.entries()) {
    pools.push({ mean: item.wish - offsets[i], count: 1 })
    while (pools.length > 1 && pools[pools.length - 2].mean > pools[pools.length - 1].mean) {
      const [a, b] = pools.splice(-2)
      const count = a.count + b.count
      pools.push({ mean: (a.mean * a.count + b.mean * b.count) / count, count })
    }
  }
  const means = pools.flatMap(({ mean, count }) => Array.from({ length: count }, () => mean))
  return means.map((mean, i) => Math.max(0, Math.min(width - total, mean)) + offsets[i])
}

function orders<T>(items: readonly T[]): T[][] {
  if (items.length < 2) return [[...items]]
  return items.flatMap((item, i) => orders(items.filter((_, j) => j !== i)).map((others) => [item, ...others]))
}

type Leader = LabelPlaced['leader']

const lengthOf = ({ from, to }: Leader) => Math.hypot(to.x - from.x, to.y - from.y)

/** Whether two leaders have a point in common. */
export function cross(a: Leader, b: Leader): boolean {
  const side = (p: Leader['from'], q: Leader['from'], r: Leader['from']) =>
    Math.sign((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x))
  const [s1, s2] = [side(a.from, a.to, b.from), side(a.from, a.to, b.to)]
  const [s3, s4] = [side(b.from, b.to, a.from), side(b.from, b.to, a.to)]
  if (s1 !== s2 && s3 !== s4) return true
  const within = (p: Leader['from'], q: Leader['from'], r: Leader['from']) =>
    Math.min(p.x, q.x) <= r.x && r.x <= Math.max(p.x, q.x) && Math.min(p.y, q.y) <= r.y && r.y <= Math.max(p.y, q.y)
  return (
    (s1 === 0 && within(a.from, a.to, b.from)) ||
    (s2 === 0 && within(a.from, a.to, b.to)) ||
    (s3 === 0 && within(b.from, b.to, a.from)) ||
    (s4 === 0 && within(b.from, b.to, a.to))
  )
}
