import type { z } from 'zod'
import { sameValue, type Problem } from '../shared/index.ts'
import type { EntryDefinition } from './defineEntry.ts'
import type { EntryForms, ValueIn } from './forms.ts'
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

/** What a decision is decided for, where there are several of the kind. */
type OfIn<Shape extends z.ZodRawShape> = ValueIn<Omit<Shape, 'value' | 'replaces'>>
/** Its answer. Null gives the decision back to the plan, and is none. */
type AnswerIn<Shape extends z.ZodRawShape> = Shape extends { value: infer Value extends z.ZodType }
  ? Exclude<z.infer<Value>, null>
  : never

/** Where the answers of a decision lie in the state, and what is asked. */
interface DecisionForm<Context, State, Kind extends string, Shape extends z.ZodRawShape> {
  kind: Kind
  /** Where the answer in force stands. */
  at(state: State, of: OfIn<Shape>): Slot<AnswerIn<Shape>>
  /** What it names that is not there. */
  refs?(context: Context, entry: EntryHead & OfIn<Shape> & { value: AnswerIn<Shape> | null }): Problem[]
  /** The answer in words. */
  say?(value: AnswerIn<Shape>, context: Context): string
  /** What was decided, in words. */
  about(of: OfIn<Shape>, context: Context): string
}

/**
 * A question with one answer at a time, as an entry of its own: `value` and the answer it `replaces` (null: none was given, or it was
 * given back to the plan). Its form is an {@link answerForm}.
 */
export function defineDecision<Context, State, Place, Forms extends EntryForms>() {
  return <const Kind extends keyof Forms & string>(form: DecisionForm<Context, State, Kind, Forms[Kind]>) => {
    type Answer = AnswerIn<Forms[Kind]>
    type Of = OfIn<Forms[Kind]>
    type Body = { kind: Kind } & Of & { value: Answer | null; replaces: Answer | null }
    const say = (value: Answer | null, context: Context): string =>
      value === null ? 'as proposed' : (form.say?.(value, context) ?? String(value))
    const definition: EntryDefinition<Context, State, Body, Place> & { kind: Kind } = {
      kind: form.kind,
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
    return Object.assign(definition, {
      /** The entry that gives this answer in place of the one in force. */
      answer: (state: State, of: Of, value: Answer | null): Body =>
        // oxlint-disable-next-line typescript/consistent-type-assertions -- put together of its parts, which a spread of a type parameter hides
        ({ kind: form.kind, ...(of as object), value, replaces: form.at(state, of).get()?.value ?? null }) as Body,
    })
  }
}
