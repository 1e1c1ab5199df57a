import { describe, expect, test } from 'vitest'
import { supplyLine, supplyOf } from '../electrical/index.ts'
import { connectionPlan, plannedConnections, type Connection } from '../wiring/index.ts'
import { fittings } from '../wiring/shippedCase.ts'
import { moduleSupply } from './moduleSupply.ts'

const wired = fittings.filter(({ kit }) => supplyOf(kit).kind !== 'control unit')
const pinsOf = (given: (typeof fittings)[number], connections: readonly Connection[], state = 'idling') => {
  const { machine, kit } = given
  const row = moduleSupply(machine, [{ kit, connections }], kit).find((item) => item.state === state)
  if (!row) throw new Error(`no ${state}`)
  return row
}

describe.each(wired.map((fitting) => ({ ...fitting })))('what the module gets, $name', (fitting) => {
  const { machine, kit } = fitting
  const plan = connectionPlan(fitting)
  const planned = plannedConnections(machine, kit, plan)
  const { kind, feed, ground } = supplyOf(kit)
  const line = supplyLine(machine, kit, plan)

  test('it lives with the key on and the engine running, and what it loses on the way is within what is usual', () => {
    for (const state of ['key on', 'cranking', 'idling']) {
      const { supplyV, groundV, batteryV } = pinsOf(fitting, planned, state)
      const lost = Number(batteryV) - Number(supplyV) - Number(groundV)
      expect(lost, state).toBeGreaterThanOrEqual(-0.001)
      expect(lost, state).toBeLessThan(0.35)
      expect(Math.abs(Number(groundV)), state).toBeLessThan(0.1)
    }
  })

  test('what the line of its own wires says is lost, the circuit says too: the machine’s own wires come on top', () => {
    const { groundV, supplyV, batteryV } = pinsOf(fitting, planned, 'key on')
    const own = line.joints.find(({ what }) => what === 'ground')?.wire?.dropV
    if (ground && own !== undefined) {
      // The line reckons with the module’s rated current and a warm conductor; the circuit with what flows.
      expect(Number(groundV)).toBeGreaterThan(own * 0.3)
      expect(Number(groundV)).toBeLessThan(own + 0.03)
    }
    const module = line.joints.find(({ what }) => what === 'module')
    if (feed && module?.wire && kind === 'switched lead')
      expect(Number(batteryV) - Number(supplyV) - Number(groundV)).toBeGreaterThan(module.wire.dropV * 0.3)
  })

  test('without its ground it does not live', () => {
    if (!ground) return
    const without = planned.filter(({ kitEnd }) => kitEnd !== ground.id)
    expect(Math.abs(Number(pinsOf(fitting, without).supplyV))).toBeLessThan(1)
  })
})

test('a module in the place of the control unit has no pins of its own to measure at', () => {
  const standing = fittings.filter(({ kit }) => supplyOf(kit).kind === 'control unit')
  expect(standing.length).toBeGreaterThan(0)
  for (const { machine, kit } of standing) expect(moduleSupply(machine, [{ kit, connections: [] }], kit)).toEqual([])
})
