import { create } from 'zustand'

export interface Question {
  text: string
  yes: string
  answer: (sure: boolean) => void
}

export const useConfirm = create<{ question: Question | null }>()(() => ({ question: null }))

/** Asks before something that touches more than it seems. */
export function confirm(text: string, yes: string): Promise<boolean> {
  return new Promise((done) => {
    const answer = (sure: boolean) => {
      useConfirm.setState({ question: null })
      done(sure)
    }
    useConfirm.setState({ question: { text, yes, answer } })
  })
}
