import type { z } from 'zod'
import type { Problem } from '../shared/index.ts'
import type { EntryDefinition, ValueIn } from './defineEntry.ts'
import { doneBy, type Decided, type EntryHead } from './model.ts'

type AnyRecord = Record<string, unknown>
/** Where the answers of a decision lie in the state, and what is asked. */
interface DecisionForm<Context, State, Kind extends string, Of extends z.ZodRawShape, Value extends z.ZodType> {
  kind: Kind
  /** What it is decided for, where there are several of the kind. */
  of: Of
  /** The form of an answer. Null gives the decision back to the plan. */
  value: Value
  /** The answer in force. */
  read(state: State, of: ValueIn<Of>): Decided<z.infer<Value>> | undefined
  write(state: State, of: ValueIn<Of>, decided: Decided<z.infer<Value>> | undefined): void
  /** What it names that is not there. */
  refs?(context: Context, entry: EntryHead & ValueIn<Of> & { value: z.infer<Value> | null }): Problem[]
  /** The answer in words. */
  say?(value: z.infer<Value>, context: Context): string
  /** What was decided, in words. */
  about(of: ValueIn<Of>, context: Context): string
}

/**
 * A question with one answer at a time, as an entry of its own: `value` and the answer it `replaces` (null: none was given, or it was
 * given back to the plan).
 */
export function defineDecision<Context, State, Place = unknown>() {
  return <const Kind extends string, Of extends z.ZodRawShape, Value extends z.ZodType>(
    form: DecisionForm<Context, State, Kind, Of, Value>,
  ) => {
    type Answer = z.infer<Value>
    type Body = { kind: Kind } & ValueIn<Of> & { value: Answer | null; replaces: Answer | null }
    const say = (value: Answer | null, context: Context): string =>
      value === null ? 'as proposed' : (form.say?.(value, context) ?? String(value))
    const made = {
      kind: form.kind,
      shape: { ...form.of, value: form.value.nullable(), replaces: form.value.nullable() },
      replaces: true,
      ...(form.refs ? { refs: (context: Context, entry: EntryHead & Body) => form.refs?.(context, entry) ?? [] } : {}),
      apply(state: State, entry: EntryHead & Body, context: Context): string | null {
        const now = form.read(state, entry)?.value ?? null
        if (!sameValue(now, entry.replaces))
          return `It was ${say(entry.replaces, context)} when this was chosen, and is ${say(now, context)} now.`
        form.write(state, entry, entry.value === null ? undefined : { ...doneBy(entry), value: entry.value })
        return null
      },
      words: (entry: EntryHead & Body, context: Context) =>
        `${form.about(entry, context)}: ${say(entry.value, context)}`,
    }
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the shape above is that of Body, which zod cannot infer through a spread
    const definition = made as unknown as EntryDefinition<Context, State, Body, Place> & { kind: Kind }
    return Object.assign(definition, {
      /** The entry that gives this answer in place of the one in force. */
      answer: (state: State, of: ValueIn<Of>, value: Answer | null): Body =>
        // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- as above
        ({ kind: form.kind, ...(of as object), value, replaces: form.read(state, of)?.value ?? null }) as Body,
    })
  }
}

/** Whether two answers are the same, part for part. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((item, i) => sameValue(item, b[i]))
  if (!isRecord(a) || !isRecord(b)) return false
  const names = new Set([...Object.keys(a), ...Object.keys(b)])
  return [...names].every((name) => sameValue(a[name], b[name]))
}

function isRecord(value: unknown): value is AnyRecord {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}
