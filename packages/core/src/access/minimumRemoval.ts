/** Covers with their price and, for each target, the ways to it. Covers of a way are closed: what must come off first is in. */
export interface RemovalProblem {
  /** Seconds off and on again, a helper's counted too. */
  coverSeconds: readonly number[]
  targets: readonly (readonly RemovalWay[])[]
}

export interface RemovalWay {
  seconds: number
  covers: readonly number[]
}

export interface RemovalChoice {
  /** Covers that come off, rising. */
  covers: number[]
  /** For each target the way taken. */
  ways: number[]
}

export interface MinimumRemoval {
  seconds: number
  /** No answer can be below this. */
  provenSeconds: number
  /** All answers of this price that differ in their covers, at most `mostTies`. */
  choices: RemovalChoice[]
  exact: boolean
  nodes: number
}

export interface RemovalLimits {
  /** Asked every few nodes; true ends the search with what is known. */
  enough?: () => boolean
  mostTies?: number
}

/**
 * The cheapest set of covers that opens at least one way to every target: depth-first branch and bound. The bound is
 * Lagrangian: each cover's price is shared out among the targets that might use it, so every target can be decided alone;
 * shares are improved by projected subgradient steps (Held, Wolfe and Crowder 1974).
 * @param problem every target has at least one way
 */
export function minimumRemoval(problem: RemovalProblem, limits: RemovalLimits = {}): MinimumRemoval {
  const { coverSeconds } = problem
  const mostTies = limits.mostTies ?? 24
  const off = new Uint8Array(coverSeconds.length)
  const targets = problem.targets.map((ways) => withoutDominated(ways, coverSeconds))
  const way = new Int32Array(targets.length).fill(-1)
  const shares = new Shares(
    problem.coverSeconds,
    targets.map((ways) => ways.map((item) => item.way)),
  )
  let best = Infinity
  let choices = new Map<string, RemovalChoice>()
  let nodes = 0
  let stopped = false

  const rootBound = shares.bound(off, way, 0, 160, Infinity)
  descend(0, 0)
  return {
    seconds: best,
    provenSeconds: stopped ? Math.min(best, rootBound) : best,
    choices: [...choices.values()],
    exact: !stopped,
    nodes,
  }

  function extra(covers: readonly number[]): number {
    let sum = 0
    for (const cover of covers) if (!off[cover]) sum += coverSeconds[cover]
    return sum
  }

  function descend(spent: number, depth: number): void {
    nodes++
    if (nodes % 32 === 0 && best < Infinity && limits.enough?.()) stopped = true
    if (stopped) return
    const settled: number[] = []
    const opened: number[] = []
    const price = settle(spent, settled, opened)
    branch(price, depth)
    for (const target of settled) way[target] = -1
    for (const cover of opened) off[cover] = 0
  }

  /** Decides every target that has no real choice left; returns what is spent then. */
  function settle(spent: number, settled: number[], opened: number[]): number {
    let price = spent
    for (let again = true; again;) {
      again = false
      for (let t = 0; t < targets.length; t++) {
        if (way[t] >= 0) continue
        const only = soleWay(t)
        if (only < 0) continue
        way[t] = only
        settled.push(t)
        const { seconds, covers } = targets[t][only].way
        price += seconds
        for (const cover of covers)
          if (!off[cover]) {
            off[cover] = 1
            opened.push(cover)
            price += coverSeconds[cover]
            again = true
          }
      }
    }
    return price
  }

  /** A way that no other beats whatever else comes off, or -1. */
  function soleWay(t: number): number {
    const ways = targets[t]
    if (ways.length === 1) return 0
    for (let w = 0; w < ways.length; w++) {
      const mine = ways[w].way
      if (extra(mine.covers) > 0) continue
      if (ways.every((other, o) => o === w || other.way.seconds >= mine.seconds)) return w
    }
    return -1
  }

  function branch(price: number, depth: number): void {
    if (price > best || (price === best && choices.size >= mostTies)) return
    let open = -1
    let weight = -1
    for (let t = 0; t < targets.length; t++) {
      if (way[t] >= 0) continue
      const prices = targets[t].map((item) => item.way.seconds + extra(item.way.covers)).sort((a, b) => a - b)
      const heavy = prices[0] + 0.5 * (prices[1] - prices[0])
      if (heavy > weight) {
        weight = heavy
        open = t
      }
    }
    if (open < 0) return keep(price)
    const bound = shares.bound(off, way, price, depth < 6 ? 24 : 8, best)
    if (bound > best + 1e-6 || (bound > best - 1e-6 && choices.size >= mostTies)) return
    const order = targets[open]
      .map((item, w) => ({ w, price: item.way.seconds + extra(item.way.covers) }))
      .sort((a, b) => a.price - b.price)
    for (const { w } of order) {
      const taken = targets[open][w].way
      const opened: number[] = []
      let next = price + taken.seconds
      for (const cover of taken.covers)
        if (!off[cover]) {
          off[cover] = 1
          opened.push(cover)
          next += coverSeconds[cover]
        }
      way[open] = w
      descend(next, depth + 1)
      way[open] = -1
      for (const cover of opened) off[cover] = 0
      if (stopped) return
    }
  }

  function keep(price: number): void {
    if (price < best) {
      best = price
      choices = new Map()
    }
    const covers = [...off.keys()].filter((cover) => off[cover])
    const key = covers.join(',')
    if (!choices.has(key)) choices.set(key, { covers, ways: targets.map((ways, t) => ways[way[t]].index) })
  }
}

