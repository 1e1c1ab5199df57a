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
  /** No order takes fewer tool changes. */
  changesProven: boolean
  /** None with as few changes is a shorter way. */
  exact: boolean
}

/** A set of things, 30 to a word. */
type Mask = readonly number[]
const wordBits = 30

const has = (mask: Mask, i: number) => (mask[(i / wordBits) | 0] >> (i % wordBits)) & 1

function including(mask: Mask, i: number): number[] {
  const wider = mask.slice()
  wider[(i / wordBits) | 0] |= 1 << (i % wordBits)
  return wider
}

function holds(mask: Mask, needed: Mask): boolean {
  for (let word = 0; word < needed.length; word++) if ((mask[word] & needed[word]) !== needed[word]) return false
  return true
}

interface Node {
  mask: Mask
  last: number
  tool: string
  changes: number
  walk: number
  from: Node | null
}

/**
 * The order with the fewest tool changes, and among those the shortest way. Whether a state can still be finished with
 * the fewest is known exactly: with a tool in hand everything it opens is done at once, so that only the sequence of tools is
 * searched. The way is found by dynamic programming over (what is done, where one stands, tool in hand), layer by layer;
 * layers wider than `width` keep their best, and the way is then no longer proven.
 * @param problem precedence without cycles
 */
export function orderCovers(problem: OrderProblem, width = 4000): CoverOrder {
  const { before, tools } = problem
  const n = before.length
  const none: Mask = Array<number>(Math.max(1, Math.ceil(n / wordBits))).fill(0)
  const needs = before.map((list) => list.reduce<Mask>(including, none))
  const within = finishesWithin(needs, tools)
  let fewest = new Set(tools.flat()).size
  while (!within(none, '', fewest)) fewest++
  let layer: Node[] = [{ mask: none, last: -1, tool: '', changes: 0, walk: 0, from: null }]
  let exact = true
  for (let step = 0; step < n; step++) {
    const next = new Map<string, Node>()
    for (const node of layer)
      for (let i = 0; i < n; i++) {
        if (has(node.mask, i) || !holds(node.mask, needs[i])) continue
        const mask = including(node.mask, i)
        const walk = node.walk + (node.last < 0 ? 0 : problem.walkCm(node.last, i))
        for (const { tool, taken } of handAfter(tools[i], node.tool)) {
          const changes = node.changes + taken
          if (changes > fewest || !within(mask, tool, fewest - changes)) continue
          const key = `${mask.join()}.${i}.${tool}`
          const known = next.get(key)
          if (!known || changes < known.changes || (changes === known.changes && walk < known.walk))
            next.set(key, { mask, last: i, tool, changes, walk, from: node })
        }
      }
    layer = [...next.values()]
    if (layer.length > width) {
      exact = false
      layer = layer.sort((a, b) => a.walk - b.walk).slice(0, width)
    }
  }
  const [first, ...rest] = layer
  const best = rest.reduce((a, b) => (b.walk < a.walk ? b : a), first)
  const order: number[] = []
  for (let node: Node | null = best; node?.from; node = node.from) order.unshift(node.last)
  return { order, toolChanges: best.changes, walkCm: best.walk, changesProven: true, exact }
}

/**
 * Whether what is left can be done with at most so many tool changes, exactly: depth-first over the sequence of tools, cut
 * where the tools still needed are more than the changes left (iterative deepening, Korf 1985). States that open the same
 * things are worked out once.
 */
function finishesWithin(
  needs: readonly Mask[],
  tools: readonly (readonly string[])[],
): (mask: Mask, tool: string, changes: number) => boolean {
  const n = needs.length
  /** By state: with so many changes it is sure to go, with so many sure not to. */
  const known = new Map<string, { goes: number; fails: number }>()
  /** Does all that the tool in hand opens, in place. @returns how much is done then */
  const open = (mask: number[], tool: string): number => {
    let done = 0
    for (let again = true; again;) {
      again = false
      done = 0
      for (let i = 0; i < n; i++) {
        if (has(mask, i)) {
          done++
          continue
        }
        const needed = tools[i]
        if (needed.length > 1 || (needed.length === 1 && needed[0] !== tool) || !holds(mask, needs[i])) continue
        mask[(i / wordBits) | 0] |= 1 << (i % wordBits)
        done++
        again = true
      }
    }
    return done
  }
  /** Every tool still needed must be taken up once, but for the one in hand. */
  const toolsLeft = (mask: Mask, tool: string): number => {
    const left = new Set<string>()
    for (let i = 0; i < n; i++) if (!has(mask, i)) for (const needed of tools[i]) left.add(needed)
    left.delete(tool)
    return left.size
  }
  const search = (from: Mask, tool: string, changes: number): boolean => {
    const mask = from.slice()
    if (open(mask, tool) === n) return true
    const key = `${mask.join()}.${tool}`
    const told = known.get(key) ?? { goes: Infinity, fails: -1 }
    if (changes >= told.goes) return true
    if (changes <= told.fails || toolsLeft(mask, tool) > changes) return false
    const tried = new Set<string>()
    for (let i = 0; i < n; i++) {
      if (has(mask, i) || !holds(mask, needs[i])) continue
      if (tools[i].length === 1) {
        if (tried.has(tools[i][0])) continue
        tried.add(tools[i][0])
      }
      for (const hand of handAfter(tools[i], tool)) {
        if (hand.taken > changes || !search(including(mask, i), hand.tool, changes - hand.taken)) continue
        known.set(key, { ...told, goes: changes })
        return true
      }
    }
    known.set(key, { ...told, fails: changes })
    return false
  }
  return search
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
