import { isItem, put, readCell, valueAt, type Cell } from '../dossier-files/index.ts'
import { kitSchema, machineSchema, type Kit, type Machine } from '../dossiers/index.ts'
import { failure, problemsOfZod, success, type Outcome, type Problem } from '../shared/index.ts'

/** One field of a thing as it is typed: its label, where it stands in the thing, and how it is read and written. */
export interface TypedField {
  name: string
  label: string
  /** Names from the thing inwards. */
  field: readonly string[]
  cell: Cell
  unit?: string
  /** What may stand there, before anything does. */
  hint?: string
  /** Picked from these instead of typed. */
  options?: readonly string[]
  /** A tick. */
  flag?: boolean
  /** Typed over several lines. */
  lines?: boolean
  /** An empty one is an empty list or text or a no, not nothing at all. */
  emptyIs?: [] | '' | false
}

/** @param at field of the thing by dots; the name unless said */
export function typed(
  name: string,
  label: string,
  cell: Cell,
  { at = name, ...more }: Partial<Omit<TypedField, 'name' | 'label' | 'cell' | 'field'>> & { at?: string } = {},
): TypedField {
  return { name, label, cell, field: at.split('.'), ...more }
}

/** What is typed, by field; ticks are `yes` or empty. */
export type Texts = Record<string, string>

/** A thing as it would be typed. */
export function textsOf(thing: unknown, fields: readonly TypedField[]): Texts {
  return Object.fromEntries(
    fields.map(({ name, field, cell, flag, emptyIs }) => {
      const value = valueAt(thing, field)
      if (value === undefined) return [name, '']
      if (flag) return [name, value === true ? 'yes' : '']
      return [name, Array.isArray(value) && value.length === 0 && emptyIs !== undefined ? '' : cell.write(value)]
    }),
  )
}

/** The thing with what was typed; fields that are not among the texts stay. */
function typedInto(thing: unknown, fields: readonly TypedField[], texts: Texts): Outcome<Record<string, unknown>> {
  const made: Record<string, unknown> = isItem(thing) ? structuredClone(thing) : {}
  const problems: Problem[] = []
  for (const { name, field, cell, flag, emptyIs } of fields) {
    const text = texts[name]?.trim()
    if (text === undefined) continue
    // A no that was written down stays one.
    if (flag && text === '' && valueAt(made, field) === false) continue
    if (text === '') {
      takeOut(made, field)
      if (emptyIs !== undefined) put(made, field, emptyIs)
      continue
    }
    const reading = readCell(cell, text)
    if ('says' in reading) problems.push({ code: 'unreadable', path: name, message: reading.says })
    else if (flag && reading.value === false) takeOut(made, field)
    else put(made, field, reading.value)
  }
  return problems.length > 0 ? failure(...problems) : success(made)
}

function takeOut(item: Record<string, unknown>, [name = '', ...inner]: readonly string[]): void {
  const value = item[name]
  if (inner.length === 0) delete item[name]
  else if (isItem(value)) {
    takeOut(value, inner)
    if (Object.keys(value).length === 0) delete item[name]
  }
}

/** The documents that are written. */
export interface Documents {
  machine: Machine
  kit: Kit
}

/**
 * The document with what was typed at one place of it, judged by its schema.
 * @param at list and index, or names from the document inwards; a thing that is not there yet is begun from `from`
 * @returns problems by field name, with its label; the document is then as it was
 */
export function withTyped<K extends keyof Documents>(
  kind: K,
  document: Documents[K],
  at: readonly string[],
  fields: readonly TypedField[],
  texts: Texts,
  from?: unknown,
): Outcome<Documents[K]> {
  const thing = typedInto(placeIn(document, at) ?? from, fields, texts)
  if (!thing.ok) return thing
  const parsed = judges[kind](placed(document, at, thing.value))
  if (parsed.ok) return parsed
  return failure(...parsed.problems.map((problem) => atField(problem, at, fields)))
}

const judges: { [K in keyof Documents]: (value: unknown) => Outcome<Documents[K]> } = {
  machine: (value) => {
    const parsed = machineSchema.safeParse(value)
    return parsed.success ? success(parsed.data) : failure(...problemsOfZod(parsed.error))
  },
  kit: (value) => {
    const parsed = kitSchema.safeParse(value)
    return parsed.success ? success(parsed.data) : failure(...problemsOfZod(parsed.error))
  },
}

/** A document that is being written, as far as its form goes: what contradicts itself is said while it is written. */
export function readDraft(value: unknown): Documents[keyof Documents] | null {
  const kind = isItem(value) ? value['kind'] : undefined
  if (kind !== 'machine' && kind !== 'kit') return null
  const judged = judges[kind](value)
  return judged.ok ? judged.value : null
}

const listOf = (value: readonly unknown[]): readonly unknown[] => value

function placeIn(document: unknown, at: readonly string[]): unknown {
  return at.reduce((value, name) => {
    if (Array.isArray(value)) return listOf(value)[Number(name)]
    return isItem(value) ? value[name] : undefined
  }, document)
}

/** A copy of the document with a thing put in its place, or behind the last of a list. */
function placed(document: unknown, [name, ...inner]: readonly string[], thing: unknown): unknown {
  if (name === undefined) return thing
  if (Array.isArray(document) || (document === undefined && /^\d+$/.test(name))) {
    const list: unknown[] = Array.isArray(document) ? [...listOf(document)] : []
    list[Number(name)] = placed(list[Number(name)], inner, thing)
    return list
  }
  const item = isItem(document) ? document : {}
  return { ...item, [name]: placed(item[name], inner, thing) }
}

/** The problem at the field it is about, in the words of the form. */
function atField(problem: Problem, at: readonly string[], fields: readonly TypedField[]): Problem {
  const place = at.join('.')
  const within = place === '' ? problem.path : problem.path.slice(place.length + 1)
  const found = fields.find(({ field }) => {
    const path = field.join('.')
    return within === path || within.startsWith(`${path}.`) || path.startsWith(`${within}.`)
  })
  if (!found) return problem
  const missing = /is missing/.test(problem.message)
  return {
    ...problem,
    path: found.name,
    message: missing ? `${found.label}: nothing stands here yet.` : problem.message.replace(/^"[^"]*"/, found.label),
  }
}

/** The document without one of a list. */
export function withoutOne<K extends keyof Documents>(
  kind: K,
  document: Documents[K],
  list: string,
  index: number,
): Outcome<Documents[K]> {
  const items = isItem(document) ? document[list] : undefined
  return judges[kind]({
    ...document,
    [list]: Array.isArray(items) ? items.filter((_, i) => i !== index) : [],
  })
}
