import type { KnownList } from '@tidy-badger/core/dossiers'
import type { Outcome } from '@tidy-badger/core/shared'
import { ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Grid, type GridColumn } from '../../ui/Grid.tsx'
import { KnownPick, RestKnown } from './KnownPick.tsx'
import { keepMade, type Drafting } from '../draftStore.ts'
import { TypedCell, type TypedField } from './TypedCell.tsx'

export interface TypedTableProps<Document, Item extends { id: string; name: string }, Row extends object> {
  title: string
  says?: string
  drafting: Drafting<Document>
  /** What one row is, for its labels: "cover". */
  one: string
  fields: readonly TypedField<Row>[]
  items: readonly Item[]
  document: Document
  rowOf: (document: Document, item: Item) => Row
  empty: Row
  /** The document with a row kept; new for `id` null. */
  keep: (document: Document, id: string | null, row: Row) => Outcome<Document>
  takeOut: (document: Document, id: string) => Document
  /** The list its things are known in, and what a thing is called there where that is not its id. */
  known?: { of: KnownList; idOf?: (id: string) => string | undefined }
  /** Which row is picked, and what picking another does. */
  picked?: string | null
  onPick?: (id: string) => void
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
export function TypedTable<Document, Item extends { id: string; name: string }, Row extends object>({
  title,
  says,
  drafting,
  one,
  fields,
  items,
  document,
  rowOf,
  empty,
  keep,
  takeOut,
  known,
  picked,
  onPick,
}: TypedTableProps<Document, Item, Row>) {
  const [inHand, setInHand] = useState<Record<string, RowInHand<Row>>>({})
  const idOf = ({ item }: Shown<Item>) => item?.id ?? ''
  const handOf = (shown: Shown<Item>) => inHand[idOf(shown)] ?? { typed: {}, problems: [] }
  const setHand = (shown: Shown<Item>, hand: RowInHand<Row>) =>
    setInHand((before) => ({ ...before, [idOf(shown)]: hand }))
  const store = (shown: Shown<Item>, more: Partial<Row> = {}) => {
    const typed = { ...handOf(shown).typed, ...more }
    if (Object.keys(typed).length === 0) return
    const stored = shown.item ? rowOf(document, shown.item) : empty
    const made = keepMade(drafting, document, (now) => keep(now, shown.item?.id ?? null, { ...stored, ...typed }))
    setHand(shown, made.ok ? { typed: {}, problems: [] } : { typed, problems: made.problems })
  }
  const set = (shown: Shown<Item>, more: Partial<Row>, now: boolean) =>
    now && shown.item
      ? store(shown, more)
      : setHand(shown, { ...handOf(shown), typed: { ...handOf(shown).typed, ...more } })
  const cell = (shown: Shown<Item>, field: TypedField<Row>) => {
    const { typed, problems } = handOf(shown)
    const row: Row = { ...(shown.item ? rowOf(document, shown.item) : empty), ...typed }
    const as = (next: string | boolean): Partial<Row> => {
      const more: Partial<Row> = {}
      return Object.assign(more, { [field.field]: next })
    }
    return (
      <TypedCell
        {...field}
        label={`${field.label}, ${shown.item?.name || `new ${one}`}`}
        hint={shown.item ? '' : field.hint}
        wrong={problems.some((problem) => problem.path === field.field)}
        value={row[field.field]}
        onType={(text) => set(shown, as(text), false)}
        onPick={(choice) => set(shown, as(choice), true)}
        onLeave={() => shown.item && store(shown)}
        onEnter={() => store(shown)}
      />
    )
  }
  const pickColumn: GridColumn<Shown<Item>> = {
    id: 'more',
    head: 'All of it',
    hideHead: true,
    cell: ({ item }) =>
      item && (
        <button
          type="button"
          aria-pressed={item.id === picked}
          aria-label={`All of ${item.name}`}
          onClick={() => onPick?.(item.id)}
          className={`size-11 rounded-lg border-2 ${item.id === picked ? 'border-lamp bg-paper' : 'border-line'}`}
        >
          <ChevronRight aria-hidden size={20} className="mx-auto" />
        </button>
      ),
  }
  return (
    <section className="min-w-0">
      <h2 className="mb-1 text-title font-bold">{title}</h2>
      {says && <p className="mb-2 text-quiet">{says}</p>}
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={title}>
        <Grid
          label={`${title}, typed`}
          rows={items.map((item): Shown<Item> => ({ item }))}
          last={{ item: null }}
          idOf={idOf}
          {...(onPick ? { rowClass: (shown: Shown<Item>) => (idOf(shown) === picked ? 'bg-paper' : '') } : {})}
          columns={[
            ...(onPick ? [pickColumn] : []),
            ...fields.map((field): GridColumn<Shown<Item>> => ({
              id: field.field,
              head: field.label,
              cell: (shown) => cell(shown, field),
            })),
            ...(known
              ? [
                  {
                    id: 'known',
                    head: 'Known',
                    cell: ({ item }: Shown<Item>) => {
                      if (!item) return items.length > 1 && <RestKnown of={known.of} one={one} />
                      const id = known.idOf ? known.idOf(item.id) : item.id
                      return id !== undefined && <KnownPick of={known.of} id={id} name={item.name} />
                    },
                  },
                ]
              : []),
            {
              id: 'out',
              head: 'Take out',
              width: 'whitespace-nowrap',
              hideHead: true,
              cell: (shown) =>
                shown.item ? (
                  <Button
                    look="quiet"
                    className="!px-1"
                    onClick={() => drafting.change((before) => (shown.item ? takeOut(before, shown.item.id) : before))}
                  >
                    Take out
                  </Button>
                ) : (
                  <Button aria-label={`Add the ${one}`} onClick={() => store(shown)}>
                    Add
                  </Button>
                ),
            },
          ]}
          under={(shown) => {
            const { problems } = handOf(shown)
            return problems.length > 0 ? <Problems of={problems} /> : null
          }}
        />
      </div>
    </section>
  )
}

export function Problems({ of }: { of: RowInHand<object>['problems'] }) {
  if (of.length === 0) return null
  return (
    <ul role="alert" className="border-l-[5px] border-stop pl-3 font-semibold text-stop">
      {of.map((problem) => (
        <li key={`${problem.path} ${problem.message}`}>{problem.message}</li>
      ))}
    </ul>
  )
}
