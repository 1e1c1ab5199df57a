import type { Machine } from '@tidy-badger/core/dossiers'
import type { Outcome } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { changeDraft, useDraft } from '../draftStore.ts'

export interface TypedField<Row> {
  field: keyof Row & string
  label: string
  hint: string
  wide: string
  /** Picked from these instead of typed. */
  options?: readonly string[]
}

export interface TypedTableProps<Item extends { id: string; name: string }, Row extends object> {
  title: string
  says: string
  /** What one row is, for its labels: "cover". */
  one: string
  fields: readonly TypedField<Row>[]
  items: readonly Item[]
  machine: Machine
  rowOf: (machine: Machine, item: Item) => Row
  empty: Row
  /** The machine with a row kept; new for `id` null. */
  keep: (machine: Machine, id: string | null, row: Row) => Outcome<Machine>
  takeOut: (machine: Machine, id: string) => Machine
}

/** One row a thing, typed left to right; Enter keeps a row and opens the next, leaving a field keeps a changed one. */
export function TypedTable<Item extends { id: string; name: string }, Row extends object>(
  props: TypedTableProps<Item, Row>,
) {
  const { title, says, fields, items } = props
  const [added, setAdded] = useState(0)
  return (
    <section className="min-w-0">
      <h2 className="mb-1 text-title font-bold">{title}</h2>
      <p className="mb-2 text-quiet">{says}</p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={title}>
        <table className="border-collapse">
          <thead>
            <tr className="text-left text-small">
              {fields.map(({ field, label }) => (
                <th key={field} className="pr-2 pb-1">
                  {label}
                </th>
              ))}
              <th>
                <span className="sr-only">Take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {items.map((item) => (
              <TypedRow key={item.id} {...props} item={item} fresh={false} onAdded={() => {}} />
            ))}
            <TypedRow
              key={`new ${items.length}`}
              {...props}
              item={null}
              fresh={added > 0}
              onAdded={() => setAdded(added + 1)}
            />
          </tbody>
        </table>
      </div>
    </section>
  )
}

function TypedRow<Item extends { id: string; name: string }, Row extends object>({
  one,
  fields,
  machine,
  rowOf,
  empty,
  keep,
  takeOut,
  item,
  fresh,
  onAdded,
}: TypedTableProps<Item, Row> & { item: Item | null; fresh: boolean; onAdded: () => void }) {
  const stored = item ? rowOf(machine, item) : empty
  const [typed, setTyped] = useState<Partial<Row>>({})
  const [problems, setProblems] = useState<{ path: string; message: string }[]>([])
  const row: Row = { ...stored, ...typed }
  const name = item?.name ?? `new ${one}`
  const store = (more: Partial<Row> = {}) => {
    const changed = { ...typed, ...more }
    if (Object.keys(changed).length === 0) return
    const made = keep(useDraft.getState().machine ?? machine, item?.id ?? null, { ...stored, ...changed })
    if (!made.ok) {
      setTyped(changed)
      setProblems(made.problems)
      return
    }
    setTyped({})
    setProblems([])
    changeDraft(() => made.value)
    if (!item) onAdded()
  }
  const set = (more: Partial<Row>) => (item ? store(more) : setTyped({ ...typed, ...more }))
  return (
    <>
      <tr className="align-top">
        {fields.map(({ field, label, hint, wide, options }, i) => {
          const value = row[field]
          const wrong = problems.some((problem) => problem.path === field)
          const common = { 'aria-label': `${label}, ${name}`, 'aria-invalid': wrong }
          const as = (next: string | boolean): Partial<Row> => {
            const more: Partial<Row> = {}
            return Object.assign(more, { [field]: next })
          }
          return (
            <td key={field} className="pr-2 pb-1">
              {typeof value === 'boolean' ? (
                <input
                  type="checkbox"
                  {...common}
                  className="mt-2.5 size-6 !min-h-0 accent-[var(--lamp)]"
                  checked={value}
                  onChange={(event) => set(as(event.target.checked))}
                />
              ) : options ? (
                <select {...common} value={String(value)} onChange={(event) => set(as(event.target.value))}>
                  {options.map((option) => (
                    <option key={option} value={option}>
                      {option || '–'}
                    </option>
                  ))}
                </select>
              ) : (
                <input
                  {...common}
                  placeholder={item ? '' : hint}
                  className={`${wide} ${wrong ? '!border-stop' : ''}`}
                  value={String(value)}
                  autoFocus={fresh && i === 0}
                  onChange={(event) => setTyped({ ...typed, ...as(event.target.value) })}
                  onBlur={() => item && store()}
                  onKeyDown={(event) => event.key === 'Enter' && store()}
                />
              )}
            </td>
          )
        })}
        <td className="pb-1 pl-2">
          {item ? (
            <Button look="quiet" onClick={() => changeDraft((before) => takeOut(before, item.id))}>
              Take out
            </Button>
          ) : (
            <Button onClick={() => store()}>Add</Button>
          )}
        </td>
      </tr>
      {problems.length > 0 && (
        <tr>
          <td colSpan={fields.length + 1} className="pb-3">
            <ul role="alert" className="border-l-[5px] border-stop pl-3 font-semibold text-stop">
              {problems.map((problem) => (
                <li key={`${problem.path} ${problem.message}`}>{problem.message}</li>
              ))}
            </ul>
          </td>
        </tr>
      )}
    </>
  )
}
