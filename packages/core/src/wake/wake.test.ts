import { describe, expect, test } from 'vitest'
import type { KitLamp } from '../dossiers/index.ts'
import { seededRandom } from '../shared/index.ts'
import { ref } from '../shared/refCase.ts'
import { shippedKits } from '../wiring/shippedCase.ts'
import { judgeAuthority, type AuthorityAsked } from './judgeAuthority.ts'
import { readLamp } from './readLamp.ts'

const lamp = (id: string, state: KitLamp['state'], rhythmMs: number[] = []): KitLamp => ({
  ...{ id: ref(id), colour: 'red', state, rhythmMs },
  ...{ means: `${id} it means`, next: `${id} next` },
})
const lamps = [
  lamp('off', 'dark'),
  lamp('fine', 'steady'),
  lamp('slow', 'rhythm', [500, 500]),
  lamp('twice', 'rhythm', [200, 200, 200, 900]),
  lamp('short', 'rhythm', [150, 1500]),
]
/** Edges of so many states of a rhythm, from a state on. */
function edges(rhythm: readonly number[], states: number, from = 0): number[] {
  const at = [0]
  for (let i = 0; i < states; i++) at.push((at.at(-1) ?? 0) + (rhythm[(from + i) % rhythm.length] ?? 0))
  return at
}
const read = (edgesMs: readonly number[], more: { colour?: string; observedMs?: number } = {}) => {
  const outcome = readLamp({ lamps, edgesMs, ...more })
  if (!outcome.ok) throw new Error(outcome.problems[0].message)
  return outcome.value
}

describe('a lamp', () => {
  test('dark, steady, and each rhythm, wherever it is begun', () => {
    expect(read([])).toMatchObject({ pattern: 'off', means: 'off it means', next: 'off next' })
    expect(read([0])).toMatchObject({ pattern: 'fine' })
    for (const { id, rhythmMs } of lamps.slice(2))
      for (let from = 0; from < rhythmMs.length; from += 2)
        expect(read(edges(rhythmMs, 2 * rhythmMs.length, from)).pattern).toBe(id)
  })
  test('a round broken off, and a lone blink that was missed, are told', () => {
    expect(read(edges([200, 200, 200, 900], 6)).pattern).toBe('twice')
    // The second of its blinks was missed: one long pause instead.
    expect(read([0, 500, 1000, 1500, 3000, 3500, 4000]).pattern).toBe('slow')
  })
  test('what fits two signs, or none, says nothing', () => {
    expect(read([0, 190]).pattern).toBeNull()
    expect(read([0, 3000, 6000, 9000]).pattern).toBeNull()
    expect(read(edges([500, 500], 6), { colour: 'green' }).pattern).toBeNull()
    // Not watched for longer than a pause: dark, or between two blinks.
    expect(read([], { observedMs: 800 }).pattern).toBeNull()
    expect(read([], { observedMs: 5000 }).pattern).toBe('off')
    expect(read([0], { observedMs: 300 }).pattern).toBeNull()
    expect(read([0], { observedMs: 5000 }).pattern).toBe('fine')
  })
  test('times that run backwards are refused', () => {
    expect(readLamp({ lamps, edgesMs: [0, 500, 400] }).ok).toBe(false)
    expect(readLamp({ lamps, edgesMs: [0, NaN] }).ok).toBe(false)
  })
  test.each([
    // How far an edge is off, ms; whether the colour was said; how many are told, and how many for another, at the most.
    { offMs: 38, said: true, told: 0.98, wrong: 0 },
    { offMs: 38, said: false, told: 0.95, wrong: 0 },
    { offMs: 60, said: true, told: 0.5, wrong: 0 },
  ])(
    'of every kit that ships each rhythm is told with edges off by $offMs ms, colour said: $said',
    ({ offMs, said, told: least, wrong: most }) => {
      const random = seededRandom(11)
      let [told, asked, wrong] = [0, 0, 0]
      for (const kit of shippedKits)
        for (const { id, state, rhythmMs, colour } of kit.lamps ?? []) {
          if (state !== 'rhythm') continue
          for (let round = 0; round < 40; round++) {
            const clean = edges(rhythmMs, 3 * rhythmMs.length, 2 * Math.floor((random.uniform() * rhythmMs.length) / 2))
            const noisy = clean.map((at) => at + random.between(-offMs, offMs))
            const answer = readLamp({ lamps: kit.lamps ?? [], edgesMs: noisy, ...(said ? { colour } : {}) })
            asked++
            if (answer.ok && answer.value.pattern === id) told++
            else if (answer.ok && answer.value.pattern !== null) wrong++
          }
        }
      expect(asked).toBeGreaterThan(2000)
      expect(wrong / asked).toBeLessThanOrEqual(most)
      expect(told / asked).toBeGreaterThan(least)
    },
  )
  test('every kit with a lamp on its module says what all in order looks like', () => {
    for (const { id, lamps: own } of shippedKits)
      if (own)
        expect(
          own.some(({ rightAt }) => rightAt?.includes('running')),
          id,
        ).toBe(true)
  })
})