/** Ways that another way of the same target beats in any company are left out. */
function withoutDominated(
  ways: readonly RemovalWay[],
  coverSeconds: readonly number[],
): { way: RemovalWay; index: number }[] {
  const beats = (a: RemovalWay, b: RemovalWay) =>
    a.seconds <= b.seconds && a.covers.every((cover) => b.covers.includes(cover))
  return ways
    .map((way, index) => ({ way, index }))
    .filter(({ way, index }) =>
      ways.every((other, o) => o === index || !beats(other, way) || (beats(way, other) && index < o)),
    )
    .map((item) => ({
      ...item,
      way: { ...item.way, covers: item.way.covers.filter((cover) => cover < coverSeconds.length) },
    }))
}

/** How each cover's price is shared out among the targets that might need it. Any sharing gives a bound; steps improve it. */
class Shares {
  private readonly share: Float64Array[]
  /** For each target, its covers in the order of its shares. */
  private readonly local: Int32Array[]
  /** For each target and way, the places of its covers among them. */
  private readonly slots: Int32Array[][]
  /** For each target and way, whether it takes the cover at a place. */
  private readonly takes: Uint8Array[][]
  /** For each cover, the targets that might need it, and where it stands there. */
  private readonly userTargets: Int32Array[]
  private readonly userSlots: Int32Array[]
  private readonly used: Int32Array

  constructor(
    private readonly coverSeconds: readonly number[],
    private readonly targets: readonly (readonly RemovalWay[])[],
  ) {
    this.local = targets.map((ways) => Int32Array.from(new Set(ways.flatMap((way) => way.covers))))
    this.slots = targets.map((ways, t) =>
      ways.map((way) => Int32Array.from(way.covers, (cover) => this.local[t].indexOf(cover))),
    )
    this.takes = this.slots.map((ways, t) =>
      ways.map((slots) => Uint8Array.from(this.local[t], (_, slot) => Number(slots.includes(slot)))),
    )
    const users: { target: number; slot: number }[][] = coverSeconds.map(() => [])
    this.local.forEach((covers, target) => covers.forEach((cover, slot) => users[cover].push({ target, slot })))
    this.userTargets = users.map((list) => Int32Array.from(list, (user) => user.target))
    this.userSlots = users.map((list) => Int32Array.from(list, (user) => user.slot))
    this.share = this.local.map((covers) =>
      Float64Array.from(covers, (cover) => coverSeconds[cover] / users[cover].length),
    )
    this.used = new Int32Array(targets.length)
  }

  /** A lower bound of any answer below this node; stops early once it is above `cut`. */
  bound(off: Uint8Array, way: Int32Array, spent: number, steps: number, cut: number): number {
    let highest = -Infinity
    for (let step = 0; step <= steps; step++) {
      highest = Math.max(highest, spent + this.decideAlone(off, way))
      if (highest > cut || step === steps) break
      this.improve(off, way, 1.6 / (1 + step * 0.15))
    }
    return highest
  }

  /** Every open target takes its cheapest way by its own shares; the sum of their prices. */
  private decideAlone(off: Uint8Array, way: Int32Array): number {
    let sum = 0
    for (let t = 0; t < this.targets.length; t++) {
      if (way[t] >= 0) continue
      const [ways, slots, share, local] = [this.targets[t], this.slots[t], this.share[t], this.local[t]]
      let least = Infinity
      for (let w = 0; w < ways.length; w++) {
        let price = ways[w].seconds
        for (const slot of slots[w]) if (!off[local[slot]]) price += share[slot]
        if (price < least) {
          least = price
          this.used[t] = w
        }
      }
      sum += least
    }
    return sum
  }

  /** Moves each open cover's price towards the targets that chose it. */
  private improve(off: Uint8Array, way: Int32Array, pace: number): void {
    for (let cover = 0; cover < this.coverSeconds.length; cover++) {
      if (off[cover]) continue
      const targets = this.userTargets[cover]
      const slots = this.userSlots[cover]
      let open = 0
      let chosen = 0
      let held = 0
      for (let u = 0; u < targets.length; u++) {
        const t = targets[u]
        if (way[t] >= 0) {
          this.share[t][slots[u]] = 0
          continue
        }
        open++
        held += this.share[t][slots[u]]
        chosen += this.takes[t][this.used[t]][slots[u]]
      }
      if (open === 0) continue
      let freed = this.coverSeconds[cover] - held
      const all = chosen === 0 || chosen === open
      if (!all) {
        const cutEach = (pace * this.coverSeconds[cover]) / (4 * (open - chosen))
        for (let u = 0; u < targets.length; u++) {
          const t = targets[u]
          if (way[t] >= 0 || this.takes[t][this.used[t]][slots[u]]) continue
          const cut = Math.min(this.share[t][slots[u]], cutEach)
          this.share[t][slots[u]] -= cut
          freed += cut
        }
      }
      if (freed <= 1e-9) continue
      const each = freed / (all ? open : chosen)
      for (let u = 0; u < targets.length; u++) {
        const t = targets[u]
        if (way[t] < 0 && (all || this.takes[t][this.used[t]][slots[u]])) this.share[t][slots[u]] += each
      }
    }
  }
}
