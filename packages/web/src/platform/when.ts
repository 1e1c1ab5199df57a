import { usePreferences, type DateForm } from './preferences.ts'

/** Written out: the browser's own list takes longer to be made than a page has. */
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sept', 'Oct', 'Nov', 'Dec']
const two = (value: number) => String(value).padStart(2, '0')

/** A day as this device writes days. */
export function dayText(at: Date, form: DateForm = usePreferences.getState().dates): string {
  switch (form) {
    case 'd MMM yyyy':
      return `${shortDay(at, form)} ${at.getFullYear()}`
    case 'yyyy-MM-dd':
      return `${at.getFullYear()}-${shortDay(at, form)}`
    case 'MM/dd/yyyy':
      return `${shortDay(at, form)}/${at.getFullYear()}`
  }
}

/** A day of this year, and the time. */
export function momentText(at: Date, form: DateForm = usePreferences.getState().dates): string {
  return `${shortDay(at, form)} ${timeText(at)}`
}

/** Hours and minutes; with seconds where a wait is short. */
export function timeText(at: Date, { seconds = false } = {}): string {
  const text = `${two(at.getHours())}:${two(at.getMinutes())}`
  return seconds ? `${text}:${two(at.getSeconds())}` : text
}

function shortDay(at: Date, form: DateForm): string {
  const [month, day] = [two(at.getMonth() + 1), two(at.getDate())]
  switch (form) {
    case 'd MMM yyyy':
      return `${at.getDate()} ${months[at.getMonth()]}`
    case 'yyyy-MM-dd':
      return `${month}-${day}`
    case 'MM/dd/yyyy':
      return `${month}/${day}`
  }
}

/** Minutes and seconds that are left, or went by; never below none. */
export function clockWords(milliseconds: number): string {
  const seconds = Math.max(0, Math.ceil(milliseconds / 1000))
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
