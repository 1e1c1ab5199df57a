/** What is to be put in order, each thing by its number. */
export interface OrderProblem {
  /** For each thing, what must be done before it. */
  before: readonly (readonly number[])[]
  /** For each thing, the tools it takes. Empty: by hand, whatever is in the hand stays there. */
  tools: readonly (readonly string[])[]
  /** Way between two things, whole centimetres; symmetric. */
  walkCm: (from: number, to: number) => number
}

export interface CoverOrder {
  order: number[]
  /** How often a tool is taken in hand, the first one counted. */
  toolChanges: number
  walkCm: number
  /** No order takes fewer. */
  fewestChanges: number
  exact: boolean
}

interface Node {
  mask: bigint
  last: number
  tool: string
  changes: number
  walk: number
  from: Node | null
}

/**
 * The order with the fewest tool changes, and among those the shortest way: dynamic programming over (what is done, where
 * one stands, tool in hand), layer by layer; layers wider than `width` keep their best and the answer is no longer exact.
 * @param problem precedence without cycles
 */
export function orderCovers(problem: OrderProblem, width = 4000): CoverOrder {
  const { before, tools } = problem
  const n = before.length
  const needs = before.map((list) => list.reduce((mask, item) => mask | (1n << BigInt(item)), 0n))
  const bits = before.map((_, i) => 1n << BigInt(i))
  let layer: Node[] = [{ mask: 0n, last: -1, tool: '', changes: 0, walk: 0, from: null }]
  let exact = true
  for (let step = 0; step < n; step++) {
    const next = new Map<string, Node>()
    for (const node of layer)
      for (let i = 0; i < n; i++) {
        if (node.mask & bits[i] || (node.mask & needs[i]) !== needs[i]) continue
        const walk = node.walk + (node.last < 0 ? 0 : problem.walkCm(node.last, i))
        for (const { tool, taken } of handAfter(tools[i], node.tool)) {
          const mask = node.mask | bits[i]
          const key = `${mask.toString(36)}.${i}.${tool}`
          const changes = node.changes + taken
          const known = next.get(key)
          if (!known || changes < known.changes || (changes === known.changes && walk < known.walk))
            next.set(key, { mask, last: i, tool, changes, walk, from: node })
        }
      }
    layer = [...next.values()]
    if (layer.length > width) {
      exact = false
      layer = narrowed(layer, width, tools)
    }
  }
  const [first, ...rest] = layer
  const best = rest.reduce(
    (a, b) => (b.changes < a.changes || (b.changes === a.changes && b.walk < a.walk) ? b : a),
    first,
  )
  const order: number[] = []
  for (let node: Node | null = best; node?.from; node = node.from) order.unshift(node.last)
  return {
    order,
    toolChanges: best.changes,
    walkCm: best.walk,
    fewestChanges: exact ? best.changes : new Set(tools.flat()).size,
    exact,
  }
}

/** Tools that may be in the hand after a thing, and how many were taken up for it. */
export function handAfter(needed: readonly string[], inHand: string): { tool: string; taken: number }[] {
  if (needed.length === 0) return [{ tool: inHand, taken: 0 }]
  const held = needed.includes(inHand)
  if (needed.length === 1) return [{ tool: needed[0], taken: held ? 0 : 1 }]
  return needed
    .filter((tool) => !held || tool !== inHand)
    .map((tool) => ({ tool, taken: held ? needed.length - 1 : needed.length }))
}

/** How often a tool is taken in hand along an order, the first one counted. */
export function fewestChanges(tools: readonly (readonly string[])[]): number {
  let hands = new Map([['', 0]])
  for (const needed of tools) {
    const next = new Map<string, number>()
    for (const [inHand, changes] of hands)
      for (const { tool, taken } of handAfter(needed, inHand))
        next.set(tool, Math.min(next.get(tool) ?? Infinity, changes + taken))
    hands = next
  }
  return Math.min(...hands.values())
}

/** The most promising nodes: changes made and still sure to come, then the way. */
function narrowed(layer: Node[], width: number, tools: readonly (readonly string[])[]): Node[] {
  const promise = (node: Node) => {
    const open = new Set<string>()
    tools.forEach((list, i) => {
      if (!((node.mask >> BigInt(i)) & 1n)) for (const tool of list) open.add(tool)
    })
    open.delete(node.tool)
    return node.changes + open.size
  }
  return layer
    .map((node) => ({ node, promise: promise(node) }))
    .sort((a, b) => a.promise - b.promise || a.node.walk - b.node.walk)
    .slice(0, width)
    .map(({ node }) => node)
}
