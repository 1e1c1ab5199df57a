import { busEnds, type Machine, type KitEndId } from '../dossiers/index.ts'
import { drawControlUnits } from './controlUnits.ts'
import { drawDevices } from './deviceParts.ts'
import {
  devicePin,
  ground,
  leadFlow,
  leadNode,
  loomPin,
  moduleFlow,
  moduleNode,
  newDrawing,
  sourceFlow,
  spliceNode,
  studNode,
  type Drawing,
} from './drawNetwork.ts'
import { drawKits, parted } from './kitParts.ts'
import { drawLoom, type Drawn } from './machineParts.ts'
import type { CircuitOptions, CircuitReading, CurrentPlace, FittedKit, ProbePlace } from './model.ts'
import { eliminated, solveNodal, type Nodal, type Network } from './solveNodal.ts'

/** Machine, kits and what joins them as one circuit, in one state, solved. */
export interface Circuit {
  state: CircuitOptions['state']
  nodes: number
  /** What a meter shows between two probes. */
  reading: (red: ProbePlace, black: ProbePlace) => CircuitReading
  /** What flows, A; nothing flows where there is no such way. */
  amps: (through: CurrentPlace) => number
}

/** Control units wake, sensors speak, modules answer: so many passes until what one says has come through to all. */
const passes = 9
const settledVolts = 1e-4

/**
 * The circuit of a machine with the kits as they are joined.
 * @throws where a probe or a fault names something that is not there (`circuitProblems` says so first)
 */
export function buildCircuit(
  machine: Machine,
  fitted: readonly FittedKit[],
  { state, faults = [] }: CircuitOptions,
): Circuit {
  const told: Omit<Drawn, 'draw' | 'before'> = {
    machine,
    state,
    faults,
    references: new Map(),
    busEnds: busEnds(machine),
    ...parted(fitted),
  }
  const loom = newDrawing()
  loom.node(ground)
  drawLoom({ ...told, draw: loom, before: () => 0 })
  let solved = solve(newDrawing())
  for (let pass = 0; pass < passes; pass++) {
    // What does not hang on the pass before is drawn once.
    const draw = loom.copy()
    const { between } = solved
    const drawn: Drawn = { ...told, draw, before: (plus, minus) => between(plus, minus) ?? 0 }
    drawDevices(drawn)
    drawControlUnits(drawn)
    drawKits(drawn, fitted)
    for (const fault of faults)
      if (fault.kind === 'touch') draw.resistor(probeNode(fitted, fault.from), probeNode(fitted, fault.to), fault.ohms)
    // Drawn as before, it would be solved as before.
    if (drawnAlike(draw.network(), solved.network)) break
    const next = solve(draw)
    const settled = stands(next, solved)
    solved = next
    if (settled) break
  }
  const { draw, network } = solved
  const ohms = ohmmeter(network)
  return {
    state,
    nodes: network.nodes,
    reading: (red, black) => {
      const [a, b] = [probeNode(fitted, red), probeNode(fitted, black)]
      if (!draw.has(a) || !draw.has(b)) throw new Error(`circuit: "${draw.has(a) ? b : a}" is not in this circuit`)
      if (state === 'battery off') return ohms(draw.node(a), draw.node(b))
      const volts = solved.between(a, b)
      return volts === null ? floating : { kind: 'volts', volts, floating: false }
    },
    amps: (through) =>
      draw
        .branches(flowOf(fitted, through))
        .reduce(
          (sum, { from, to, siemens, volts }) => sum + siemens * (volts + (solved.between(from, to) ?? -volts)),
          0,
        ),
  }
}

/** Whether two networks are the same, resistor by resistor. */
function drawnAlike(now: Network, before: Network): boolean {
  return (
    now.nodes === before.nodes &&
    now.conductances.length === before.conductances.length &&
    now.currents.length === before.currents.length &&
    now.conductances.every((one, i) => {
      const other = before.conductances[i]
      return one === other || (one.a === other.a && one.b === other.b && one.siemens === other.siemens)
    }) &&
    now.currents.every((one, i) => one.node === before.currents[i].node && one.amps === before.currents[i].amps)
  )
}

/** Whether every node is where it was before. */
function stands(now: Solved, before: Solved): boolean {
  for (const name of now.draw.names())
    if (Math.abs((now.of(name) ?? 0) - (before.of(name) ?? 0)) >= settledVolts) return false
  return true
}

const floating: CircuitReading = { kind: 'floating', floating: true }

/** An ohmmeter lets a known current in and reads the volts. The net is made ready once for each place its black probe is put to. */
function ohmmeter(network: Network): (red: number, black: number) => CircuitReading {
  const ready = new Map<number, Nodal>()
  return (red, black) => {
    if (red === black) return { kind: 'ohms', ohms: 0, floating: false }
    const { island, volts } = ready.get(black) ?? eliminated(network, black)
    ready.set(black, { island, volts })
    if (island[red] !== island[black]) return floating
    return { kind: 'ohms', ohms: volts([{ node: red, amps: 1 }])[red], floating: false }
  }
}

interface Solved {
  draw: Drawing
  network: Network
  /** Against the reference of its island; null: no such node. */
  of: (name: string) => number | null
  /** Null where no way leads from one to the other. */
  between: (plus: string, minus: string) => number | null
}

function solve(draw: Drawing): Solved {
  const network = draw.network()
  const none = { volts: new Float64Array(), island: new Int32Array() }
  const { volts, island } = network.nodes === 0 ? none : solveNodal(network, draw.node(ground))
  const of = (name: string) => (draw.has(name) ? volts[draw.node(name)] : null)
  return {
    draw,
    network,
    of,
    between: (plus, minus) => {
      const [a, b] = [of(plus), of(minus)]
      return a === null || b === null || island[draw.node(plus)] !== island[draw.node(minus)] ? null : a - b
    },
  }
}

function probeNode(fitted: readonly FittedKit[], place: ProbePlace): string {
  if ('stud' in place) return studNode(place.stud)
  if ('bare' in place) return ground
  if ('splice' in place) return spliceNode(place.splice)
  if ('module' in place) return moduleNode(place.module, place.pin)
  if ('kitEnd' in place) return leadNode(kitOf(fitted, place), place.kitEnd)
  return place.half === 'device' ? devicePin(place.connector, place.cavity) : loomPin(place.connector, place.cavity)
}

function kitOf(fitted: readonly FittedKit[], { kit, kitEnd }: { kit?: string; kitEnd: KitEndId }): string {
  return kit ?? fitted.find((item) => item.kit.ends.some((end) => end.id === kitEnd))?.kit.id ?? ''
}

function flowOf(fitted: readonly FittedKit[], through: CurrentPlace): string {
  if ('kitEnd' in through) return leadFlow(kitOf(fitted, through), through.kitEnd)
  return 'module' in through ? moduleFlow(through.module) : sourceFlow
}
