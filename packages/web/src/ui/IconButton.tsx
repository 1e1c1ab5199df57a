import type { ReactNode } from 'react'

/** A button that is a picture: its name is said aloud and shown on the pointer. */
export function IconButton({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onClick={onClick}
      className="grid h-11 min-w-11 shrink-0 place-items-center rounded-lg border-2 border-line bg-paper px-1"
    >
      {children}
    </button>
  )
}
