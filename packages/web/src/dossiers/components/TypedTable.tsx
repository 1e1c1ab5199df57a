import type { Machine } from '@tidy-badger/core/dossiers'
import type { Outcome } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Grid, type GridColumn } from '../../ui/Grid.tsx'
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

/** What was typed in a row and not kept yet, and why. */
interface RowInHand<Row> {
  typed: Partial<Row>
  problems: readonly { path: string; message: string }[]
}

interface Shown<Item> {
  /** Null for the row a new one is typed in. */
  item: Item | null
}

/** One row a thing, typed left to right; Enter keeps a row and goes to the next, leaving a field keeps a changed one. */
export function TypedTable<Item extends { id: string; name: string }, Row extends object>({
  title,
  says,
  one,
  fields,
  items,
  machine,
  rowOf,
  empty,
  keep,
  takeOut,
}: TypedTableProps<Item, Row>) {
  const [inHand, setInHand] = useState<Record<string, RowInHand<Row>>>({})
  const idOf = ({ item }: Shown<Item>) => item?.id ?? ''
  const handOf = (shown: Shown<Item>) => inHand[idOf(shown)] ?? { typed: {}, problems: [] }
  const setHand = (shown: Shown<Item>, hand: RowInHand<Row>) =>
    setInHand((before) => ({ ...before, [idOf(shown)]: hand }))
  const store = (shown: Shown<Item>, more: Partial<Row> = {}) => {
    const typed = { ...handOf(shown).typed, ...more }
    if (Object.keys(typed).length === 0) return
    const stored = shown.item ? rowOf(machine, shown.item) : empty
    const made = keep(useDraft.getState().machine ?? machine, shown.item?.id ?? null, { ...stored, ...typed })
    if (!made.ok) return setHand(shown, { typed, problems: made.problems })
    setHand(shown, { typed: {}, problems: [] })
    changeDraft(() => made.value)
  }
  const set = (shown: Shown<Item>, more: Partial<Row>, now: boolean) =>
    now && shown.item
      ? store(shown, more)
      : setHand(shown, { ...handOf(shown), typed: { ...handOf(shown).typed, ...more } })
  const cell = (shown: Shown<Item>, { field, label, hint, wide, options }: TypedField<Row>) => {
    const { typed, problems } = handOf(shown)
    const row: Row = { ...(shown.item ? rowOf(machine, shown.item) : empty), ...typed }
    const value = row[field]
    const wrong = problems.some((problem) => problem.path === field)
    const common = { 'aria-label': `${label}, ${shown.item?.name ?? `new ${one}`}`, 'aria-invalid': wrong }
    const as = (next: string | boolean): Partial<Row> => {
      const more: Partial<Row> = {}
      return Object.assign(more, { [field]: next })
    }
    if (typeof value === 'boolean')
      return (
        <input
          type="checkbox"
          {...common}
          className="mt-2.5 size-6 !min-h-0 accent-[var(--lamp)]"
          checked={value}
          onChange={(event) => set(shown, as(event.target.checked), true)}
        />
      )
    if (options)
      return (
        <select {...common} value={String(value)} onChange={(event) => set(shown, as(event.target.value), true)}>
          {options.map((option) => (
            <option key={option} value={option}>
              {option || '–'}
            </option>
          ))}
        </select>
      )
    return (
      <input
        {...common}
        placeholder={shown.item ? '' : hint}
        className={`${wide} ${wrong ? '!border-stop' : ''}`}
        value={String(value)}
        onChange={(event) => set(shown, as(event.target.value), false)}
        onBlur={() => shown.item && store(shown)}
        onKeyDown={(event) => event.key === 'Enter' && store(shown)}
      />
    )
  }
  return (
    <section className="min-w-0">
      <h2 className="mb-1 text-title font-bold">{title}</h2>
      <p className="mb-2 text-quiet">{says}</p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={title}>
        <Grid
          label={`${title}, typed`}
          rows={items.map((item): Shown<Item> => ({ item }))}
          last={{ item: null }}
          idOf={idOf}
          columns={[
            ...fields.map((field): GridColumn<Shown<Item>> => ({
              id: field.field,
              head: field.label,
              cell: (shown) => cell(shown, field),
            })),
            {
              id: 'out',
              head: 'Take out',
              width: 'whitespace-nowrap',
              hideHead: true,
              cell: (shown) =>
                shown.item ? (
                  <Button
                    look="quiet"
                    onClick={() => changeDraft((before) => (shown.item ? takeOut(before, shown.item.id) : before))}
                  >
                    Take out
                  </Button>
                ) : (
                  <Button onClick={() => store(shown)}>Add</Button>
                ),
            },
          ]}
          under={(shown) => <Problems of={handOf(shown).problems} />}
        />
      </div>
    </section>
  )
}

function Problems({ of }: { of: RowInHand<object>['problems'] }) {
  if (of.length === 0) return null
  return (
    <ul role="alert" className="border-l-[5px] border-stop pl-3 font-semibold text-stop">
      {of.map((problem) => (
        <li key={`${problem.path} ${problem.message}`}>{problem.message}</li>
      ))}
    </ul>
  )
}
