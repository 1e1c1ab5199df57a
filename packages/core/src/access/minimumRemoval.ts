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

  const rootBound = shares.bound(off, way, 0, 120, Infinity)
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
    if (nodes % 64 === 0 && best < Infinity && limits.enough?.()) stopped = true
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
  private readonly slots: number[][][]
  private readonly usersOf: { target: number; slot: number }[][]

  constructor(
    private readonly coverSeconds: readonly number[],
    private readonly targets: readonly (readonly RemovalWay[])[],
  ) {
    this.local = targets.map((ways) => Int32Array.from(new Set(ways.flatMap((way) => way.covers))))
    this.slots = targets.map((ways, t) => ways.map((way) => way.covers.map((cover) => this.local[t].indexOf(cover))))
    this.usersOf = coverSeconds.map(() => [])
    this.local.forEach((covers, target) => covers.forEach((cover, slot) => this.usersOf[cover].push({ target, slot })))
    this.share = this.local.map((covers) =>
      Float64Array.from(covers, (cover) => coverSeconds[cover] / this.usersOf[cover].length),
    )
  }

  /** A lower bound of any answer below this node; stops early once it is above `cut`. */
  bound(off: Uint8Array, way: Int32Array, spent: number, steps: number, cut: number): number {
    let highest = -Infinity
    for (let step = 0; step <= steps; step++) {
      const { sum, used } = this.decideAlone(off, way)
      highest = Math.max(highest, spent + sum)
      if (highest > cut || step === steps) break
      this.improve(off, way, used, 1.6 / (1 + step * 0.15))
    }
    return highest
  }

  private decideAlone(off: Uint8Array, way: Int32Array): { sum: number; used: Int32Array } {
    const used = new Int32Array(this.targets.length).fill(-1)
    let sum = 0
    for (let t = 0; t < this.targets.length; t++) {
      if (way[t] >= 0) continue
      let least = Infinity
      for (let w = 0; w < this.targets[t].length; w++) {
        let price = this.targets[t][w].seconds
        for (const slot of this.slots[t][w]) if (!off[this.local[t][slot]]) price += this.share[t][slot]
        if (price < least) {
          least = price
          used[t] = w
        }
      }
      sum += least
    }
    return { sum, used }
  }

  /** Moves each open cover's price towards the targets that chose it. */
  private improve(off: Uint8Array, way: Int32Array, used: Int32Array, pace: number): void {
    for (let cover = 0; cover < this.coverSeconds.length; cover++) {
      if (off[cover]) continue
      const users = this.usersOf[cover].filter(({ target }) => way[target] < 0)
      if (users.length === 0) continue
      const chosen = users.filter(({ target, slot }) => this.slots[target][used[target]].includes(slot))
      if (chosen.length === 0 || chosen.length === users.length) {
        const held = users.reduce((sum, { target, slot }) => sum + this.share[target][slot], 0)
        const spare = this.coverSeconds[cover] - held
        if (spare > 1e-9) for (const { target, slot } of users) this.share[target][slot] += spare / users.length
        continue
      }
      const others = users.length - chosen.length
      let freed = this.coverSeconds[cover] - this.usersOf[cover].reduce((s, u) => s + this.share[u.target][u.slot], 0)
      for (const user of this.usersOf[cover])
        if (way[user.target] >= 0) {
          freed += this.share[user.target][user.slot]
          this.share[user.target][user.slot] = 0
        }
      const cutEach = (pace * this.coverSeconds[cover]) / (4 * others)
      for (const { target, slot } of users)
        if (!chosen.some((item) => item.target === target)) {
          const cut = Math.min(this.share[target][slot], cutEach)
          this.share[target][slot] -= cut
          freed += cut
        }
      for (const { target, slot } of chosen) this.share[target][slot] += freed / chosen.length
    }
  }
}
