import { expect, test } from 'vitest'
import { pedalGains, pedalPositions, type PedalPoint } from './index.ts'

const plain = (pct: number) => 0.7 + 0.035 * pct
const points = (level: string, asked: (pct: number) => number): PedalPoint[] =>
  pedalPositions.map((pct) => ({
    ...{ level, pct, v1: plain(asked(pct)), v2: plain(asked(pct)) / 2 },
    ...{ plain1: plain(pct), plain2: plain(pct) / 2 },
  }))

test('a sensitivity begins steeper and ends where the plain pedal does: no power comes of it', () => {
  const sport = points('sport', (pct) => 100 * Math.sqrt(pct / 100))
  const [gain] = pedalGains(sport, ['sport'])
  expect(gain).toMatchObject({ creepPct: expect.closeTo(0, 6) as number, fullPct: expect.closeTo(100, 6) as number })
  expect(gain?.atStart).toBeCloseTo(2, 6)
  expect(gain?.asked.map(({ askedPct }) => Math.round(askedPct))).toEqual([0, 50, 71, 87, 100])
})
test('what asks for more at rest creeps, and a level that was not read has no gain', () => {
  const creeping = points('loose', (pct) => 4 + 0.96 * pct)
  expect(pedalGains(creeping, ['loose', 'other'])).toMatchObject([
    { level: 'loose', creepPct: expect.closeTo(4, 6) as number },
  ])
})
