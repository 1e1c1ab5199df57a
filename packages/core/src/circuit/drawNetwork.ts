import type { Network } from './solveNodal.ts'

/** A network under construction, its nodes known by name. A name met for the first time is a node. */
export interface Drawing {
  node: (name: string) => number
  has: (name: string) => boolean
  /** A resistor; an open one is none at all. */
  resistor: (a: string, b: string, ohms: number | null) => void
  /** A voltage of `plus` over `minus` behind its own resistance. */
  source: (plus: string, minus: string, volts: number, ohms: number) => void
  network: () => Network
  names: () => readonly string[]
}

/** Contacts are never perfect: less than this is not told apart. */
const leastOhms = 1e-4

export function newDrawing(): Drawing {
  const byName = new Map<string, number>()
  const conductances: { a: number; b: number; siemens: number }[] = []
  const currents: { node: number; amps: number }[] = []
  const node = (name: string) => {
    const known = byName.get(name)
    if (known !== undefined) return known
    byName.set(name, byName.size)
    return byName.size - 1
  }
  const resistor: Drawing['resistor'] = (a, b, ohms) => {
    const [from, to] = [node(a), node(b)]
    if (ohms !== null && from !== to) conductances.push({ a: from, b: to, siemens: 1 / Math.max(leastOhms, ohms) })
  }
  return {
    node,
    has: (name) => byName.has(name),
    resistor,
    source: (plus, minus, volts, ohms) => {
      resistor(plus, minus, ohms)
      const amps = volts / Math.max(leastOhms, ohms)
      currents.push({ node: node(plus), amps }, { node: node(minus), amps: -amps })
    },
    network: () => ({ nodes: byName.size, conductances, currents }),
    names: () => [...byName.keys()],
  }
}

/** Names of nodes: the loom's terminal of a cavity, the wire at it, the device's own pin, studs, splices. */
export const loomPin = pinNames('loom')
export const wireAtPin = pinNames('wire')
export const devicePin = pinNames('device')
export const studNode = (stud: string) => `stud ${stud}`
export const spliceNode = (splice: string) => `splice ${splice}`
export const leadNode = (kit: string, kitEnd: string) => `lead ${kit} ${kitEnd}`
export const moduleNode = (kit: string, what: string) => `module ${kit} ${what}`
/** Battery negative, against which everything is measured. */
export const ground = 'ground'

/** Names of pins, each made once: a name that is met again is found by what it is, not spelt anew. */
function pinNames(what: string): (connector: string, cavity: number) => string {
  const known = new Map<string, string[]>()
  return (connector, cavity) => {
    const names = known.get(connector) ?? []
    if (names.length === 0) known.set(connector, names)
    return (names[cavity] ??= `${what} ${connector} ${cavity}`)
  }
}
