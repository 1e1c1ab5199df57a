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
  /** No order takes fewer tool changes than this. */
  leastChanges: number
  /** `toolChanges` is that least. */
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

/** Up to so many things the fewest changes are known exactly by dynamic programming over subsets. */
const subsetsUpTo = 20
/** Beyond that, so many states are looked at, and thrice as many for the way; then the best found is given with what is proven of it. */
const mostStates = 10_000

/**
 * The order with the fewest tool changes, and among those the shortest way. Whether a state can still be finished with
 * the fewest is known exactly up to 20 things (`changesBySubset`) and by a bounded search beyond (`changesBySearch`).
 * The way is found by dynamic programming over (what is done, where one stands, tool in hand), layer by layer; layers wider
 * than `width` keep their best, and the way is then no longer proven.
 * @param problem precedence without cycles
 */
export function orderCovers(problem: OrderProblem, width = 4000): CoverOrder {
  const { before, tools } = problem
  const n = before.length
  const none: Mask = Array<number>(Math.max(1, Math.ceil(n / wordBits))).fill(0)
  const needs = before.map((list) => list.reduce<Mask>(including, none))
  const known = (n <= subsetsUpTo && changesBySubset(needs, tools)) || changesBySearch(needs, tools)
  let layer: Node[] = [{ mask: none, last: -1, tool: '', changes: 0, walk: 0, from: null }]
  let exact = known.proven
  for (let step = 0; step < n; step++) {
    const next = new Map<string, Node>()
    for (const node of layer)
      for (let i = 0; i < n; i++) {
        if (has(node.mask, i) || !holds(node.mask, needs[i])) continue
        const mask = including(node.mask, i)
        const walk = node.walk + (node.last < 0 ? 0 : problem.walkCm(node.last, i))
        for (const { tool, taken } of handAfter(tools[i], node.tool)) {
          const changes = node.changes + taken
          if (known.proven && !known.within(mask, tool, known.least - changes)) continue
          const key = `${mask.join()}.${i}.${tool}`
          const other = next.get(key)
          if (!other || changes < other.changes || (changes === other.changes && walk < other.walk))
            next.set(key, { mask, last: i, tool, changes, walk, from: node })
        }
      }
    layer = [...next.values()]
    if (layer.length > width) {
      exact = false
      const rank = (node: Node) => {
        if (!known.proven) return node.changes + known.atLeast(node.mask, node.tool)
        return known.sure(node.mask, node.tool, known.least - node.changes) ? 0 : 1
      }
      layer = layer
        .map((node) => ({ node, rank: rank(node) }))
        .sort((a, b) => a.rank - b.rank || a.node.walk - b.node.walk)
        .slice(0, width)
        .map(({ node }) => node)
    }
  }
  const [first, ...rest] = layer
  const best = rest.reduce(
    (a, b) => (b.changes < a.changes || (b.changes === a.changes && b.walk < a.walk) ? b : a),
    first,
  )
  const order: number[] = []
  for (let node: Node | null = best; node?.from; node = node.from) order.unshift(node.last)
  const changesProven = best.changes === known.least
  return {
    order,
    toolChanges: best.changes,
    walkCm: best.walk,
    leastChanges: known.least,
    changesProven,
    exact: exact && changesProven,
  }
}

/** What is known of the tool changes that finishing takes. */
interface KnownChanges {
  /** From the start: no order takes fewer. */
  least: number
  /** Whether some order takes just that, so that `within` is exact. */
  proven: boolean
  /** Whether what is left can be done with at most so many; also where that is not known for sure. */
  within: (mask: Mask, tool: string, changes: number) => boolean
  /** Whether it is known for sure. From a state that is, one further thing leads to another that is. */
  sure: (mask: Mask, tool: string, changes: number) => boolean
  /** A number of changes that what is left takes at least. */
  atLeast: (mask: Mask, tool: string) => number
}

/**
 * Changes left for every set of things done, by dynamic programming from the full set down (Held and Karp 1962 over the tools
 * instead of places). For one set the cost with any tool in hand is its least or one more, since whatever the best tool saves is one
 * taking-up; so a set needs its least and the tools that reach it. O(2^n · n).
 * @returns null when more than 30 tools are used by several things
 */
