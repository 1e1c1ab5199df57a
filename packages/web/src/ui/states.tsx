import type { ReactNode } from 'react'

/** Nothing there yet: what it will be, and the way to it. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="mx-auto max-w-xl px-4 py-12 text-center">
      <Stripes />
      <h2 className="mt-5 text-head font-bold">{title}</h2>
      <div className="mt-2 text-quiet [&_button]:mt-5">{children}</div>
    </div>
  )
}

export function Loading({ what }: { what: string }) {
  return (
    <div role="status" className="mx-auto flex max-w-xl flex-col items-center gap-4 px-4 py-16 text-quiet">
      <Stripes />
      <p>{what}</p>
    </div>
  )
}

export function Failed({ what, children }: { what: string; children?: ReactNode }) {
  return (
    <div role="alert" className="mx-auto max-w-xl px-4 py-12">
      <h2 className="border-l-[5px] border-stop pl-4 text-head font-bold">{what}</h2>
      <div className="mt-3 pl-5 text-quiet">{children}</div>
    </div>
  )
}

export function Stripes({ className = 'h-9' }: { className?: string }) {
  return (
    <svg viewBox="0 0 112 24" aria-hidden className={`mx-auto ${className}`}>
      <path d="M0 24 16 0h16L22 24zM43 24 47 0h18l4 24zM80 0h16l16 24H90z" fill="currentColor" />
    </svg>
  )
}
