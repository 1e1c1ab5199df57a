import { Keyboard } from 'lucide-react'
import { useEffect } from 'react'
import { create } from 'zustand'
import { comesLater } from '../ui/comesLater.tsx'
import { useKeys } from '../ui/useKeys.ts'

const useCommandList = create<{ open: boolean }>()(() => ({ open: false }))
const show = (open: boolean) => useCommandList.setState({ open })

export function CommandButton() {
  return (
    <button
      type="button"
      onClick={() => show(true)}
      className="flex min-h-11 items-center gap-2 rounded-lg border-2 border-current px-3 text-small font-semibold"
    >
      <Keyboard aria-hidden size={20} /> <span className="max-sm:sr-only">Commands</span>{' '}
      <kbd className="figures max-sm:hidden">K</kbd>
    </button>
  )
}

interface CommandDialogProps {
  open: boolean
  show: (open: boolean) => void
}

const Dialog = comesLater(
  async () => (await import('./CommandDialog.tsx')).CommandDialog,
  ({ open }: CommandDialogProps) => open,
)

/** Everything one can go to or do, by typing a few letters; opened by K. */
export function CommandList() {
  const open = useCommandList((state) => state.open)
  useKeys({ k: () => show(true) })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'k' || !(event.ctrlKey || event.metaKey)) return
      event.preventDefault()
      show(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  return <Dialog open={open} show={show} />
}
