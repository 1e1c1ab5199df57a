import { machineIndex, type Kit, type KitEndId, type Machine, type MeterState } from '../dossiers/index.ts'
import { judgeFeedFuse, parkedDays, supplyOf } from '../electrical/index.ts'
import { buildCircuit, type Circuit } from './buildCircuit.ts'
import type { FittedKit, ProbePlace } from './model.ts'

/** What stands at a module's own pins in one state, V; null: nothing leads there. */
export interface ModuleSupply {
  state: MeterState
  /** Over its own ground. */
  supplyV: number | null
  /** Its ground over battery negative. */
  groundV: number | null
  /** What the battery gives in that state. */
  batteryV: number | null
  /** Lost between battery and supply pin, the ground apart, V. */
  lostV: number | null
  /** What flows into it and what it feeds, A. */
  moduleA: number
}

/** A feed with what flows through it. */
export interface FeedLoad {
  kitEnd: KitEndId
  name: string
  /** Most of all states, everything it feeds on, A. */
  mostA: number
  /** The fuse in it, A; null: none. */
  fuseA: number | null
  /** Whether that fuse carries the load and protects the wire, and why; null without one. */
  fuse: { ok: boolean; why: string } | null
}

/** What a standing machine draws with its kits, by where they are joined. */
export interface ParkedDrain {
  /** The machine's own, by its dossier, mA; null: not known. */
  machineMa: number | null
  /** The kits', by the circuit with the key off, mA. */
  kitsMa: number
  /** Until half of the battery is used; null: not known, or never. */
  days: number | null
}

/** Everything that is asked of how a module is fed. */
export interface SupplyFigures {
  /** Nothing for a module that stands in the place of the control unit: it lives from that one's plug. */
  states: ModuleSupply[]
  feeds: FeedLoad[]
  parked: ParkedDrain
}

/** States in which a module has to live, or to sleep. */
export const supplyStates = ['key off', 'key on', 'cranking', 'idling'] as const satisfies readonly MeterState[]

/** Supply, ground, fuses and standing draw of a module as it is wired, with all loads on that each state brings. Builds four circuits. */
export function moduleSupply(machine: Machine, fitted: readonly FittedKit[], kit: Kit): SupplyFigures {
  const circuits = supplyStates.map((state) => buildCircuit(machine, fitted, { state }))
  const { kind, feeds } = supplyOf(kit)
  const connections = fitted.find((item) => item.kit.id === kit.id)?.connections ?? []
  return {
    states: kind === 'control unit' ? [] : circuits.map((circuit) => atPins(machine, kit, circuit)),
    feeds: feeds.map((end) => {
      const made = connections.find(({ kitEnd }) => kitEnd === end.id)
      const judged = judgeFeedFuse(machine, kit, end, made)
      return {
        kitEnd: end.id,
        name: end.name,
        mostA: Math.max(...circuits.map((circuit) => circuit.amps({ kitEnd: end.id, kit: kit.id }))),
        fuseA: judged?.fuseA ?? null,
        fuse: judged && { ok: judged.kind === 'right', why: judged.why },
      }
    }),
    parked: parkedDrain(machine, fitted, circuits[0]),
  }
}

function atPins(machine: Machine, kit: Kit, circuit: Circuit): ModuleSupply {
  const { nets } = machineIndex(machine)
  const post = machine.studs.find(({ net }) => nets.get(net)?.signal === 'supply-always')
  const metal: ProbePlace = { bare: 'metal' }
  const volts = (red: ProbePlace, black: ProbePlace) => {
    const shown = circuit.reading(red, black)
    return shown.kind === 'volts' ? shown.volts : null
  }
  const supplyV = volts({ module: kit.id, pin: 'supply' }, { module: kit.id, pin: 'ground' })
  const groundV = volts({ module: kit.id, pin: 'ground' }, metal)
  const batteryV = post ? volts({ stud: post.id }, metal) : null
  // What lives from a reference has not lost what the control unit keeps.
  const fromBattery = supplyOf(kit).kind !== 'reference'
  const lives = fromBattery && supplyV !== null && groundV !== null && batteryV !== null && supplyV > 1
  return {
    state: circuit.state,
    supplyV,
    groundV,
    batteryV,
    lostV: lives ? batteryV - supplyV - groundV : null,
    moduleA: circuit.amps({ module: kit.id }),
  }
}

function parkedDrain(machine: Machine, fitted: readonly FittedKit[], keyOff: Circuit): ParkedDrain {
  const kitsMa = fitted.reduce((sum, { kit }) => sum + Math.max(0, keyOff.amps({ module: kit.id })) * 1000, 0)
  return { machineMa: machine.power?.idleMa ?? null, kitsMa, days: parkedDays(machine, Math.min(100_000, kitsMa)) }
}
