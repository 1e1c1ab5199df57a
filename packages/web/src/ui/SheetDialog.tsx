import { Dialog } from 'radix-ui'
import { X } from 'lucide-react'
import type { SheetProps } from './sheetProps.ts'

/** A sheet over the page: from the right on wide screens, from below on a phone. */
export function SheetDialog({ open, onClose, title, hint, wide = false, read = false, children }: SheetProps) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/55" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={focusFirst}
          className={`rise fixed z-50 flex max-h-[92dvh] flex-col overflow-hidden border-2 border-ink bg-ground text-ink max-sm:inset-x-0 max-sm:bottom-0 sm:inset-y-0 sm:right-0 sm:max-h-none sm:border-y-0 sm:border-r-0 ${wide ? 'sm:w-[760px]' : 'sm:w-[460px]'} sm:max-w-[94vw]`}
        >
          <header className="flex items-start justify-between gap-3 border-b-2 border-ink px-5 py-3">
            <div>
              <Dialog.Title className="text-title font-bold">{title}</Dialog.Title>
              {hint && <p className="text-quiet">{hint}</p>}
            </div>
            <Dialog.Close
              aria-label="Close"
              className="grid size-11 shrink-0 place-items-center rounded-lg border-2 border-line"
            >
              <X aria-hidden size={22} />
            </Dialog.Close>
          </header>
          <div
            className="min-h-0 flex-1 overflow-y-auto px-5 py-4"
            {...(read ? { tabIndex: 0, role: 'region', 'aria-label': title } : {})}
          >
            {children}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

/** What is to be typed first has the keys at once. */
function focusFirst(event: Event): void {
  const first = event.currentTarget instanceof Element && event.currentTarget.querySelector('[data-first]')
  if (!(first instanceof HTMLElement)) return
  event.preventDefault()
  first.focus()
}
