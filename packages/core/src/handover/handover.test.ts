import { ref } from '../shared/refCase.ts'
import { requireTrimBasis } from '../fuel-trim/index.ts'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { replay, type NewEntry } from '../jobs/index.ts'
import { gorseCase, rightConnections } from '../wiring/gorseCase.ts'
import { handbackSheet } from './handbackSheet.ts'
import { readTrimCsv, trimCsv } from './trimCsv.ts'

const dossiers = gorseCase()
const { rpm, load, boundsPct } = requireTrimBasis(dossiers).trim
const job = { title: "hut 7's fuel quad", createdAt: '2026-06-01T08:00:00.000Z' }

describe('trim table as CSV', () => {
  test('any table comes back as it was', () => {
    const cell = fc.integer({ min: -2000, max: 2500 }).map((value) => value / 100)
    const table = fc.array(fc.array(cell, { minLength: load.length, maxLength: load.length }), {
      minLength: rpm.length,
      maxLength: rpm.length,
    })
    fc.assert(
      fc.property(table, (pct) => {
        expect(readTrimCsv(trimCsv(rpm, load, pct), rpm, load, boundsPct)).toEqual({ ok: true, value: pct })
      }),
    )
  })

  const zero = trimCsv(
    rpm,
    load,
    rpm.map(() => load.map(() => 0)),
  )
  const problemOf = (text: string) => {
    const result = readTrimCsv(text, rpm, load, boundsPct)
    return result.ok ? undefined : result.problems[0]
  }

  test('semicolons and decimal commas', () => {
    const text = zero.replaceAll(',', ';').replace('1500;0', '1500;2,5')
    const result = readTrimCsv(text, rpm, load, boundsPct)
    expect(result.ok && result.value[0][0]).toBe(2.5)
  })

  test.each([
    ['text', zero.replace('2500,0', '2500,x'), 'Line 3, column 2: "x" is not a number.'],
    ['a missing figure', zero.replace('2500,0', '2500,'), 'Line 3, column 2: a figure is missing.'],
    [
      'other rpm',
      zero.replace('2500,', '2600,'),
      "Line 3, column 1: rpm 2600 stands where the module's table has 2500.",
    ],
    ['too few columns', '\\,0,5\n1500,1,1\n', 'Line 1, column 2: the file has 2 points of throttle'],
    ['out of bounds', zero.replace('2500,0', '2500,80'), '80 % is outside what the module takes, -20 to 25 %.'],
    ['nothing', '', 'The file is empty.'],
  ])('%s is refused with its place', (_, text, sentence) => {
    expect(problemOf(text)?.message).toContain(sentence)
  })
})

describe('hand-back sheet', () => {
  const entries = rightConnections().flatMap(({ kitEnd, to, method, tugged }, i): NewEntry[] => [
    { id: `c${i}`, kind: 'connected', kitEnd, to, method, by: 'Runa' },
    ...(tugged ? [{ id: `t${i}`, kind: 'tugged' as const, kitEnd }] : []),
  ])

  test('names every end with place, cavities, colours and how it was joined', () => {
    const sheet = handbackSheet(dossiers, job, replay(dossiers, entries))
    expect(sheet.connections.find((connection) => connection.tag === 'T')).toEqual({
      tag: 'T',
      end: 'Throttle lead',
      place: 'Throttle sensor plug, cavity 2',
      how: 'piercing screw tap, tugged',
      wires: [
        { cavity: 2, name: 'grey with violet stripe', colour: { base: 'grey', stripe: 'violet' }, does: 'tapped' },
      ],
      by: 'Runa',
    })
    const injector = sheet.connections.find((connection) => connection.tag === 'A')
    expect(injector?.how).toBe('both halves, tugged')
    expect(injector?.wires.map((wire) => `${wire.cavity} ${wire.does}`)).toEqual(['1 tapped', '2 through the module'])
  })

  test('says what is not finished', () => {
    const sheet = handbackSheet(dossiers, job, replay(dossiers, []))
    expect(sheet.finished).toBe(false)
    expect(sheet.unfinished).toContain('Injector pair is not connected yet.')
    expect(sheet.connections[0].place).toBe('not connected')
  })

  test('prints lifted stops with name and reason', () => {
    const lifted: NewEntry[] = [
      { id: 'a', kind: 'connected', kitEnd: ref('coil'), to: { connector: ref('coil'), side: 'factory' } },
      { id: 'b', kind: 'stop-lifted', finding: 'pair-one-side|coil|coil||', reason: 'coil on the bench', by: 'Runa' },
    ]
    const sheet = handbackSheet(dossiers, job, replay(dossiers, lifted))
    expect(sheet.liftedStops[0]).toContain('Lifted by Runa: coil on the bench')
    expect(sheet.unfinished.join()).not.toContain('the ignition coil is dead')
  })

  test('what was written down, and what was done without, stands on the paper in the order of the work', () => {
    const [first, second] = dossiers.machine.steps
    const sheet = handbackSheet(
      dossiers,
      job,
      replay(dossiers, [
        { id: 'b', kind: 'step-done', step: second.id, without: 'no meter on the trail', by: 'Runa' },
        { id: 'a', kind: 'step-done', step: first.id, wrote: 'left foot peg bent' },
      ]),
    )
    expect(sheet.written).toEqual([expect.stringMatching(/: left foot peg bent$/)])
    expect(sheet.doneWithout).toEqual([expect.stringMatching(/: no meter on the trail \(Runa\)$/)])
  })

  test('carries the cautions, the way back to stock, and the source of its figures', () => {
    const sheet = handbackSheet(dossiers, job, replay(dossiers, entries))
    expect(sheet.returnToStock).toEqual(dossiers.kit.returnToStock)
    expect(sheet.cautions.length).toBeGreaterThan(2)
    expect(sheet.sources[0]).toContain(`dossier version ${dossiers.machine.version}`)
  })
})

test('the sheet says where module and loom lie once they are laid, and nothing before', () => {
  const state = replay(dossiers, [
    { id: 'm', kind: 'mounted', place: ref('rack-plate'), trial: false },
    {
      id: 'r',
      kind: 'routed',
      part: ref('coil'),
      passages: [ref('airbox-spine'), ref('spine-coil-rail')],
      replaces: null,
    },
  ])
  expect(handbackSheet(dossiers, job, state).lies).toEqual([
    'P1 module: Under the rear rack, flat plate beside the tow plate.',
    'Coil pair: past the airbox clamp, down the left frame rail.',
    "Fed from: From the injectors' own feed, in the injector pairs.",
  ])
  expect(handbackSheet(dossiers, job, replay(dossiers, [])).lies).toEqual([])
})
