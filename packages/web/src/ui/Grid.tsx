import {
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_includesString,
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  tableFeatures,
  useTable,
  type SortingState,
} from '@tanstack/react-table'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { useRef, useState, type KeyboardEvent, type ReactNode } from 'react'

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
  filterFns: { includesString: filterFn_includesString },
  sortFns: { alphanumeric: sortFn_alphanumeric },
})

/** More rows than this have a field that looks for words in them. */
const searchedFrom = 12

export interface GridColumn<Row> {
  id: string
  head: string
  /** Said aloud only. */
  hideHead?: boolean
  /** Classes of its cells that say how wide it is. */
  width?: string
  /** What rows are sorted and looked for by; a column without it is neither. */
  text?: (row: Row) => string
  cell: (row: Row) => ReactNode
}

/**
 * Rows that are edited in place. Arrows go up and down a column, Enter to the first field of the next row; heads sort.
 * @param under what stands below a row, such as what is wrong with it
 */
export function Grid<Row extends object>({
  label,
  rows,
  idOf,
  columns,
  under,
  rowClass,
  className = '',
  last,
}: {
  label: string
  rows: readonly Row[]
  idOf: (row: Row) => string
  columns: readonly GridColumn<Row>[]
  under?: (row: Row) => ReactNode
  rowClass?: (row: Row) => string
  className?: string
  /** A row of its own that stands below whatever is sorted or looked for. */
  last?: Row
}) {
  const [sorting, setSorting] = useState<SortingState>([])
  const [words, setWords] = useState('')
  const grid = useRef<HTMLTableElement>(null)
  const byId = new Map(columns.map((column) => [column.id, column]))
  const table = useTable({
    features,
    data: rows,
    getRowId: idOf,
    columns: columns.map(({ id, text }) => ({
      id,
      accessorFn: (row: Row) => text?.(row) ?? '',
      enableSorting: text !== undefined,
      enableGlobalFilter: text !== undefined,
      sortFn: 'alphanumeric' as const,
    })),
    globalFilterFn: 'includesString',
    state: { sorting, globalFilter: words },
    onSortingChange: setSorting,
  })
  const shown = table.getRowModel().rows.map((row) => ({ id: row.id, row: row.original }))
  const all = last === undefined ? shown : [...shown, { id: idOf(last), row: last }]
  const move = (event: KeyboardEvent<HTMLElement>) => {
    const { key, target } = event
    if (!(target instanceof HTMLInputElement || target instanceof HTMLSelectElement)) return
    const arrow = target instanceof HTMLInputElement && (key === 'ArrowDown' ? 1 : key === 'ArrowUp' ? -1 : 0)
    const step = key === 'Enter' ? 1 : arrow
    const at = Number(target.closest<HTMLElement>('[data-row]')?.dataset['row'])
    if (!step) return
    const column = target.closest<HTMLElement>('[data-column]')?.dataset['column']
    const within = key === 'Enter' ? '' : `[data-column="${column}"] `
    const fieldOf = (row: number) =>
      grid.current?.querySelector<HTMLElement>(`[data-row="${row}"] ${within}:is(input, select)`)
    const next = fieldOf(at + step) ?? (key === 'Enter' && last !== undefined ? fieldOf(at) : null)
    if (!next) return
    event.preventDefault()
    next.focus()
  }
  return (
    <>
      {rows.length > searchedFrom && columns.some((column) => column.text) && (
        <input
          aria-label={`Find in: ${label}`}
          placeholder="Find…"
          className="mb-2 w-60"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      )}
      {/* The keys move between the fields; each field is one of its own to whoever does not see them. */}
      {/* oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
      <table ref={grid} aria-label={label} className={`border-collapse ${className}`} onKeyDown={move}>
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} className="text-left text-small">
              {group.headers.map(({ id, column }) => {
                const own = byId.get(id)
                const sorted = column.getIsSorted()
                return (
                  <th
                    key={id}
                    className={`px-1 pb-1 ${own?.width ?? ''}`}
                    aria-sort={sorted === false ? undefined : sorted === 'asc' ? 'ascending' : 'descending'}
                  >
                    {column.getCanSort() && rows.length > 1 ? (
                      <button
                        type="button"
                        className="inline-flex min-h-11 items-center gap-1 font-bold"
                        onClick={() => column.toggleSorting()}
                      >
                        {own?.head}
                        {sorted === 'asc' && <ArrowUp aria-hidden size={15} />}
                        {sorted === 'desc' && <ArrowDown aria-hidden size={15} />}
                      </button>
                    ) : own?.hideHead ? (
                      <span className="sr-only">{own.head}</span>
                    ) : (
                      own?.head
                    )}
                  </th>
                )
              })}
            </tr>
          ))}
        </thead>
        {all.map(({ id, row }, at) => {
          const below = under?.(row)
          return (
            <tbody key={id} data-row={at}>
              <tr className={`align-top ${rowClass?.(row) ?? ''}`}>
                {columns.map((column) => (
                  <td key={column.id} data-column={column.id} className={`px-1 py-0.5 ${column.width ?? ''}`}>
                    {column.cell(row)}
                  </td>
                ))}
              </tr>
              {below && (
                <tr>
                  <td colSpan={columns.length} className="pb-3">
                    {below}
                  </td>
                </tr>
              )}
            </tbody>
          )
        })}
      </table>
      {all.length === 0 && <p className="text-quiet">Nothing with these words.</p>}
    </>
  )
}
