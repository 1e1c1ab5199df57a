import type { ComponentProps } from 'react'

/** A button in the head of a job: a sign, and words where there is room. */
export function HeadButton({ className = '', ...rest }: ComponentProps<'button'>) {
  return (
    <button
      type="button"
      className={`flex min-h-11 items-center gap-2 rounded-lg px-2 font-semibold ${className}`}
      {...rest}
    />
  )
}
