import type { SeededRandom } from '../shared/index.ts'
import type { RemovalProblem } from './minimumRemoval.ts'
import { handAfter, type OrderProblem } from './orderCovers.ts'

/** Every way of reaching every target, tried one by one: the least price and all cover sets that have it. */
export function removalByTrying({ coverSeconds, targets }: RemovalProblem): { seconds: number; covers: Set<string> } {
  let best = Infinity
  let sets = new Set<string>()
  const taken: number[] = []
  const visit = (t: number) => {
    if (t < targets.length) {
      for (let w = 0; w < targets[t].length; w++) {
        taken[t] = w
        visit(t + 1)
      }
      return
    }
    const off = new Set(targets.flatMap((ways, i) => ways[taken[i]].covers))
    const price =
      [...off].reduce((sum, cover) => sum + coverSeconds[cover], 0) +
      targets.reduce((sum, ways, i) => sum + ways[taken[i]].seconds, 0)
    if (price < best) {
      best = price
      sets = new Set()
    }
    if (price === best) sets.add([...off].sort((a, b) => a - b).join(','))
  }
  visit(0)
  return { seconds: best, covers: sets }
}

/** Every order that keeps the precedence, with every order of tools within a thing: fewest changes, then shortest way. */
export function orderByTrying({ before, tools, walkCm }: OrderProblem): { toolChanges: number; walkCm: number } {
  const n = before.length
  let best = { toolChanges: Infinity, walkCm: Infinity }
  const visit = (done: number[], tool: string, changes: number, walk: number) => {
    if (done.length === n) {
      if (changes < best.toolChanges || (changes === best.toolChanges && walk < best.walkCm))
        best = { toolChanges: changes, walkCm: walk }
      return
    }
    for (let i = 0; i < n; i++) {
      if (done.includes(i) || before[i].some((other) => !done.includes(other))) continue
      const step = done.length === 0 ? 0 : walkCm(done[done.length - 1], i)
      for (const hand of handAfter(tools[i], tool)) visit([...done, i], hand.tool, changes + hand.taken, walk + step)
    }
  }
  visit([], '', 0, 0)
  return best
}

/** A machine of chance: covers that wait for earlier ones, targets with one to `mostWays` ways of up to three covers. */
export function randomRemoval(random: SeededRandom, covers: number, targets: number, mostWays: number): RemovalProblem {
  const coverSeconds = Array.from({ length: covers }, () => 30 * Math.floor(random.between(0, 20)))
  const before = coverSeconds.map((_, i) => (i > 0 && random.uniform() < 0.4 ? [Math.floor(random.uniform() * i)] : []))
  const closed = (start: readonly number[]) => {
    const all = new Set<number>()
    const visit = (cover: number) => {
      if (all.has(cover)) return
      all.add(cover)
      before[cover].forEach(visit)
    }
    start.forEach(visit)
    return [...all]
  }
  return {
    coverSeconds,
    targets: Array.from({ length: targets }, () =>
      Array.from({ length: 1 + Math.floor(random.uniform() * mostWays) }, () => ({
        seconds: 30 * Math.floor(random.between(0, 12)),
        covers: closed(
          Array.from({ length: Math.floor(random.uniform() * 4) }, () => Math.floor(random.uniform() * covers)),
        ),
      })),
    ),
  }
}

const tools = ['hex 4', 'hex 5', 'cross 2', 'trim lever']

/** An order problem of chance; things of several tools among them. */
export function randomOrder(random: SeededRandom, n: number): OrderProblem {
  const at = Array.from({ length: n }, () => random.between(0, 8))
  return {
    before: Array.from({ length: n }, (_, i) =>
      i > 0 && random.uniform() < 0.5 ? [Math.floor(random.uniform() * i)] : [],
    ),
    tools: Array.from({ length: n }, () => tools.filter(() => random.uniform() < 0.35)),
    walkCm: (a, b) => Math.round(Math.abs(at[a] - at[b]) * 100),
  }
}
