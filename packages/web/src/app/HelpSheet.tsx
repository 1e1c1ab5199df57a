import { CircleHelp } from 'lucide-react'
import { Suspense } from 'react'
import { create } from 'zustand'
import { later } from '../ui/comesLater.tsx'
import { Sheet } from '../ui/Sheet.tsx'
import { useKeys } from '../ui/useKeys.ts'

const useHelp = create<{ open: boolean }>()(() => ({ open: false }))
const show = (open: boolean) => useHelp.setState({ open })

export function HelpButton() {
  return (
    <button
      type="button"
      onClick={() => show(true)}
      aria-label="Help"
      className="grid size-11 place-items-center rounded-lg"
    >
      <CircleHelp aria-hidden size={22} />
    </button>
  )
}

const HelpWords = later(async () => (await import('./HelpWords.tsx')).HelpWords)

/** Keys and words, opened by ?. */
export function HelpSheet() {
  const open = useHelp((state) => state.open)
  useKeys({ '?': () => show(true) })
  return (
    <Sheet
      open={open}
      onClose={() => show(false)}
      title="Help"
      read
      hint="Keys, and words of the trade as they are used here."
    >
      <Suspense fallback={null}>
        <HelpWords />
      </Suspense>
    </Sheet>
  )
}
