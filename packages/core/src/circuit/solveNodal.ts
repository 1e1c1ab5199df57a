/** A net of resistors with currents let in. Nodes are numbered from 0. */
export interface Network {
  nodes: number
  /** Between two nodes, siemens; above zero. */
  conductances: readonly { a: number; b: number; siemens: number }[]
  /** Into a node from the reference of its island, A. */
  currents: readonly { node: number; amps: number }[]
}

export interface NodeVoltages {
  /** Against the reference of its island, V. */
  volts: Float64Array
  /** Which island a node belongs to; nodes of two islands have no voltage between them. */
  island: Int32Array
}

/**
 * Voltages of all nodes: nodal analysis, the least joined node eliminated first (minimum degree), its conductances handed on to its
 * neighbours (star to mesh). Only positive figures are ever added, so that no digits are lost however far micro-ohms and megohms lie
 * apart (after Grassmann, Taksar and Heyman 1985). Nodes that no conductance joins are islands of their own.
 * @param reference is at 0 V; an island without it takes its first node
 * @throws where a conductance is not above zero or a node is not there
 */
export function solveNodal(network: Network, reference: number): NodeVoltages {
  const { nodes } = network
  const joined: Map<number, number>[] = Array.from({ length: nodes }, () => new Map())
  const check = (node: number) => {
    if (!(node >= 0 && node < nodes)) throw new Error(`circuit: node ${node} is not in a network of ${nodes}`)
  }
  for (const { a, b, siemens } of network.conductances) {
    check(a)
    check(b)
    if (!(siemens > 0) || !Number.isFinite(siemens))
      throw new Error(`circuit: a conductance of ${siemens} S between nodes ${a} and ${b}`)
    if (a === b) continue
    joined[a].set(b, (joined[a].get(b) ?? 0) + siemens)
    joined[b].set(a, (joined[b].get(a) ?? 0) + siemens)
  }
  const into = new Float64Array(nodes)
  for (const { node, amps } of network.currents) {
    check(node)
    into[node] += amps
  }
  const island = islandsOf(joined, reference)
  const volts = new Float64Array(nodes)
  const order = eliminate(joined, into, references(island, reference))
  for (const { node, to, by, sum, amps } of order.reverse()) {
    let total = amps
    for (let i = 0; i < to.length; i++) total += by[i] * volts[to[i]]
    volts[node] = total / sum
  }
  return { volts, island }
}

function islandsOf(joined: readonly Map<number, number>[], reference: number): Int32Array {
  const island = new Int32Array(joined.length).fill(-1)
  let count = 0
  const flood = (start: number) => {
    const open = [start]
    island[start] = count
    for (let node = open.pop(); node !== undefined; node = open.pop())
      for (const other of joined[node].keys())
        if (island[other] < 0) {
          island[other] = count
          open.push(other)
        }
    count++
  }
  flood(reference)
  for (let node = 0; node < joined.length; node++) if (island[node] < 0) flood(node)
  return island
}

/** One node of each island that stays at 0 V. */
function references(island: Int32Array, reference: number): Set<number> {
  const kept = new Map<number, number>([[island[reference], reference]])
  island.forEach((number, node) => {
    if (!kept.has(number)) kept.set(number, node)
  })
  return new Set(kept.values())
}

interface Eliminated {
  node: number
  /** Neighbours, and the conductance to each, S. */
  to: number[]
  by: number[]
  sum: number
  amps: number
}

function eliminate(joined: Map<number, number>[], into: Float64Array, kept: ReadonlySet<number>): Eliminated[] {
  const order: Eliminated[] = []
  // Nodes by how many they are joined to; a node is looked up again when it comes up, since its degree changes.
  const buckets: number[][] = []
  const put = (node: number) => (buckets[joined[node].size] ??= []).push(node)
  const gone = new Uint8Array(joined.length)
  joined.forEach((_, node) => {
    if (!kept.has(node)) put(node)
  })
  for (let degree = 0; degree < buckets.length;) {
    const node = buckets[degree]?.pop()
    if (node === undefined) {
      degree++
      continue
    }
    // Put down under another degree since.
    if (gone[node] || joined[node].size !== degree) continue
    gone[node] = 1
    const to = [...joined[node].keys()]
    const by = [...joined[node].values()]
    let sum = 0
    for (const siemens of by) sum += siemens
    order.push({ node, to, by, sum, amps: into[node] })
    for (let i = 0; i < to.length; i++) {
      joined[to[i]].delete(node)
      into[to[i]] += (into[node] * by[i]) / sum
    }
    for (let i = 0; i < to.length; i++)
      for (let j = i + 1; j < to.length; j++) {
        const siemens = (by[i] * by[j]) / sum
        const [ofA, ofB] = [joined[to[i]], joined[to[j]]]
        ofA.set(to[j], (ofA.get(to[j]) ?? 0) + siemens)
        ofB.set(to[i], (ofB.get(to[i]) ?? 0) + siemens)
      }
    for (const a of to) {
      if (kept.has(a)) continue
      put(a)
      degree = Math.min(degree, joined[a].size)
    }
  }
  return order
}
