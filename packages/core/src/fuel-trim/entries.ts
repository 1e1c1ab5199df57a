import type { DossierPair, Station } from '../dossiers/index.ts'
import { defineEntry, doneBy, type Refusal } from '../journal/index.ts'
import { currentTrim, type CellChange, type TrimRevision, type TrimState } from './state.ts'
import { trimBasis } from './trimBasis.ts'
import type { trimForms } from './forms.ts'

const entry = defineEntry<DossierPair, TrimState, Station, typeof trimForms>()

const noBasis = (dossiers: DossierPair): Refusal | null =>
  trimBasis(dossiers)
    ? null
    : {
        code: 'no-trim',
        message: `There is nothing to trim the ${dossiers.machine.model} by: no mixture sensor tells it.`,
      }

export const logImported = entry({
  kind: 'log-imported',
  apply(state, written) {
    if (state.logs.some((log) => log.log === written.log)) return 'This log is in the job already.'
    const { log, name, rows, bytes, mapping, tableInForce } = written
    state.logs.push({ ...doneBy(written), log, name, rows, bytes, mapping, tableInForce, usedBy: null })
    return null
  },
  place: () => 'trim',
  words: ({ name, rows }) => `Ride log ${name}, ${rows.toLocaleString('en')} rows`,
})

export const trimAccepted = entry({
  kind: 'trim-accepted',
  replaces: true,
  bars: noBasis,
  apply(state, written) {
    const log = state.logs.find((candidate) => candidate.log === written.log)
    if (!log) return 'The log it was made from is not in the job.'
    const why = changeCells(state, written.cells, {
      ...doneBy(written),
      source: 'ride',
      log: written.log,
      name: log.name,
    })
    if (why === null) log.usedBy ??= written.id
    return why
  },
  place: () => 'trim',
  words: ({ cells }) => `${cells.length} trim cells accepted`,
})

export const trimLoaded = entry({
  kind: 'trim-loaded',
  replaces: true,
  bars: noBasis,
  apply: (state, written) =>
    changeCells(state, written.cells, { ...doneBy(written), source: 'file', name: written.name }),
  place: () => 'trim',
  words: ({ name, cells }) => `Trim table read from ${name}: ${cells.length} cells changed`,
})

/** A new revision of the table. @returns null, or which cell is no longer what it was */
function changeCells(
  state: TrimState,
  cells: readonly CellChange[],
  source: Omit<TrimRevision, 'changed' | 'pct'>,
): string | null {
  const { rpm, load } = state.trim
  const pct = currentTrim(state).map((row) => row.slice())
  for (const cell of cells) {
    const r = rpm.indexOf(cell.rpm)
    const l = load.indexOf(cell.load)
    if (r < 0 || l < 0) return `The table has no cell at ${cell.rpm} rpm, ${cell.load} %.`
    if (Math.abs(pct[r][l] - cell.old) > 1e-6)
      return `The cell at ${cell.rpm} rpm, ${cell.load} % was ${cell.old} when this was decided and is ${pct[r][l]} now.`
    pct[r][l] = cell.new
  }
  state.trim.revisions.push({ ...source, changed: cells.length, pct })
  return null
}

export const trimEntries = [logImported, trimAccepted, trimLoaded]
