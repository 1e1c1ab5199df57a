import { zodResolver } from '@hookform/resolvers/zod'
import { useEffect, useState } from 'react'
import { useForm, type FieldValues, type UseFormReturn } from 'react-hook-form'
import { keptText, useKeptTexts } from '../../platform/keptTexts.ts'

/** What every form of the page is: the fields as typed, and what their schema makes of them. */
export interface Fields<Typed extends FieldValues, Read> {
  form: UseFormReturn<Typed, unknown, Read>
  /** The schema has nothing against what is typed. */
  ready: boolean
  /** It is on its way. */
  busy: boolean
  submit: (event?: { preventDefault?: () => void }) => void
}

/** A schema that gives a `Read` out of what is typed. */
interface FormSchema<Typed, Read> {
  _zod: { input: Typed; output: Read }
}

/**
 * A form by its schema. Once it was sent it stands as at the start, except where somebody typed on meanwhile.
 * @param options.start what stands in the fields before anything is typed
 * @param options.place where what is typed is kept until it is sent (`job/x/found`): a reload loses nothing
 * @param options.onSend gets what the schema made of it; `false` keeps the fields as they are
 */
export function useFields<Typed extends Record<string, string>, Read>(
  schema: FormSchema<Typed, Read>,
  options: { start: Typed; place?: string; onSend: (values: Read) => Promise<boolean | void> | boolean | void },
): Fields<Typed, Read> {
  const { start, place, onSend } = options
  const [values] = useState<Typed>(() => (place === undefined ? start : { ...start, ...keptOf(start, place) }))
  const form = useForm<Typed, unknown, Read>({
    resolver: zodResolver(schema, undefined, { mode: 'sync' }),
    values,
    mode: 'onChange',
  })
  const { subscribe, handleSubmit, getValues, reset } = form
  useEffect(() => {
    if (place === undefined) return
    return subscribe({
      formState: { values: true },
      callback: ({ values: now }) => keep(now, start, place),
    })
    // What the form starts with is asked for once.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [place, subscribe])
  const send = handleSubmit(async (read) => {
    const sent = JSON.stringify(getValues())
    if ((await onSend(read)) === false) return
    if (JSON.stringify(getValues()) !== sent) return
    if (place !== undefined) keep(start, start, place)
    reset(start)
  })
  return {
    form,
    ready: form.formState.isValid,
    busy: form.formState.isSubmitting,
    submit: (event) => {
      event?.preventDefault?.()
      void send()
    },
  }
}

function keptOf(start: Record<string, string>, place: string): Record<string, string> {
  return Object.fromEntries(
    Object.keys(start).flatMap((name) => {
      const text = keptText(`${place}/${name}`)
      return text === '' ? [] : [[name, text]]
    }),
  )
}

function keep(now: Record<string, string>, start: Record<string, string>, place: string): void {
  const { keep: keepText } = useKeptTexts.getState()
  for (const [name, text] of Object.entries(now)) {
    const kept = text === start[name] ? '' : text
    if (kept !== keptText(`${place}/${name}`)) keepText(`${place}/${name}`, kept)
  }
}
