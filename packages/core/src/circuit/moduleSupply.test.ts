import { describe, expect, test } from 'vitest'
import { feedOptions, idleDrain, supplyLine, supplyOf, usablePct } from '../electrical/index.ts'
import { connectionPlan, plannedConnections, type Connection } from '../wiring/index.ts'
import type { PairLine } from '../dossiers/index.ts'
import { fittings, shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { benchSupply } from './benchSupply.ts'
import { buildCircuit } from './buildCircuit.ts'
import { moduleSupply } from './moduleSupply.ts'

/** Those with a way to the battery of their own. */
const wired = fittings.filter(({ kit }) => !['control unit', 'reference'].includes(supplyOf(kit).kind))
const known = new WeakMap<readonly Connection[], ReturnType<typeof moduleSupply>>()
/** A module's supply as it is joined: four circuits are built for it, once for all that is asked of one list of connections. */
function supplyWhere({ machine, kit }: (typeof fittings)[number], connections: readonly Connection[]) {
  const figures = known.get(connections) ?? moduleSupply(machine, [{ kit, connections }], kit)
  known.set(connections, figures)
  return figures
}
const pinsOf = (given: (typeof fittings)[number], connections: readonly Connection[], state = 'idling') => {
  const row = supplyWhere(given, connections).states.find((item) => item.state === state)
  if (!row) throw new Error(`no ${state}`)
  return row
}

const isAsked = ({ does, wants }: PairLine) => does === 'interrupt' && wants.role.endsWith('-temperature')

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
      expect(pinsOf(fitting, planned, state).lostV).toBeCloseTo(lost, 9)
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

  test('what goes in comes back: by the feeds to the module, by its grounds out of it; less with the key off than on', () => {
    for (const state of ['key off', 'key on', 'idling'] as const) {
      const circuit = buildCircuit(machine, [{ kit, connections: planned }], { state })
      const { feeds, coil } = supplyOf(kit)
      const into = [...feeds, ...(coil ? [coil] : [])].reduce((sum, end) => sum + circuit.amps({ kitEnd: end.id }), 0)
      const taken = circuit.amps({ module: kit.id })
      // What its inputs and outputs take and give is next to nothing.
      // A sensor that is a mere resistor is asked with a little current of the module's own.
      const asked = kit.ends.flatMap((end) => (end.type === 'inline-pair' ? end.lines : [])).filter(isAsked).length
      const slackA = 0.002 + asked * 0.0023
      if (feeds.length > 0) expect(Math.abs(into - taken), state).toBeLessThan(slackA)
      if (ground) expect(Math.abs(circuit.amps({ kitEnd: ground.id }) + taken), state).toBeLessThan(slackA)
      if (state === 'key off') expect(taken * 1000).toBeLessThanOrEqual(kit.module.idleMa * 1.01)
      else expect(taken).toBeGreaterThan(kit.module.supplyA * 0.9)
    }
  })

  test('standing, joined as planned, it draws what it draws asleep where its feed stays live, and nothing where it dies', () => {
    const { parked } = supplyWhere(fitting, planned)
    const staysLive = kind === 'battery ring' || kind === 'socket' ? kit.module.idleMa : 0
    expect(parked.kitsMa).toBeCloseTo(staysLive, 1)
    const lasts = idleDrain({
      capacityAh: machine.power?.batteryAh ?? 0,
      usablePct,
      moduleMa: parked.kitsMa,
      machineMa: machine.power?.idleMa,
    })
    expect(parked.days).toBe(lasts.ok ? lasts.value.days : NaN)
  })

  test('no planned feed has a fuse that is wrong, and none carries more than its fuse bears for good', () => {
    for (const { mostA, fuseA, fuse } of supplyWhere(fitting, planned).feeds) {
      expect(fuse?.ok ?? true).toBe(true)
      if (fuseA !== null) expect(mostA * 1.1).toBeLessThan(fuseA)
    }
  })

  test('without its ground it does not live', () => {
    if (!ground) return
    const without = planned.filter(({ kitEnd }) => kitEnd !== ground.id)
    expect(Math.abs(Number(pinsOf(fitting, without).supplyV))).toBeLessThan(1)
  })
})

