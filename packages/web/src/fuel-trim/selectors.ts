import type { KitTrim } from '@tidy-badger/core/dossiers'
import type { TrimCell, TrimSuggestion } from '@tidy-badger/core/fuel-trim'

export type CellKey = `${number}/${number}`

/** One cell as the review shows it. */
export interface CellView {
  key: CellKey
  rpm: number
  load: number
  now: number
  /** Value after acceptance; the present one where nothing is suggested. */
  next: number
  suggestion: TrimCell | null
  measured: TrimSuggestion['measured'][number][number]
  fullLoad: boolean
  accepted: boolean
}

/** New values are written to the tenth of a percent that modules take. */
function written(value: number): number {
  return Math.round(value * 10) / 10
}

/**
 * Cells in rpm order. Earned ones below full load are accepted unless turned down; at full load, and from a ride used
 * before, only those turned up.
 * @param turned cells whose answer the person has turned round
 */
export function cellViews(
  trim: KitTrim,
  current: readonly (readonly number[])[],
  suggestion: TrimSuggestion | null,
  turned: ReadonlySet<CellKey>,
  spent: boolean,
): CellView[] {
  return trim.rpm.flatMap((rpm, r) =>
    trim.load.map((load, l): CellView => {
      const key: CellKey = `${rpm}/${load}`
      const cell = suggestion?.cells[r]?.[l] ?? null
      const now = current[r]?.[l] ?? 0
      const next = cell?.earned ? written(cell.trimPct) : now
      const fullLoad = load >= trim.fullLoadPct
      const usual = !fullLoad && !spent
      return {
        key,
        rpm,
        load,
        now,
        next,
        suggestion: cell,
        measured: suggestion?.measured[r]?.[l] ?? null,
        fullLoad,
        accepted: next !== now && usual !== turned.has(key),
      }
    }),
  )
}

/** Whether there is anything to take over in a cell. */
export function acceptable(cell: CellView): boolean {
  return cell.next !== cell.now
}
