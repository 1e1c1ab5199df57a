import { afterEach, describe, expect, test } from 'vitest'
import { usePreferences } from './preferences.ts'
import { dayText, momentText, timeText } from './when.ts'

const at = new Date(2026, 7, 3, 9, 5, 7)
const before = usePreferences.getState().dates
afterEach(() => usePreferences.setState({ dates: before }))

describe('days and times', () => {
  test.each([
    ['d MMM yyyy', '3 Aug 2026', '3 Aug 09:05'],
    ['yyyy-MM-dd', '2026-08-03', '08-03 09:05'],
    ['MM/dd/yyyy', '08/03/2026', '08/03 09:05'],
  ] as const)('are written as %s where the device writes them so', (form, day, moment) => {
    usePreferences.setState({ dates: form })
    expect([dayText(at), momentText(at)]).toEqual([day, moment])
  })

  test('months are written as the language writes them', () => {
    const named = new Intl.DateTimeFormat('en-GB', { month: 'short' })
    for (let month = 0; month < 12; month++) {
      const day = new Date(2026, month, 1)
      expect(dayText(day, 'd MMM yyyy')).toBe(`1 ${named.format(day)} 2026`)
    }
  })

  test('seconds stand where they are asked for', () => {
    expect([timeText(at), timeText(at, { seconds: true })]).toEqual(['09:05', '09:05:07'])
  })
})
