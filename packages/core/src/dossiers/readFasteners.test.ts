import { describe, expect, test } from 'vitest'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { acrossFlats, fastenerWords, minutesText, toolOf } from './fastenerWords.ts'
import { readFasteners, readMinutes } from './readFasteners.ts'

const read = (text: string) => {
  const outcome = readFasteners(text)
  if (!outcome.ok) throw new Error(outcome.problems[0].message)
  return outcome.value
}
const refusal = (text: string) => {
  const outcome = readFasteners(text)
  return outcome.ok ? null : outcome.problems[0].message
}

describe('fasteners typed in one line', () => {
  test('count, kind, thread, length, drive, torque, threadlock and note in any sensible order', () => {
    expect(read('4 screws M6x20 hex socket 5 9 N·m threadlock (long ones in front); 2 pegs')).toEqual([
      {
        count: 4,
        kind: 'screw',
        threadMm: 6,
        lengthMm: 20,
        drive: { kind: 'hex socket', size: 5 },
        torqueNm: 9,
        threadlock: true,
        note: 'long ones in front',
      },
      { count: 2, kind: 'peg' },
    ])
    expect(read('2 × M8 × 30 hex head 13')).toEqual([
      { count: 2, kind: 'screw', threadMm: 8, lengthMm: 30, drive: { kind: 'hex head', size: 13 } },
    ])
    expect(read('')).toEqual([])
  })

  test('torque in other units is kept in N·m', () => {
    expect(read('1 nut M10 30 lbf·ft')[0].torqueNm).toBe(40.7)
    expect(read('1 nut M10 30 ft-lb')[0].torqueNm).toBe(40.7)
    expect(read('1 nut M10 2,5 kgf·m')[0].torqueNm).toBe(24.5)
    expect(read('1 nut M10 9 Nm')[0].torqueNm).toBe(9)
  })

  test('a figure without a unit, a missing count and an unknown kind are named with how to write them', () => {
    expect(refusal('4 screws M6 torque 22')).toBe(
      '"4 screws M6 torque 22": a figure without a unit ("torque 22"). A torque is written as 9 N·m or 7 lbf·ft.',
    )
    expect(refusal('4 screws M6 22')).toContain('a figure without a unit ("22")')
    expect(refusal('screws M6')).toContain('say how many first')
    expect(refusal('3 wingdings')).toContain('"wingdings" is none of screw, nut')
  })

  test('what is written out is read back the same, for every cover that ships', () => {
    for (const cover of shippedMachines.flatMap((machine) => machine.covers ?? []))
      expect(read(cover.fasteners.map(fastenerWords).join('; '))).toEqual(cover.fasteners)
  })

  test('tools: by drive, by thread for a nut, a screwdriver for a clamp, none for a peg', () => {
    expect(toolOf(read('1 screw M6 six-lobe 30')[0])).toBe('six-lobe 30')
    expect(toolOf(read('1 nut M8')[0])).toBe('hex head 13')
    expect(toolOf(read('2 clamps')[0])).toBe('slot')
    expect(toolOf(read('2 pegs')[0])).toBeUndefined()
    expect([4, 5, 6, 8, 10, 12, 14, 16, 20].map(acrossFlats)).toEqual([7, 8, 10, 13, 17, 19, 22, 24, 30])
  })
})

describe('minutes', () => {
  test('one figure is enough; three are best, likely, worst', () => {
    expect(readMinutes('8')).toMatchObject({ value: { best: 8, likely: 8, worst: 8 } })
    expect(readMinutes('3/6/12')).toMatchObject({ value: { best: 3, likely: 6, worst: 12 } })
    expect(readMinutes('0,5 1 2')).toMatchObject({ value: { best: 0.5, likely: 1, worst: 2 } })
    expect(minutesText({ best: 3, likely: 6, worst: 12 })).toBe('3/6/12')
    expect(minutesText({ best: 8, likely: 8, worst: 8 })).toBe('8')
  })

  test.each([
    ['', 'minutes-unread'],
    ['soon', 'minutes-unread'],
    ['3/6', 'minutes-unread'],
    ['-3', 'minutes-negative'],
    ['12/6/3', 'minutes-order'],
  ])('"%s" is refused', (text, code) => {
    expect(readMinutes(text)).toMatchObject({ ok: false, problems: [{ code }] })
  })
})

test.each([
  ['4 star T30 screws M6x20', { kind: 'screw', drive: { kind: 'six-lobe', size: 30 } }],
  ['2 Allen bolts M5', { kind: 'screw', drive: { kind: 'hex socket' } }],
  ['3 bolts M6 hex 10', { kind: 'screw', drive: { kind: 'hex head', size: 10 } }],
  ['6 star screws', { kind: 'screw', drive: { kind: 'six-lobe' } }],
  ['2 push pins', { kind: 'peg' }],
  ['3 zip ties', { kind: 'strap' }],
  ['1 screw PH2', { kind: 'screw', drive: { kind: 'cross', size: 2 } }],
])('as people say it: %s', (text, fastener) => {
  const read = readFasteners(text)
  expect(read.ok && read.value[0]).toMatchObject(fastener)
})
