import { create } from 'zustand'
import { usePreferences } from '../platform/preferences.ts'

interface PersonQuestion {
  open: boolean
  answer: (named: boolean) => void
}

export const usePersonQuestion = create<PersonQuestion>()(() => ({ open: false, answer: () => {} }))

/** Asks once per device who is working. @returns false when the person would not say */
export function askForPerson(): Promise<boolean> {
  return usePreferences.getState().person !== null ? Promise.resolve(true) : askAnew()
}

/** Asks who is working now, whoever was before. */
export function askAnew(): Promise<boolean> {
  return new Promise((done) => {
    usePersonQuestion.setState({
      open: true,
      answer: (named) => {
        usePersonQuestion.setState({ open: false })
        done(named)
      },
    })
  })
}
