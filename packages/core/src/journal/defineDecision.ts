import type { z } from 'zod'
import { sameValue, type Problem } from '../shared/index.ts'
import type { EntryDefinition, ValueIn } from './defineEntry.ts'
import { doneBy, type Decided, type EntryHead } from './model.ts'

/** A place in the state for one answer. */
export interface Slot<Value> {
  get: () => Decided<Value> | undefined
  /** Undefined: the decision was given back. */
  put: (answer: Decided<Value> | undefined) => void
}

/** The answer under one name of a record. */
export function slotOf<Key extends string, Value>(
  record: { [K in Key]?: Decided<NoInfer<Value>> },
  key: Key,
): Slot<Value> {
  return {
    get: () => record[key],
    put(answer) {
      if (answer) record[key] = answer
      else delete record[key]
    },
  }
}

/** Where the answers of a decision lie in the state, and what is asked. */
interface DecisionForm<Context, State, Kind extends string, Of extends z.ZodRawShape, Value extends z.ZodType> {
  kind: Kind
  /** What it is decided for, where there are several of the kind. */
  of: Of
  /** The form of an answer. Null gives the decision back to the plan. */
  value: Value
  /** Where the answer in force stands. */
  at(state: State, of: ValueIn<Of>): Slot<z.infer<Value>>
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
      refs: form.refs,
      apply(state: State, entry: EntryHead & Body, context: Context): string | null {
        const slot = form.at(state, entry)
        const now = slot.get()?.value ?? null
        if (!sameValue(now, entry.replaces))
          return `It was ${say(entry.replaces, context)} when this was chosen, and is ${say(now, context)} now.`
        slot.put(entry.value === null ? undefined : { ...doneBy(entry), value: entry.value })
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
        ({ kind: form.kind, ...(of as object), value, replaces: form.at(state, of).get()?.value ?? null }) as Body,
    })
  }
}
