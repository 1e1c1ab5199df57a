import { describe, expect, test } from 'vitest'
import { asWritten } from '../shared/index.ts'
import { shippedKit, shippedKits, shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import {
  isDiesel,
  parseKit,
  parseMachine,
  sheetContradictions,
  stoichOf,
  type Kit,
  type KitLamp,
  type KitLevel,
  type Machine,
} from './index.ts'

/** Codes of what a document with one thing changed is refused for. */
function refused(parse: typeof parseMachine | typeof parseKit, document: unknown): string[] {
  const parsed = parse(document)
  return parsed.ok ? [] : parsed.problems.map(({ code }) => code)
}

const lamp = (state: KitLamp['state'], rhythmMs: number[]): KitLamp =>
  asWritten<KitLamp>({ id: 'l', colour: 'green', state, rhythmMs, means: 'all is well', next: 'ride' })
const level = (at: number, railMPa?: number): KitLevel => ({
  ...{ level: at, name: `Level ${at}`, gate: { coolantC: 65, rpm: 1400, load: 0.3 } },
  ...(railMPa === undefined ? {} : { railMPa }),
})

describe('a machine that contradicts itself', () => {
  const quad = () => structuredClone(shippedMachine('pellick-gorse-430'))
  const withQuad = (change: (machine: Machine) => void) => {
    const machine = { ...quad(), variants: [] }
    change(machine)
    return refused(parseMachine, machine)
  }

  test('as it ships: in nothing', () => {
    for (const machine of shippedMachines) expect(refused(parseMachine, machine)).toEqual([])
  })

  test.each<[string, (machine: Machine) => void, string]>([
    [
      'a wire of another circuit on a stud',
      (machine) => {
        const wire = machine.wires.find(({ from, to }) => 'stud' in from || 'stud' in to)
        const other = machine.nets.find(({ id }) => id !== wire?.net)
        if (wire && other) wire.net = other.id
      },
      'circuits-joined',
    ],
    [
      'one splice of two circuits',
      (machine) => {
        const wire = machine.wires.find(({ to }) => 'splice' in to)
        const other = machine.nets.find(({ id }) => id !== wire?.net)
        if (wire && other) wire.net = other.id
      },
      'circuits-joined',
    ],
    ['cylinder nine on a single', (machine) => (machine.nets[0].cylinder = 9), 'cylinder'],
    ['an idle above its limiter', (machine) => (machine.engine.idleRpm = machine.engine.limiterRpm + 1), 'rpm'],
    ['an idle at its limiter', (machine) => (machine.engine.idleRpm = machine.engine.limiterRpm), 'rpm'],
    ['petrol without a ratio', (machine) => delete machine.engine.stoichAfr, 'missing'],
    [
      'steps that wait for each other',
      (machine) => {
        const [a, b] = machine.steps
        a.after = [b.id]
        b.after = [a.id]
      },
      'impossible-order',
    ],
    [
      'two hundred variants',
      (machine) =>
        (machine.variants = Array.from({ length: 200 }, (_, i) =>
          asWritten<Machine['variants'][number]>({
            ...{ id: `v${i}`, name: 'v', tells: 'v', remove: [] },
            ...{ connectors: [], nets: [], wires: [], studs: [], zones: [], steps: [] },
          }),
        )),
      'too-many-variants',
    ],
  ])('%s', (_, change, code) => {
    expect(withQuad((machine) => void change(machine))).toContain(code)
  })

  test('one that was accepted before the rule is read on', () => {
    const machine = quad()
    machine.engine.idleRpm = machine.engine.limiterRpm
    expect(parseMachine(machine).ok).toBe(false)
    expect(parseMachine(machine, '', 'before').ok).toBe(true)
  })

  test('a diesel needs no ratio, and its fuel has one all the same', () => {
    const ute = structuredClone(shippedMachine('hallam-voss-shieling-21'))
    delete ute.engine.stoichAfr
    expect(isDiesel(ute.engine)).toBe(true)
    expect(refused(parseMachine, ute)).toEqual([])
    expect(stoichOf(ute.engine)).toBe(14.5)
    expect(stoichOf(shippedMachine('ostrel-pika-449').engine)).toBe(14.6)
  })
})

describe('a kit that contradicts itself', () => {
  const withKit = (id: string, change: (kit: Kit) => void) => {
    const kit = structuredClone(shippedKit(id))
    change(kit)
    return refused(parseKit, kit)
  }
  const lead = (kit: Kit) => {
    const found = kit.ends.find((end) => end.type === 'flying-lead' || end.type === 'ring')
    if (found?.type !== 'flying-lead' && found?.type !== 'ring') throw new Error('no lead')
    return found
  }
  const pair = (kit: Kit) => {
    const found = kit.ends.find((end) => end.type === 'inline-pair')
    if (found?.type !== 'inline-pair') throw new Error('no pair')
    return found
  }

  test('as it ships: in nothing, and its sheet names what the machines have', () => {
    for (const kit of shippedKits) {
      expect(refused(parseKit, kit)).toEqual([])
      for (const machine of shippedMachines) expect(sheetContradictions(kit, machine)).toEqual([])
    }
  })

  test.each<[string, (kit: Kit) => void, string]>([
    ['a stripe on its own colour', (kit) => (lead(kit).colour = { base: 'red', stripe: 'red' }), 'same-stripe'],
    [
      '200 A on half a square millimetre',
      (kit) => Object.assign(lead(kit), { currentA: 200, areaMm2: 0.5 }),
      'too-thin',
    ],
    [
      'a cavity tapped and interrupted',
      (kit) => pair(kit).lines.push({ ...pair(kit).lines[0], does: 'tap' }),
      'cavity-taken',
    ],
    ['a tap from thick to thin', (kit) => (kit.taps[0].lowMm2 = kit.taps[0].highMm2 + 1), 'bounds'],
    ['a setting the wrong way round', (kit) => Object.assign(kit.settings[0], { low: 5, high: 1 }), 'bounds'],
    ['a trim without room', (kit) => kit.trim && (kit.trim.boundsPct = [5, 5]), 'bounds'],
    ['terminators without ports', (kit) => (kit.terminators = 4), 'no-port'],
    ['a rhythm that never goes dark', (kit) => (kit.lamps = [lamp('rhythm', [200, 800, 200])]), 'lamp-rhythm'],
    ['a rhythm without times', (kit) => (kit.lamps = [lamp('rhythm', [])]), 'lamp-rhythm'],
    ['a steady lamp that blinks', (kit) => (kit.lamps = [lamp('steady', [200, 800])]), 'lamp-rhythm'],
    ['levels that leave one out', (kit) => (kit.levels = [level(1, 4), level(3, 8)]), 'level-order'],
    ['a level that adds nothing', (kit) => (kit.levels = [level(1)]), 'level-empty'],
  ])('%s', (_, change, code) => {
    expect(withKit('quernby-p1', (kit) => void change(kit))).toContain(code)
  })

  test('as much current as copper carries is none', () => {
    expect(withKit('quernby-p1', (kit) => Object.assign(lead(kit), { currentA: 15, areaMm2: 0.5 }))).toEqual([])
  })

  test('a stud or place the machine has not is named', () => {
    const kit = structuredClone(
      shippedKits.find(({ ends }) => ends.some((end) => end.type === 'ring' && end.sheet.length > 0)),
    )
    const ring = kit?.ends.find((end) => end.type === 'ring' && end.sheet.length > 0)
    if (!kit || ring?.type !== 'ring') throw new Error('no ring')
    const [entry] = ring.sheet
    const machine = shippedMachine(entry.machine)
    Object.assign(entry, { stud: 'the-moon' })
    kit.places = [asWritten<NonNullable<Kit['places']>[number]>({ machine: machine.id, place: 'nowhere' })]
    expect(sheetContradictions(kit, machine).map(({ code }) => code)).toEqual(['unknown-stud', 'unknown-place'])
  })
})