function changesBySubset(needs: readonly Mask[], tools: readonly (readonly string[])[]): KnownChanges | null {
  const n = needs.length
  const counts = new Map<string, number>()
  for (const tool of tools.flat()) counts.set(tool, (counts.get(tool) ?? 0) + 1)
  const shared = [...counts].filter(([, count]) => count > 1).map(([tool]) => tool)
  if (shared.length > 30) return null
  const bitOf = new Map(shared.map((tool, i) => [tool, 1 << i]))
  const before = needs.map((mask) => mask[0])
  const sets = tools.map((list) => list.reduce((set, tool) => set | (bitOf.get(tool) ?? 0), 0))
  const full = 2 ** n - 1
  const least = new Uint16Array(full + 1)
  /** Tools in hand with which a set is finished at its least; all of them and any other when `anyHand`. */
  const hands = new Int32Array(full + 1)
  const anyHand = new Uint8Array(full + 1)
  anyHand[full] = 1
  const after = (mask: number, set: number) => least[mask] + (anyHand[mask] || (set & hands[mask]) !== 0 ? 0 : 1)
  for (let mask = full - 1; mask >= 0; mask--) {
    let best = 65_535
    let good = 0
    let any = 0
    const take = (cost: number, set: number, whoever: boolean) => {
      if (cost > best) return
      if (cost < best) {
        best = cost
        good = 0
        any = 0
      }
      if (whoever) any = 1
      else good |= set
    }
    for (let i = 0; i < n; i++) {
      if ((mask >> i) & 1 || (mask & before[i]) !== before[i]) continue
      const done = mask | (1 << i)
      const k = tools[i].length
      const set = sets[i]
      if (k === 0) {
        if (anyHand[done]) take(least[done], 0, true)
        else {
          take(least[done], hands[done], false)
          take(least[done] + 1, 0, true)
        }
        continue
      }
      take(k + after(done, set), 0, true)
      for (let rest = set; rest !== 0; rest &= rest - 1) {
        const tool = rest & -rest
        const left = k === 1 ? tool : set & ~tool
        take(k - 1 + after(done, left), tool, false)
      }
    }
    least[mask] = best
    hands[mask] = good
    anyHand[mask] = any
  }
  const cost = ([mask]: Mask, tool: string) =>
    least[mask] + (anyHand[mask] || (hands[mask] & (bitOf.get(tool) ?? 0)) !== 0 ? 0 : 1)
  return {
    least: cost([0], ''),
    proven: true,
    within: (mask, tool, changes) => cost(mask, tool) <= changes,
    sure: (mask, tool, changes) => cost(mask, tool) <= changes,
    atLeast: cost,
  }
}

/**
 * A thing with k tools takes up k of them, or k - 1 where the one in hand is among them; things that share no tool, directly
 * or by others between, cannot save that. So what is left takes at least the sum of k - 1, and one for each group linked by its tools,
 * less one where the tool in hand belongs to a group.
 */
function changesAtLeast(tools: readonly (readonly string[])[]): (mask: Mask, inHand: string) => number {
  const numbers = new Map([...new Set(tools.flat())].map((tool, i) => [tool, i]))
  const lists = tools.map((list) => list.map((tool) => numbers.get(tool) ?? 0))
  /** Union-find over the tools still needed; -1: not needed any more. */
  const linked = new Int32Array(numbers.size)
  const rootOf = (tool: number): number => {
    let root = tool
    while (linked[root] !== root) root = linked[root]
    return root
  }
  return (mask, inHand) => {
    linked.fill(-1)
    let sum = 0
    let groups = 0
    for (let i = 0; i < lists.length; i++) {
      const list = lists[i]
      if (list.length === 0 || has(mask, i)) continue
      sum += list.length - 1
      for (const tool of list)
        if (linked[tool] < 0) {
          linked[tool] = tool
          groups++
        }
      const root = rootOf(list[0])
      for (let k = 1; k < list.length; k++) {
        const other = rootOf(list[k])
        if (other === root) continue
        linked[other] = root
        groups--
      }
    }
    const held = numbers.get(inHand)
    return sum + groups - (held !== undefined && linked[held] >= 0 ? 1 : 0)
  }
}

/**
 * Whether what is left can be done with at most so many tool changes: depth-first over the sequence of tools, cut by
 * `changesAtLeast` (iterative deepening, Korf 1985). With a tool in hand everything it alone opens is done at once. States that
 * open the same things are worked out once. After `mostStates` states it is given up: what is proven by then is the bound.
 */
function changesBySearch(needs: readonly Mask[], tools: readonly (readonly string[])[]): KnownChanges {
  const n = needs.length
  /** By state: with so many changes it is sure to go, with so many sure not to. */
  const known = new Map<string, { goes: number; fails: number }>()
  const atLeast = changesAtLeast(tools)
  let states = 0
  let most = mostStates
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
  const search = (from: Mask, tool: string, changes: number): boolean => {
    const mask = from.slice()
    if (open(mask, tool) === n) return true
    const key = `${mask.join()}.${tool}`
    const told = known.get(key) ?? { goes: Infinity, fails: -1 }
    if (changes >= told.goes) return true
    if (changes <= told.fails || atLeast(mask, tool) > changes) return false
    if (++states > most) return false
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
    if (states <= most) known.set(key, { ...told, fails: changes })
    return false
  }
  const none: Mask = Array<number>(Math.max(1, Math.ceil(n / wordBits))).fill(0)
  let least = atLeast(none, '')
  while (!search(none, '', least) && states <= most) least++
  const proven = states <= most
  most = states + 3 * mostStates
  return {
    least,
    proven,
    sure: (from, tool, changes) => {
      const mask = from.slice()
      return open(mask, tool) === n || (known.get(`${mask.join()}.${tool}`)?.goes ?? Infinity) <= changes
    },
    // Once given up, what may go is kept: the order that comes out is judged by what it really takes.
    within: (mask, tool, changes) => atLeast(mask, tool) <= changes && (search(mask, tool, changes) || states > most),
    atLeast,
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
