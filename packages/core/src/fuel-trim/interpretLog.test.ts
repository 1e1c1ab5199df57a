import { describe, expect, test } from 'vitest'
import { interpretLog, type ChosenUnits } from './interpretLog.ts'
import { LogReader } from './LogReader.ts'

function interpret(text: string, chosen?: ChosenUnits) {
  const reader = new LogReader()
  reader.push(new TextEncoder().encode(text))
  const raw = reader.finish()
  if (!raw.ok) throw new Error(raw.problems[0].message)
  return interpretLog(raw.value, 14.7, chosen)
}

const rows = (header: string, line: (i: number) => string) =>
  [header, ...Array.from({ length: 50 }, (_, i) => line(i))].join('\n')

describe('units the file shows by its figures', () => {
  test('seconds, percent, AFR and °C', () => {
    const result = interpret(rows('time,rpm,throttle,afr,coolant', (i) => `${i * 0.05},1500,${i},14.1,80`))
    expect(result).toMatchObject({
      ok: true,
      value: { units: { time: 's', throttle: '%', afr: 'AFR', coolant: '°C' } },
    })
  })

  test('milliseconds, lambda and °F are converted', () => {
    const result = interpret(rows('time,rpm,throttle,lambda,coolant', (i) => `${i * 50},1500,${i},1,${176 + (i % 2)}`))
    if (!result.ok) throw new Error('expected a log')
    const { log } = result.value
    expect([log.timeS[1], log.afr[0], log.coolantC?.[0]]).toEqual([0.05, 14.7, 80])
  })
})

describe('units that are asked for', () => {
  test.each([
    ['time', 'time,rpm,throttle,afr', (i: number) => `${i * 3},1500,${i},14.1`, 'rows are 3 apart.'],
    ['throttle', 'time,rpm,throttle,afr', (i: number) => `${i / 20},1500,${i / 50},14.1`, 'run from 0 to 0.98'],
    ['afr', 'time,rpm,throttle,afr', (i: number) => `${i / 20},1500,${i},4.5`, 'most of it is near 4.5.'],
    [
      'coolant',
      'time,rpm,throttle,afr,coolant',
      (i: number) => `${i / 20},1500,${i},14,${90 + i * 0.8}`,
      'run from 90 to 129.2',
    ],
  ])('%s', (role, header, line, sentence) => {
    const result = interpret(rows(header, line))
    expect(result).toMatchObject({ ok: false, problems: [{ code: 'unit-unclear', path: `units.${role}` }] })
    if (!result.ok) expect(result.problems[0].message).toContain(sentence)
  })

  test('the answer is taken', () => {
    const result = interpret(
      rows('time,rpm,throttle,afr', (i) => `${i / 20},1500,${i / 50},14.1`),
      { throttle: 'share' },
    )
    expect(result.ok && result.value.log.throttlePct[49]).toBeCloseTo(98)
  })

  test('throttle in volts is not guessed at', () => {
    const result = interpret(rows('time,rpm,throttle (V),afr', (i) => `${i / 20},1500,${i / 50},14.1`))
    expect(result.ok ? '' : result.problems[0].message).toContain('in volts')
  })
})
