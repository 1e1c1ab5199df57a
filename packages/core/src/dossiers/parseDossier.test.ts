import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { composeVariant, parseDossier, parseKit, parseMachine, type Machine } from './index.ts'
import type { Problem } from '../shared/index.ts'
import { shippedDossiers } from './shipped/index.ts'

const shippedAs = (id: string) => shippedDossiers.find((document) => Object(document).id === id)
const [gorseDocument, kitDocument] = [shippedAs('pellick-gorse-430'), shippedAs('quernby-p1')]
function gorse(): Machine {
  const parsed = parseMachine(gorseDocument)
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems))
  return parsed.value
}

test('every shipped document is valid, with all its variants', () => {
  for (const document of shippedDossiers) expect(parseDossier(document)).toMatchObject({ ok: true })
})

test('every circuit of the shipped machine has a purpose: at least two ends', () => {
  const machine = gorse()
  for (const net of machine.nets) {
    const ends = machine.wires.filter((wire) => wire.net === net.id)
    expect(ends.length, net.id).toBeGreaterThan(0)
  }
})

describe('contradictions are named with their path', () => {
  const broken = (change: (machine: Machine) => unknown): Problem[] => {
    const machine = structuredClone(gorse())
    machine.variants = []
    change(machine)
    const parsed = parseMachine(machine)
    return parsed.ok ? [] : parsed.problems
  }

  test('two wires in one cavity', () => {
    const [problem] = broken((machine) => (machine.wires[6].to = { connector: ref('injector'), cavity: 2 }))
    expect(problem.code).toBe('cavity-taken')
    expect(problem.message).toMatch(/Cavity 2 of "injector" holds "w\d+" already/)
  })

  const mistakes: [string, (machine: Machine) => unknown][] = [
    ['unknown-connector', (machine: Machine) => (machine.wires[6].to = { connector: ref('ghost'), cavity: 1 })],
    ['unknown-cavity', (machine: Machine) => (machine.wires[6].to = { connector: ref('injector'), cavity: 7 })],
    ['unknown-net', (machine: Machine) => (machine.wires[6].net = ref('ghost'))],
    ['unknown-zone', (machine: Machine) => (machine.connectors[0].zone = ref('ghost'))],
    ['unknown-stud', (machine: Machine) => (machine.wires[0].from = { stud: ref('ghost') })],
    ['duplicate-id', (machine: Machine) => (machine.nets[1].id = machine.nets[0].id)],
    ['duplicate-cavity', (machine: Machine) => (machine.connectors[0].cavities[1].number = 1)],
    ['same-stripe', (machine: Machine) => (machine.wires[6].colour = { base: 'red', stripe: 'red' })],
    ['splice-alone', (machine: Machine) => (machine.wires[6].from = { splice: ref('lonely') })],
    ['table-size', (machine: Machine) => machine.target?.afr.pop()],
  ]
  test.each(mistakes)('%s', (code, change) => {
    expect(broken(change).map((problem) => problem.code)).toContain(code)
  })

  test('a colour that is none, and a field nobody reads', () => {
    const parsed = parseMachine({ ...gorse(), wires: [{ ...gorse().wires[0], colour: { base: 'mauve' } }], colour: 1 })
    const sentences = parsed.ok ? [] : parsed.problems.map((problem) => `${problem.path}: ${problem.message}`)
    expect(sentences.join('\n')).toContain('wires.0.colour.base: "wires.0.colour.base" must be one of black, brown')
    expect(sentences.join('\n')).toContain('has a field that nobody reads: colour')
  })

  test('a line of a kit pair in a cavity that is not there', () => {
    const kit = structuredClone(kitDocument)
    Object.assign(Object(kit).ends[0].lines[0], { cavity: 9 })
    expect(parseKit(kit, 'kit')).toMatchObject({ ok: false, problems: [{ path: 'kit.ends.0.lines.0.cavity' }] })
  })

  test('a document without a kind', () => {
    expect(parseDossier({}, 'machine')).toMatchObject({ ok: false, problems: [{ path: 'machine.kind' }] })
  })
})

describe('variants', () => {
  test('add and replace whole items by id', () => {
    const composed = composeVariant(gorse(), 'from-2021')
    if (!composed.ok) throw new Error('expected a machine')
    expect(composed.value.connectors.some((connector) => connector.id === 'speed')).toBe(true)
    expect(composed.value.connectors.filter((connector) => connector.id === 'ecu')).toHaveLength(1)
    expect(composed.value.wires).toHaveLength(gorse().wires.length + 3)
  })

  test('remove by id', () => {
    const removing = (id: string) => {
      const machine = structuredClone(gorse())
      machine.variants[0].remove = [{ list: 'steps', id }]
      return composeVariant(machine, 'from-2021')
    }
    const composed = removing('codes')
    expect(composed.ok && composed.value.steps.some((step) => step.id === 'codes')).toBe(false)
    expect(removing('ghost')).toMatchObject({ ok: false, problems: [{ code: 'nothing-to-remove' }] })
  })

  test('an unknown variant names the known ones', () => {
    expect(composeVariant(gorse(), 'from-1990')).toMatchObject({
      ok: false,
      problems: [{ message: 'Gorse 430 has no variant "from-1990". It has: from-2021.' }],
    })
  })
})
