import type { ReactNode } from 'react'

/**
 * The three places of a station: the picture, the margin beside it, the dock below, always where the thumb is.
 * @param reading name of a picture that is only read: it is scrolled by keys, since nothing in it takes the focus
 */
export function Stage({
  picture,
  reading,
  margin,
  dock,
}: {
  picture: ReactNode
  reading?: string
  margin?: ReactNode
  dock?: ReactNode
}) {
  return (
    <div className="print-flow flex min-h-0 flex-1 flex-col">
      <div className="print-flow flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
        <div
          className="print-flow min-w-0 flex-1 px-4 py-3 lg:overflow-y-auto lg:px-5"
          {...(reading === undefined ? {} : { role: 'region', 'aria-label': reading, tabIndex: 0 })}
        >
          {picture}
        </div>
        {margin && (
          <aside
            aria-label="About this"
            tabIndex={0}
            className="no-print flex shrink-0 flex-col gap-4 border-line-soft bg-paper px-5 py-4 max-lg:border-t-2 lg:w-[384px] lg:overflow-y-auto lg:border-l-2"
          >
            {margin}
          </aside>
        )}
      </div>
      {dock && (
        <section
          aria-label="Next"
          className="no-print max-h-[45dvh] shrink-0 overflow-y-auto bg-dock px-4 py-3 text-dock-ink lg:px-6 lg:py-4 [@media(max-height:560px)]:py-1.5"
        >
          {dock}
        </section>
      )}
    </div>
  )
}

/** What to do now, in the largest type, with at most two ways to answer. */
export function Dock({
  title,
  hint,
  children,
  actions,
}: {
  title: ReactNode
  hint?: ReactNode
  children?: ReactNode
  actions?: ReactNode
}) {
  return (
    <div className="flex gap-4 max-md:flex-col md:items-center [@media(max-height:560px)]:flex-row [@media(max-height:560px)]:gap-2">
      <div className="min-w-0 flex-1">
        <h2 className="text-title leading-tight font-bold lg:text-head [@media(max-height:560px)]:text-lead">
          {title}
        </h2>
        {hint && <p className="mt-0.5 text-dock-quiet">{hint}</p>}
        {children}
      </div>
      {actions && (
        <div className="flex shrink-0 gap-3 *:min-h-[68px] [@media(max-height:560px)]:*:min-h-11 *:min-w-[112px] *:flex-1 *:flex-col *:gap-0.5 *:text-title">
          {actions}
        </div>
      )}
    </div>
  )
}

/** The key that does the same, below a button's words. */
export function KeyHint({ children }: { children: ReactNode }) {
  return (
    <span className="figures text-small font-normal opacity-80 max-md:hidden [@media(max-height:560px)]:hidden">
      {children}
    </span>
  )
}