describe.each(fittings.filter(({ kit }) => supplyOf(kit).kind === 'reference').map((fitting) => ({ ...fitting })))(
  'what a module gets from the 5 V of its pair, $name',
  (fitting) => {
    const planned = plannedConnections(fitting.machine, fitting.kit, connectionPlan(fitting))

    test('it lives with the key on, dies with it, and draws no more than the reference has to give', () => {
      for (const state of ['key on', 'cranking', 'idling']) {
        const { supplyV, lostV, moduleA } = pinsOf(fitting, planned, state)
        expect(Number(supplyV), state).toBeGreaterThan(4.5)
        expect(Number(supplyV), state).toBeLessThan(5.1)
        expect(lostV).toBeNull()
        expect(moduleA).toBeLessThan(0.02)
      }
      expect(Number(pinsOf(fitting, planned, 'key off').supplyV)).toBeLessThan(0.1)
      expect(supplyWhere(fitting, planned).parked.kitsMa).toBeCloseTo(0, 6)
    })

    test('half mated it hears nothing, and the pedal is dead', () => {
      const half = planned.filter(({ to }) => !('side' in to) || to.side !== 'factory')
      expect(Number(pinsOf(fitting, half, 'key on').supplyV)).toBeLessThan(1)
    })

    test('its feed is weighed against what the reference can spare', () => {
      const plan = connectionPlan(fitting)
      const [own] = feedOptions(fitting.machine, fitting.kit, plan)
      expect(own).toMatchObject({ kind: 'from the reference', own: true, verdict: 'advised' })
      const greedy = { ...fitting.kit, module: { ...fitting.kit.module, supplyA: 0.2 } }
      expect(feedOptions(fitting.machine, greedy, plan).find(({ own }) => own)?.verdict).toBe('refused')
    })
  },
)

test('a module in the place of the control unit has no pins of its own to measure at', () => {
  const standing = fittings.filter(({ kit }) => supplyOf(kit).kind === 'control unit')
  expect(standing.length).toBeGreaterThan(0)
  for (const { machine, kit } of standing)
    expect(moduleSupply(machine, [{ kit, connections: [] }], kit)).toMatchObject({ states: [] })
})

describe('as it is joined, not as it is meant', () => {
  const skua = shippedMachine('pellick-skua-960')
  const learner = shippedKit('quernby-learner')
  const dial = shippedKit('lowlamp-dial')
  const planned = plannedConnections(skua, learner, connectionPlan({ machine: skua, kit: learner }))
  const always = skua.studs.find(({ net }) =>
    skua.nets.some(({ id, signal }) => id === net && signal === 'supply-always'),
  )
  const coil = supplyOf(learner).coil?.id ?? ''

  test('a relay whose coil hangs on what is always live pulls while the machine stands: coil and module flatten it', () => {
    const live = skua.wires
      .flatMap((wire) => (wire.net === always?.net ? [wire.from, wire.to] : []))
      .find((place) => 'connector' in place)
    if (!live || !('connector' in live)) throw new Error('no plug on the live circuit')
    const wrong = planned.map((made) =>
      made.kitEnd === coil ? { ...made, to: { connector: live.connector, cavity: live.cavity } } : made,
    )
    const right = moduleSupply(skua, [{ kit: learner, connections: planned }], learner).parked
    const { parked } = moduleSupply(skua, [{ kit: learner, connections: wrong }], learner)
    // 12.65 V over 80 Ω, and what the module takes asleep.
    expect(parked.kitsMa).toBeGreaterThan(12.65 / 0.08 + learner.module.idleMa - 5)
    expect(parked.kitsMa).toBeLessThan(12.65 / 0.08 + learner.module.idleMa + 5)
    expect(Number(parked.days)).toBeLessThan(Number(right.days) / 20)
  })

  test('two kits on one machine: their draws add up, on the bench too', () => {
    const second = plannedConnections(skua, dial, connectionPlan({ machine: skua, kit: dial }))
    const both = [
      { kit: learner, connections: planned },
      { kit: dial, connections: second },
    ]
    const amps = (fitted: typeof both) => buildCircuit(skua, fitted, { state: 'idling' }).amps({ battery: 'all' })
    const alone = amps([])
    // Each pulls the battery’s cable down a little for the other.
    expect(amps(both) - alone).toBeCloseTo(amps(both.slice(0, 1)) - alone + amps(both.slice(1)) - alone, 1)
    const peakA = (kits: Parameters<typeof benchSupply>[1]) => benchSupply(skua, kits)?.peakA ?? NaN
    expect(peakA([learner, dial])).toBeCloseTo(12 + 3.1 + 3, 9)
    expect(benchSupply(skua, [learner, dial])?.sizeA).toBe(30)
    expect(peakA([])).toBe(12)
    expect(benchSupply({ ...skua, power: undefined }, [dial])).toBeNull()
  })

  test('a machine whose circuit draws more with the key on than its sheet says is fed for the circuit', () => {
    const power = skua.power && { ...skua.power, primePeakA: 1 }
    expect(benchSupply({ ...skua, power }, [])?.peakA).toBeCloseTo(
      buildCircuit(skua, [], { state: 'key on' }).amps({ battery: 'all' }),
      9,
    )
  })
})
