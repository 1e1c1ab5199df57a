import { describe, expect, test } from 'vitest'
import { seededRandom } from '../shared/index.ts'
import { denseVoltages } from './denseCase.ts'
import { solveNodal, type Network } from './solveNodal.ts'

/** Nodes joined like a loom: each to one before it, and some across. @param spread orders of magnitude between conductances */
function randomNetwork(seed: number, nodes: number, across: number, spread: number): Network {
  const random = seededRandom(seed)
  const pick = (count: number) => Math.floor(random.uniform() * count)
  const siemens = () => 10 ** random.between(-spread / 2, spread / 2)
  const conductances = Array.from({ length: nodes - 1 }, (_, i) => ({ a: i + 1, b: pick(i + 1), siemens: siemens() }))
  for (let i = 0; i < across; i++) {
    const [a, b] = [pick(nodes), pick(nodes)]
    if (a !== b) conductances.push({ a, b, siemens: siemens() })
  }
  const currents = Array.from({ length: 5 }, () => ({ node: pick(nodes), amps: random.between(-2, 2) }))
  return { nodes, conductances, currents }
}

describe('nodal analysis', () => {
  test('on 200 random networks agrees with the dense reference', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const network = randomNetwork(seed, 8 + (seed % 40), seed % 30, 4)
      const reference = seed % network.nodes
      const { volts, island } = solveNodal(network, reference)
      const dense = denseVoltages(network, reference)
      const largest = Math.max(1, ...dense.map(Math.abs))
      dense.forEach((value, node) => expect(Math.abs(volts[node] - value)).toBeLessThan(1e-6 * largest))
      expect(new Set(island).size).toBe(1)
    }
  })

  test('currents into every node add up to nothing, with micro-ohms beside megohms', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const network = randomNetwork(seed, 120, 60, 9)
      const { volts } = solveNodal(network, 0)
      const sum = new Float64Array(network.nodes)
      const flow = new Float64Array(network.nodes)
      for (const { a, b, siemens } of network.conductances) {
        const amps = (volts[a] - volts[b]) * siemens
        sum[a] -= amps
        sum[b] += amps
        flow[a] += Math.abs(amps)
        flow[b] += Math.abs(amps)
      }
      for (const { node, amps } of network.currents) sum[node] += amps
      for (let node = 1; node < network.nodes; node++)
        expect(Math.abs(sum[node])).toBeLessThan(1e-6 * Math.max(1, flow[node]))
    }
  })

  test('a divider, a bridge in balance and a source with its own resistance, by hand', () => {
    const divider: Network = {
      nodes: 3,
      conductances: [
        { a: 0, b: 1, siemens: 1 / 1000 },
        { a: 1, b: 2, siemens: 1 / 3000 },
        // 5 V behind 0.5 Ω, as the current it drives through that.
        { a: 2, b: 0, siemens: 2 },
      ],
      currents: [{ node: 2, amps: 10 }],
    }
    const { volts } = solveNodal(divider, 0)
    expect(volts[2]).toBeCloseTo(5 * (4000 / 4000.5), 9)
    expect(volts[1]).toBeCloseTo(volts[2] / 4, 12)
    const bridge: Network = {
      nodes: 4,
      conductances: [
        { a: 0, b: 1, siemens: 0.1 },
        { a: 0, b: 2, siemens: 0.2 },
        { a: 1, b: 3, siemens: 0.2 },
        { a: 2, b: 3, siemens: 0.4 },
        { a: 1, b: 2, siemens: 5 },
      ],
      currents: [{ node: 3, amps: 1 }],
    }
    const balanced = solveNodal(bridge, 0).volts
    expect(balanced[1]).toBeCloseTo(balanced[2], 12)
  })

  test('what nothing joins is an island of its own', () => {
    const { volts, island } = solveNodal(
      {
        nodes: 5,
        conductances: [
          { a: 0, b: 1, siemens: 1 },
          { a: 2, b: 3, siemens: 0.5 },
        ],
        currents: [{ node: 1, amps: 3 }],
      },
      0,
    )
    expect(volts[1]).toBe(3)
    expect(island[0]).toBe(island[1])
    expect(new Set([island[0], island[2], island[4]]).size).toBe(3)
    expect(island[2]).toBe(island[3])
  })

  test.each([0, -1, Infinity, Number.NaN])('a conductance of %s is refused', (siemens) => {
    expect(() => solveNodal({ nodes: 2, conductances: [{ a: 0, b: 1, siemens }], currents: [] }, 0)).toThrow(
      'conductance',
    )
  })
})
