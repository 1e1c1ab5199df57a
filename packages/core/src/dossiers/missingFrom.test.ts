import { describe, expect, test } from 'vitest'
import { ref } from '../shared/refCase.ts'
import { shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { blankMachine, missingFrom, type Machine } from './index.ts'

const whats = (machine: Machine) => missingFrom(machine).map(({ what }) => what)

describe('what a dossier does not say', () => {
  test('what ships says everything, but for readings where the kind of circuit says enough', () => {
    for (const machine of shippedMachines)
      expect([machine.id, whats(machine).filter((what) => what !== 'readings')]).toEqual([machine.id, []])
  })

  test('a machine nobody has described yet lacks all but its size', () => {
    const blank = blankMachine(ref('sledge'), 'Hut', 'Sledge')
    expect(whats(blank)).toEqual(['covers', 'studs', 'places', 'passages', 'power', 'steps', 'target'])
    for (const { costs } of missingFrom(blank)) expect(costs).toMatch(/^Without .*\.$/)
  })

  test.each<[string, (machine: Machine) => Partial<Machine>]>([
    ['covers', () => ({ covers: [], ways: [] })],
    ['ways', () => ({ ways: [] })],
    ['studs', () => ({ studs: [] })],
    ['places', () => ({ places: [] })],
    ['passages', () => ({ passages: [] })],
    ['body', () => ({ body: undefined })],
    ['power', () => ({ power: undefined })],
    ['steps', ({ steps }) => ({ steps: steps.slice(0, 2) })],
    ['target', () => ({ target: undefined })],
    ['readings', ({ nets }) => ({ nets: nets.map(({ readings: _, ...net }) => net) })],
  ])('%s alone', (what, change) => {
    const quad = shippedMachine('pellick-gorse-430')
    expect(whats(quad).includes(what as never)).toBe(what === 'readings' && whats(quad).includes('readings'))
    expect(whats({ ...quad, ...change(quad) })).toContain(what)
  })

  test('a diesel wants no mixture', () => {
    const { target: _, ...ute } = shippedMachine('hallam-voss-shieling-21')
    expect(whats(ute)).not.toContain('target')
  })
})
