/** One field as it is typed. */
export interface TypedField<Row> {
  field: keyof Row & string
  label: string
  hint: string
  wide: string
  /** Picked from these instead of typed. */
  options?: readonly (string | readonly [value: string, words: string])[]
  /** Id of the list that is suggested. */
  suggested?: string
  /** Over several lines. */
  lines?: boolean
}

/** Words, a tick or one of a few: as the value is. What is typed is kept when the field is left, what is picked at once. */
export function TypedCell({
  value,
  label,
  hint,
  wide,
  options,
  suggested,
  lines,
  wrong,
  onType,
  onPick,
  onLeave,
  onEnter,
}: Omit<TypedField<object>, 'field'> & {
  value: unknown
  wrong: boolean
  onType: (text: string) => void
  onPick: (choice: string | boolean) => void
  onLeave: () => void
  onEnter: () => void
}) {
  const common = { 'aria-label': label, 'aria-invalid': wrong }
  if (typeof value === 'boolean')
    return (
      <input
        type="checkbox"
        {...common}
        className={`mt-2.5 size-6 !min-h-0 accent-[var(--lamp)] ${wide}`}
        checked={value}
        onChange={(event) => onPick(event.target.checked)}
      />
    )
  if (options)
    return (
      <select {...common} className={wide} value={String(value)} onChange={(event) => onPick(event.target.value)}>
        {options.map((option) => {
          const [of, words] = typeof option === 'string' ? [option, option] : option
          return (
            <option key={of} value={of}>
              {words || '–'}
            </option>
          )
        })}
      </select>
    )
  const typed = {
    ...common,
    placeholder: hint,
    className: `${wide} ${wrong ? '!border-stop' : ''}`,
    value: String(value),
    onBlur: onLeave,
  }
  if (lines) return <textarea rows={4} {...typed} onChange={(event) => onType(event.target.value)} />
  return (
    <input
      {...typed}
      list={suggested}
      autoComplete="off"
      onChange={(event) => onType(event.target.value)}
      onKeyDown={(event) => event.key === 'Enter' && onEnter()}
    />
  )
}
