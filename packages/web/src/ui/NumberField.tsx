import type { ReactNode } from 'react'
import { readFigure } from '@tidy-badger/core/shared'

/**
 * A figure that is typed: point or comma, any minus, its unit behind it or not (`readFigure` in core reads it). What is no figure is marked as
 * soon as something stands there.
 * @param label said aloud, with the unit; shown only where `children` is given
 */
export function NumberField({
  label,
  unit,
  text,
  onText,
  className = '',
  placeholder,
  children,
  onEnter,
  onBlur,
}: {
  label: string
  unit: string
  text: string
  onText: (text: string) => void
  className?: string
  placeholder?: string
  /** Words before it; the label alone names it without. */
  children?: ReactNode
  onEnter?: () => void
  onBlur?: () => void
}) {
  const field = (
    <input
      // The pad of a phone has no minus.
      inputMode={unit === 'mm' ? 'text' : 'decimal'}
      {...(children === undefined ? { 'aria-label': unit ? `${label}, ${unit}` : label } : {})}
      aria-invalid={text.trim() !== '' && readFigure(text, unit) === null}
      className={`figures min-w-0 ${className}`}
      value={text}
      placeholder={placeholder}
      onChange={(event) => onText(event.target.value)}
      onBlur={onBlur}
      onKeyDown={(event) => event.key === 'Enter' && onEnter?.()}
    />
  )
  return children === undefined ? (
    field
  ) : (
    <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
      {children}
      {field}
    </label>
  )
}
