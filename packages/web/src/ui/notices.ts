import type { toast as shown } from 'sonner'
import { afterwards } from './afterwards.ts'

type Show = typeof shown
let standing: (show: Show) => void
const board = new Promise<Show>((done) => (standing = done))

/** Called by the board once it can show something. */
export const boardStands = (show: Show): void => standing(show)

let wanted: () => void
/** Settles when there is something to show, or nothing better to do. */
export const boardWanted: Promise<void> = Promise.race([afterwards, new Promise<void>((done) => (wanted = done))])

async function onBoard(): Promise<Show> {
  wanted()
  return board
}

/** Short notices over the page. Those of before the board stands wait for it. */
export const notice = {
  say: (text: string): void => void onBoard().then((show) => show(text)),
  good: (text: string, options?: { duration: number }): void =>
    void onBoard().then((show) => show.success(text, options)),
  bad: (text: string, options?: { duration: number }): void => void onBoard().then((show) => show.error(text, options)),
}
