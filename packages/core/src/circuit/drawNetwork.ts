import type { ConnectorId, KitEndId, StudId, SpliceId } from '../dossiers/index.ts'
import type { Network } from './solveNodal.ts'

/** A network under construction, its nodes known by name. A name met for the first time is a node. */
export interface Drawing {
  node: (name: string) => number
  has: (name: string) => boolean
  /** A resistor; an open one is none at all. What flows from `a` to `b` can be asked for by `label`. */
  resistor: (a: string, b: string, ohms: number | null, label?: string) => void
  /** A voltage of `plus` over `minus` behind its own resistance. What flows out of `plus` can be asked for by `label`. */
  source: (plus: string, minus: string, volts: number, ohms: number, label?: string) => void
  /** What is drawn under a label. */
  branches: (label: string) => readonly Branch[]
  network: () => Network
  /** Every node, in the order of its number. */
  names: () => Iterable<string>
  /** The same, to be drawn on in another way. */
  copy: () => Drawing
}

/** A way of current: `siemens` · (`volts` + what `from` stands over `to`). */
export interface Branch {
  from: string
  to: string
  siemens: number
  volts: number
}

/** Contacts are never perfect: less than this is not told apart. */
const leastOhms = 1e-4

/** What is on a drawing. */
interface Sheet {
  byName: Map<string, number>
  conductances: { a: number; b: number; siemens: number }[]
  currents: { node: number; amps: number }[]
  labelled: Map<string, readonly Branch[]>
}

/** A drawing with nothing on it. */
export function newDrawing(): Drawing {
  return drawingOn({ byName: new Map(), conductances: [], currents: [], labelled: new Map() })
}

function drawingOn({ byName, conductances, currents, labelled }: Sheet): Drawing {
  const node = (name: string) => {
    const known = byName.get(name)
    if (known !== undefined) return known
    byName.set(name, byName.size)
    return byName.size - 1
  }
  const mark = (label: string | undefined, branch: Branch) => {
    if (label !== undefined) labelled.set(label, [...(labelled.get(label) ?? []), branch])
  }
  const conduct = (a: string, b: string, siemens: number) => {
    const [from, to] = [node(a), node(b)]
    if (from !== to) conductances.push({ a: from, b: to, siemens })
  }
  const resistor: Drawing['resistor'] = (a, b, ohms, label) => {
    const siemens = ohms === null ? 0 : 1 / Math.max(leastOhms, ohms)
    node(a)
    node(b)
    if (siemens > 0) conduct(a, b, siemens)
    mark(label, { from: a, to: b, siemens, volts: 0 })
  }
  return {
    node,
    has: (name) => byName.has(name),
    resistor,
    source: (plus, minus, volts, ohms, label) => {
      const siemens = 1 / Math.max(leastOhms, ohms)
      conduct(plus, minus, siemens)
      const amps = volts * siemens
      currents.push({ node: node(plus), amps }, { node: node(minus), amps: -amps })
      mark(label, { from: minus, to: plus, siemens, volts })
    },
    branches: (label) => labelled.get(label) ?? [],
    network: () => ({ nodes: byName.size, conductances, currents }),
    names: () => byName.keys(),
    copy: () =>
      drawingOn({
        byName: new Map(byName),
        conductances: [...conductances],
        currents: [...currents],
        labelled: new Map(labelled),
      }),
  }
}

/** Names of nodes: the loom's terminal of a cavity, the wire at it, the device's own pin, studs, splices. */
export const loomPin = pinNames('loom')
export const wireAtPin = pinNames('wire')
export const devicePin = pinNames('device')
export const studNode = (stud: StudId) => `stud ${stud}`
export const spliceNode = (splice: SpliceId) => `splice ${splice}`
export const leadNode = (kit: string, kitEnd: KitEndId) => `lead ${kit} ${kitEnd}`
/** Labels of what flows: through a lead into its kit, into what a module drives and is, out of where a circuit begins. */
export const leadFlow = (kit: string, kitEnd: KitEndId) => `lead ${kit} ${kitEnd}`
export const moduleFlow = (kit: string) => `module ${kit}`
export const sourceFlow = 'source'
export const moduleNode = (kit: string, what: string) => `module ${kit} ${what}`
/** Battery negative, against which everything is measured. */
export const ground = 'ground'

/** Names of pins, each made once: a name that is met again is found by what it is, not spelt anew. */
function pinNames(what: string): (connector: ConnectorId, cavity: number) => string {
  const known = new Map<string, string[]>()
  return (connector, cavity) => {
    const names = known.get(connector) ?? []
    if (names.length === 0) known.set(connector, names)
    return (names[cavity] ??= `${what} ${connector} ${cavity}`)
  }
}
