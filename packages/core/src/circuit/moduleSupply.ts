import { machineIndex, type Kit, type Machine, type MeterState } from '../dossiers/index.ts'
import { supplyOf } from '../electrical/index.ts'
import { buildCircuit } from './buildCircuit.ts'
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
}

/** States in which a module has to live, or to sleep. */
export const supplyStates = ['key off', 'key on', 'cranking', 'idling'] as const satisfies readonly MeterState[]

/**
 * Supply and ground of a module as it is wired, with all loads on that the state brings. Builds a circuit for each state.
 * @returns nothing for a module that stands in the place of the control unit: it lives from that one's plug
 */
export function moduleSupply(machine: Machine, fitted: readonly FittedKit[], kit: Kit): ModuleSupply[] {
  if (supplyOf(kit).kind === 'control unit') return []
  const { nets } = machineIndex(machine)
  const post = machine.studs.find(({ net }) => nets.get(net)?.signal === 'supply-always')
  const metal: ProbePlace = { bare: 'metal' }
  return supplyStates.map((state) => {
    const circuit = buildCircuit(machine, fitted, { state })
    const volts = (red: ProbePlace, black: ProbePlace) => {
      const shown = circuit.reading(red, black)
      return shown.kind === 'volts' ? shown.volts : null
    }
    return {
      state,
      supplyV: volts({ module: kit.id, pin: 'supply' }, { module: kit.id, pin: 'ground' }),
      groundV: volts({ module: kit.id, pin: 'ground' }, metal),
      batteryV: post ? volts({ stud: post.id }, metal) : null,
    }
  })
}
