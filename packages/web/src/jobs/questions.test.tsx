import { afterEach, expect, test } from 'vitest'
import { usePreferences } from '../platform/preferences.ts'
import { forPages } from '../testing/testBed.tsx'
import { confirm, useConfirm } from './confirmStore.ts'
import { askAnew, askForPerson, usePersonQuestion } from './personStore.ts'

forPages()
afterEach(() => useConfirm.setState({ question: null }))

test.each([true, false])('a question stands until it is answered: %s', async (sure) => {
  const answer = confirm('Take the plug off as well?', 'Take it off')
  const { question } = useConfirm.getState()
  expect(question).toMatchObject({ text: 'Take the plug off as well?', yes: 'Take it off' })
  question?.answer(sure)
  expect(await answer).toBe(sure)
  expect(useConfirm.getState().question).toBeNull()
})

test('who works at a device is asked once, and anew only where that is wanted', async () => {
  expect(await askForPerson()).toBe(true)
  expect(usePersonQuestion.getState().open).toBe(false)
  usePreferences.setState({ person: null })
  const asked = askForPerson()
  expect(usePersonQuestion.getState().open).toBe(true)
  usePersonQuestion.getState().answer(false)
  expect([await asked, usePersonQuestion.getState().open]).toEqual([false, false])
  usePreferences.setState({ person: 'Runa' })
  const again = askAnew()
  expect(usePersonQuestion.getState().open).toBe(true)
  usePersonQuestion.getState().answer(true)
  expect(await again).toBe(true)
})