describe('authority', () => {
  const of = (asked: AuthorityAsked) => {
    const outcome = judgeAuthority(asked)
    if (!outcome.ok) throw new Error(outcome.problems[0].message)
    return outcome.value
  }
  const connection = (...samples: [module: number, independent: number][]) =>
    of({ kind: 'connection', tolerance: 2, samples: samples.map(([module, independent]) => ({ module, independent })) })
      .verdict
  test.each<[string, [number, number][], string]>([
    [
      'they agree and move',
      [
        [30, 31],
        [45, 44],
      ],
      'pass',
    ],
    [
      'the module stands still',
      [
        [30, 30],
        [30, 45],
      ],
      'bypassed',
    ],
    [
      'the module is dead',
      [
        [0, 30],
        [0, 45],
      ],
      'bypassed',
    ],
    [
      'apart by the same',
      [
        [35, 30],
        [50, 45],
      ],
      'sensor',
    ],
    [
      'nothing moved',
      [
        [30, 30],
        [31, 31],
      ],
      'unclear',
    ],
    [
      'neither nor',
      [
        [30, 30],
        [40, 60],
      ],
      'unclear',
    ],
    ['one reading', [[30, 30]], 'unclear'],
  ])('at wake, %s', (_, samples, verdict) => expect(connection(...samples)).toBe(verdict))

  const level = {
    kind: 'level',
    stock: { module: 90, independent: 90.5 },
    stepDeclared: 8,
    tolerance: 2,
    gateMet: true,
  } as const
  test.each<[string, Partial<Extract<AuthorityAsked, { kind: 'level' }>>, number, string]>([
    ['the step is there', {}, 7, 'pass'],
    ['nothing is there', {}, 0.5, 'bypassed'],
    ['the gate was shut', { gateMet: false }, 0, 'unclear'],
    ['apart at stock', { stock: { module: 95, independent: 90 } }, 8, 'sensor'],
    ['something between', {}, 4, 'unclear'],
    ['a step within the tolerance', { stepDeclared: 1.5 }, 1, 'unclear'],
  ])('on the loaded run, %s', (_, more, difference, verdict) =>
    expect(of({ ...level, ...more, level: { module: 120 + difference, independent: 120 } }).verdict).toBe(verdict),
  )

  const mute = (...channels: [channel: number, rpm: number, cylinder: number | null][]) =>
    of({
      kind: 'mute',
      rpmBefore: 1000,
      channels: channels.map(([channel, rpmMuted, cylinderThatDropped]) => ({
        channel,
        rpmMuted,
        cylinderThatDropped,
      })),
    })
  test('muted, each cylinder, none, some, or another', () => {
    expect(mute([1, 900, 1], [2, 960, 2]).verdict).toBe('pass')
    expect(mute([1, 961, null], [2, 990, null]).verdict).toBe('bypassed')
    expect(mute([1, 900, 1], [2, 990, null])).toMatchObject({
      verdict: 'unclear',
      reason: expect.stringContaining('channel 2') as string,
    })
    expect(mute([1, 900, 2], [2, 900, 1])).toMatchObject({
      verdict: 'crossed',
      pairs: [
        [1, 2],
        [2, 1],
      ],
    })
    expect(mute([1, 900, null]).verdict).toBe('pass')
    expect(mute().verdict).toBe('unclear')
  })
  test('a tolerance of nothing, and an engine that stands, are refused', () => {
    expect(judgeAuthority({ kind: 'connection', samples: [], tolerance: 0 }).ok).toBe(false)
    expect(judgeAuthority({ kind: 'mute', rpmBefore: 0, channels: [] }).ok).toBe(false)
  })
})
