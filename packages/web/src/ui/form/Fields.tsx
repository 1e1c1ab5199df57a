import { useId, type ReactNode } from 'react'
import { useController, type FieldPath, type FieldValues } from 'react-hook-form'
import { NumberField } from '../NumberField.tsx'
import type { Fields } from './useFields.ts'

interface FieldOf<Typed extends FieldValues, Read> {
  of: Fields<Typed, Read>
  name: FieldPath<Typed>
  label: ReactNode
  /** Of the label with its field. */
  className?: string
}

function useField<Typed extends FieldValues, Read>({ form }: Fields<Typed, Read>, name: FieldPath<Typed>) {
  const { field, fieldState } = useController({ control: form.control, name })
  const id = useId()
  // Nobody is told that it is wrong before the field is left.
  const wrong =
    fieldState.isDirty && (fieldState.isTouched || form.formState.isSubmitted) ? fieldState.error?.message : undefined
  const value: unknown = field.value
  return {
    field: { ...field, value: typeof value === 'string' ? value : '' },
    wrong,
    id,
    aria: { 'aria-invalid': wrong !== undefined, 'aria-describedby': wrong ? id : undefined },
  }
}

/** A label over its field; what is wrong stands below, not in the name. */
const over = 'flex min-w-0 flex-col gap-1 font-semibold'

function Wrong({ id, children }: { id: string; children: string | undefined }) {
  if (children === undefined) return null
  return (
    <span id={id} role="alert" className="text-small font-semibold text-stop">
      {children}
    </span>
  )
}

/** Words, on one line or on several. */
export function TextField<Typed extends FieldValues, Read>({
  of,
  name,
  label,
  className = '',
  inputClass = '',
  lines,
  hint,
  hideLabel = false,
  ...rest
}: FieldOf<Typed, Read> & {
  lines?: number
  hint?: string
  inputClass?: string
  /** Said aloud only. */
  hideLabel?: boolean
  maxLength?: number
  autoComplete?: string
  inputMode?: 'numeric' | 'text'
  first?: boolean
}) {
  const { field, wrong, id, aria } = useField(of, name)
  const { first, ...attributes } = rest
  const common = {
    ...field,
    ...aria,
    ...attributes,
    ...(first ? { 'data-first': true } : {}),
    placeholder: hint,
    className: `font-normal ${inputClass}`,
  }
  return (
    <span className={`${over} ${className}`}>
      <label className={over}>
        {hideLabel ? <span className="sr-only">{label}</span> : label}
        {lines === undefined ? <input {...common} /> : <textarea rows={lines} {...common} />}
      </label>
      <Wrong id={id}>{wrong}</Wrong>
    </span>
  )
}

/** One of a few, each by its value and its words. */
export function ChoiceField<Typed extends FieldValues, Read>({
  of,
  name,
  label,
  className = '',
  options,
  hideLabel = false,
}: FieldOf<Typed, Read> & { options: readonly (readonly [value: string, words: string])[]; hideLabel?: boolean }) {
  const { field } = useField(of, name)
  return (
    <label className={`${over} ${className}`}>
      {hideLabel ? <span className="sr-only">{label}</span> : label}
      <select {...field} className="font-normal">
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </label>
  )
}

/** A figure with its unit. */
export function FigureField<Typed extends FieldValues, Read>({
  of,
  name,
  label,
  unit,
  className = '',
}: FieldOf<Typed, Read> & { label: string; unit: string }) {
  const { field, wrong, id } = useField(of, name)
  return (
    <span className={`${over} ${className}`}>
      <NumberField
        label={label}
        unit={unit}
        text={field.value}
        onText={field.onChange}
        onBlur={field.onBlur}
        className="w-full font-normal"
      >
        {label}
      </NumberField>
      <Wrong id={id}>{wrong}</Wrong>
    </span>
  )
}

/** The list of a choice whose words are its values. */
export function asWords(items: readonly string[]): (readonly [string, string])[] {
  return items.map((item) => [item, item])
}
