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

/** A net made ready: its nodes eliminated, for whatever currents are let in. */
export interface Nodal {
  island: Int32Array
  /** Against the reference of its island, V. @throws where a node is not there */
  volts: (currents: Network['currents']) => Float64Array
}

/**
 * Makes a net ready to be asked for its voltages: nodal analysis, the least joined node eliminated first (minimum degree), its conductances
 * handed on to its neighbours (star to mesh). Only positive figures are ever added, so that no digits are lost however far micro-ohms and
 * megohms lie apart (after Grassmann, Taksar and Heyman 1985). Nodes that no conductance joins are islands of their own.
 * @param reference is at 0 V; an island without it takes its first node
 * @throws where a conductance is not above zero or a node is not there
 */
export function eliminated(network: Omit<Network, 'currents'>, reference: number): Nodal {
  const { nodes } = network
  const check = (node: number) => {
    if (!(node >= 0 && node < nodes)) throw new Error(`circuit: node ${node} is not in a network of ${nodes}`)
  }
  for (const { a, b, siemens } of network.conductances) {
    check(a)
    check(b)
    if (!(siemens > 0) || !Number.isFinite(siemens))
      throw new Error(`circuit: a conductance of ${siemens} S between nodes ${a} and ${b}`)
  }
  const island = islandsOf(network, reference)
  const order = eliminate(meshOf(network, references(island, reference)))
  return {
    island,
    volts: (currents) => {
      const into = new Float64Array(nodes)
      for (const { node, amps } of currents) {
        check(node)
        into[node] += amps
      }
      for (const { node, to, by, sum } of order)
        for (let i = 0; i < to.length; i++) into[to[i]] += (into[node] * by[i]) / sum
      const volts = new Float64Array(nodes)
      for (let i = order.length - 1; i >= 0; i--) {
        const { node, to, by, sum } = order[i]
        let total = into[node]
        for (let k = 0; k < to.length; k++) total += by[k] * volts[to[k]]
        volts[node] = total / sum
      }
      return volts
    },
  }
}

/** Voltages of all nodes. @throws as {@link eliminated} does */
export function solveNodal(network: Network, reference: number): NodeVoltages {
  const { island, volts } = eliminated(network, reference)
  return { volts: volts(network.currents), island }
}

/** Which nodes hang together, the reference's island first (union by halving the ways up). */
function islandsOf({ nodes, conductances }: Omit<Network, 'currents'>, reference: number): Int32Array {
  const up = Int32Array.from({ length: nodes }, (_, node) => node)
  const top = (start: number) => {
    let node = start
    while (up[node] !== node) {
      up[node] = up[up[node]]
      node = up[node]
    }
    return node
  }
  for (const { a, b } of conductances) up[top(a)] = top(b)
  const number = new Int32Array(nodes).fill(-1)
  number[top(reference)] = 0
  let count = 1
  const island = new Int32Array(nodes)
  for (let node = 0; node < nodes; node++) {
    const at = top(node)
    if (number[at] < 0) number[at] = count++
    island[node] = number[at]
  }
  return island
}

/** One node of each island that stays at 0 V. */
function references(island: Int32Array, reference: number): Uint8Array {
  const kept = new Uint8Array(island.length)
  const known = new Set([island[reference]])
  kept[reference] = 1
  island.forEach((number, node) => {
    if (known.has(number)) return
    known.add(number)
    kept[node] = 1
  })
  return kept
}

/** Neighbours of every node and the conductance to each, S; of those that stay at 0 V none are wanted. */
interface Mesh {
  kept: Uint8Array
  to: number[][]
  by: number[][]
}

function meshOf({ nodes, conductances }: Omit<Network, 'currents'>, kept: Uint8Array): Mesh {
  const mesh: Mesh = { kept, to: Array.from({ length: nodes }, () => []), by: Array.from({ length: nodes }, () => []) }
  for (const { a, b, siemens } of conductances) if (a !== b) join(mesh, a, b, siemens)
  return mesh
}

function join(mesh: Mesh, a: number, b: number, siemens: number): void {
  joinTo(mesh, a, b, siemens)
  joinTo(mesh, b, a, siemens)
}

function joinTo({ kept, to, by }: Mesh, from: number, node: number, siemens: number): void {
  if (kept[from]) return
  // Few neighbours each: looking through them is quicker than any index.
  const at = to[from].indexOf(node)
  if (at >= 0) by[from][at] += siemens
  else {
    to[from].push(node)
    by[from].push(siemens)
  }
}

interface Eliminated {
  node: number
  /** Neighbours, and the conductance to each, S. */
  to: number[]
  by: number[]
  sum: number
}

function eliminate(mesh: Mesh): Eliminated[] {
  const order: Eliminated[] = []
  const { kept, to: tos, by: bys } = mesh
  // Nodes by how many they are joined to; a node is looked up again when it comes up, since its degree changes.
  const buckets: number[][] = []
  const put = (node: number) => (buckets[tos[node].length] ??= []).push(node)
  const gone = new Uint8Array(tos.length)
  for (let node = 0; node < tos.length; node++) if (!kept[node]) put(node)
  for (let degree = 0; degree < buckets.length;) {
    const node = buckets[degree]?.pop()
    if (node === undefined) {
      degree++
      continue
    }
    // Put down under another degree since.
    if (gone[node] || tos[node].length !== degree) continue
    gone[node] = 1
    const [to, by] = [tos[node], bys[node]]
    let sum = 0
    for (const siemens of by) sum += siemens
    order.push({ node, to, by, sum })
    for (let i = 0; i < to.length; i++) {
      if (kept[to[i]]) continue
      const at = tos[to[i]].indexOf(node)
      tos[to[i]].splice(at, 1)
      bys[to[i]].splice(at, 1)
    }
    for (let i = 0; i < to.length; i++)
      for (let j = i + 1; j < to.length; j++) join(mesh, to[i], to[j], (by[i] * by[j]) / sum)
    for (const other of to) {
      if (kept[other]) continue
      put(other)
      degree = Math.min(degree, tos[other].length)
    }
  }
  return order
}
