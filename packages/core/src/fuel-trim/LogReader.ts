import type { Problem } from '../shared/result.ts'
import { sniffEncoding, textOf, utf16ToUtf8, type LogEncoding } from './decodeBytes.ts'
import { numberOfText, scanned, scanNumber, splitLine } from './parseNumber.ts'
import {
  logRoles,
  neededRoles,
  recogniseColumns,
  unitOf,
  type LogRole,
  type RecognisedColumn,
} from './recogniseColumns.ts'

/** Columns of a log file as read, in the file's own units. Blank fields are NaN. */
export interface RawLog {
  rows: number
  columns: RecognisedColumn[]
  values: Partial<Record<LogRole, Float64Array>>
  header: string[]
  separator: string
  decimal: '.' | ','
  encoding: LogEncoding
  unreadableRows: number
}

export interface ReadOptions {
  /** Column names that overrule recognition by name. */
  columns?: Partial<Record<LogRole, string>>
  /** Leave out rows that cannot be read instead of refusing the file. */
  dropUnreadable?: boolean
}

/** Largest log file that is read, bytes. */
export const largestLogBytes = 100 * 1024 * 1024
const mostProblems = 10
const separators = [',', ';', '\t', '|']
const linesBeforeHeader = 12

/**
 * Reads a ride log from bytes as they come: `push` chunk by chunk, then `finish`.
 * Separator, decimal sign, encoding, header and units row are found out from the file.
 */
export class LogReader {
  private readonly options: ReadOptions
  private readonly problems: Problem[] = []
  private encoding: LogEncoding | undefined
  private carry = new Uint8Array(0)
  private oddByte: Uint8Array = new Uint8Array(0)
  private bytesSeen = 0
  private line = 0
  private header: string[] = []
  private skipped: string[] = []
  private columns: RecognisedColumn[] = []
  private separator = ','
  private decimal: '.' | ',' | undefined
  private slotOfField = new Int8Array(0)
  private values: Float64Array[] = []
  private rows = 0
  private unreadable = 0
  private lastTime = -Infinity
  private fresh = new Float64Array(0)

  constructor(options: ReadOptions = {}) {
    this.options = options
  }

  /** Takes the next bytes of the file. @returns false when reading on is pointless */
  push(bytes: Uint8Array): boolean {
    this.bytesSeen += bytes.length
    if (this.bytesSeen > largestLogBytes)
      this.problems.unshift({
        code: 'file-too-large',
        path: '',
        message: 'The log is over 100 MB. Cut it into rides and import them one by one.',
      })
    if (this.problems.length >= mostProblems || this.bytesSeen > largestLogBytes) return false
    this.takeLines(this.decoded(bytes), false)
    return this.problems.length < mostProblems
  }

  finish(): { ok: true; value: RawLog } | { ok: false; problems: Problem[] } {
    if (this.bytesSeen <= largestLogBytes && this.problems.length < mostProblems)
      this.takeLines(new Uint8Array(0), true)
    if (this.problems.length === 0 && this.bytesSeen === 0)
      this.problems.push({ code: 'file-empty', path: '', message: 'The log is empty: there is nothing in the file.' })
    else if (this.problems.length === 0 && this.header.length === 0) this.problems.push(this.noHeader())
    else if (this.problems.length === 0 && this.rows === 0)
      this.problems.push({
        code: 'no-rows',
        path: '',
        message: 'The log has a header but no rows.',
        line: this.line,
        column: 1,
      })
    if (this.problems.length > 0) return { ok: false, problems: this.problems }
    return {
      ok: true,
      value: {
        rows: this.rows,
        columns: this.columns,
        values: Object.fromEntries(
          this.columns.map((column, slot) => [column.role, this.values[slot].slice(0, this.rows)]),
        ),
        header: this.header,
        separator: this.separator,
        decimal: this.decimal ?? '.',
        encoding: this.encoding ?? 'utf-8',
        unreadableRows: this.unreadable,
      },
    }
  }

  private decoded(bytes: Uint8Array): Uint8Array {
    let input = bytes
    if (this.encoding === undefined) {
      const { encoding, markBytes } = sniffEncoding(bytes)
      this.encoding = encoding
      input = bytes.subarray(markBytes)
    }
    if (this.encoding === 'utf-8') return input
    const whole = joined(this.oddByte, input)
    const even = whole.length - (whole.length % 2)
    this.oddByte = whole.slice(even)
    return utf16ToUtf8(whole.subarray(0, even), this.encoding)
  }

  private takeLines(bytes: Uint8Array, last: boolean): void {
    const all = this.carry.length > 0 ? joined(this.carry, bytes) : bytes
    let from = 0
    while (this.problems.length < mostProblems) {
      const end = all.indexOf(10, from)
      if (end < 0) break
      this.takeLine(all, from, end, true)
      from = end + 1
    }
    this.carry = all.slice(from)
    if (last && this.carry.length > 0 && this.problems.length < mostProblems) {
      this.takeLine(this.carry, 0, this.carry.length, false)
      this.carry = new Uint8Array(0)
    }
  }

  private takeLine(bytes: Uint8Array, from: number, to: number, ended: boolean): void {
    this.line++
    let end = to
    while (end > from && (bytes[end - 1] === 13 || bytes[end - 1] === 0)) end--
    if (end === from) return
    if (this.header.length === 0) {
      const text = textOf(bytes.subarray(from, end)).replace(/^\uFEFF/, '')
      if (text.trim() !== '' && !text.startsWith('#')) this.takeHeader(text)
      return
    }
    if (this.decimal === undefined && this.settleDialect(textOf(bytes.subarray(from, end)))) return
    this.takeRow(bytes, from, end, ended)
  }

  private takeHeader(text: string): void {
    const separator = separators.reduce((best, next) =>
      text.split(next).length > text.split(best).length ? next : best,
    )
    const fields = splitLine(text, separator).map((field) => field.trim())
    const columns = this.chosenColumns(fields)
    if (columns.length < 2 && this.skipped.length < linesBeforeHeader) {
      this.skipped.push(text)
      return
    }
    this.adoptHeader(fields, columns, separator)
  }

  private adoptHeader(fields: string[], columns: RecognisedColumn[], separator: string): void {
    this.header = fields
    this.separator = separator
    this.columns = columns
    for (const role of neededRoles)
      if (!columns.some((column) => column.role === role))
        this.problems.push({
          code: 'column-missing',
          path: `columns.${role}`,
          message: `No column for ${roleWords[role]} was found. The header on line ${this.line} names: ${fields.join(', ')}.`,
          line: this.line,
          column: 1,
        })
    this.slotOfField = new Int8Array(fields.length).fill(-1)
    columns.forEach((column, slot) => (this.slotOfField[column.field] = slot))
    this.values = columns.map(() => new Float64Array(4096))
    this.fresh = new Float64Array(columns.length)
    if (this.problems.length > 0) this.problems.length = Math.min(this.problems.length, mostProblems)
  }

  private chosenColumns(fields: string[]): RecognisedColumn[] {
    const chosen = this.options.columns ?? {}
    const byName = recogniseColumns(fields)
    return logRoles.flatMap((role) => {
      const name = chosen[role]
      const field = name === undefined ? -1 : fields.indexOf(name)
      if (field >= 0)
        return [
          recogniseColumns([fields[field]]).find((column) => column.role === role) ?? {
            role,
            field,
            name: fields[field],
          },
        ].map((column) => ({ ...column, field }))
      return byName.filter((column) => column.role === role)
    })
  }

  /** Finds the decimal sign from the first row; a row of units is taken as such. @returns true when the line was no data */
  private settleDialect(text: string): boolean {
    const fields = splitLine(text, this.separator)
    const used = this.columns.map((column) => fields[column.field] ?? '')
    if (
      used.length > 1 &&
      used.every((field) => numberOfText(field, ',') === null || field.trim() === '') &&
      used.some((field) => unitOf(field.replace(/[()[\]]/g, '')))
    ) {
      this.columns = this.columns.map((column, i) => ({
        ...column,
        unit: column.unit ?? unitOf(used[i].replace(/[()[\]]/g, '')),
      }))
      return true
    }
    this.decimal = used.some((field) => /^\s*[-+]?\d+,\d+\s*$/.test(field))
      ? ','
      : this.separator === ','
        ? '.'
        : undefined
    if (this.decimal === undefined && used.some((field) => field.includes('.'))) this.decimal = '.'
    return false
  }

  private takeRow(bytes: Uint8Array, from: number, to: number, ended: boolean): void {
    const separator = this.separator.charCodeAt(0)
    const decimal = this.decimal === ',' ? 44 : 46
    const fields = this.slotOfField.length
    let field = 0
    let at = from
    for (; field < fields; field++) {
      const slot = this.slotOfField[field]
      if (slot < 0) {
        if (bytes[at] === 34) return this.takeRowSlowly(bytes, from, to, ended)
        while (at < to && bytes[at] !== separator) at++
      } else {
        scanNumber(bytes, at, to, separator, decimal)
        if (scanned.end < 0) return this.takeRowSlowly(bytes, from, to, ended)
        this.fresh[slot] = scanned.value
        at = scanned.end
      }
      if (at >= to) break
      at++
    }
    if (at < to || field < fields - 1) return this.takeRowSlowly(bytes, from, to, ended)
    this.keepRow()
  }

  /** Quotes, exponents, clock times, short or long rows, and everything that is wrong. */
  private takeRowSlowly(bytes: Uint8Array, from: number, to: number, ended: boolean): void {
    const fields = splitLine(textOf(bytes.subarray(from, to)), this.separator)
    if (fields.slice(this.header.length).some((field) => field.trim() !== ''))
      return this.refuseRow({
        code: 'too-many-fields',
        path: '',
        message: `Line ${this.line} has ${fields.length} fields where the header names ${this.header.length}. Where commas part the fields, decimals need points.`,
        line: this.line,
        column: this.header.length + 1,
      })
    for (const [slot, column] of this.columns.entries()) {
      const text = fields[column.field]
      if (text === undefined) {
        if (!ended) {
          this.unreadable++
          return
        }
        return this.refuseRow({
          code: 'field-missing',
          path: '',
          message: `Line ${this.line} ends before column ${column.field + 1} (${column.name}).`,
          line: this.line,
          column: column.field + 1,
        })
      }
      const value = numberOfText(text, this.decimal ?? (this.separator === ',' ? '.' : ','))
      if (value === null || !(Number.isFinite(value) || text.trim() === ''))
        return this.refuseRow({
          code: 'not-a-number',
          path: '',
          message: `Line ${this.line}, column ${column.field + 1} (${column.name}): "${text.trim().slice(0, 40)}" is not a number.`,
          line: this.line,
          column: column.field + 1,
        })
      this.fresh[slot] = value
    }
    this.keepRow()
  }

  private refuseRow(problem: Problem): void {
    if (this.options.dropUnreadable) this.unreadable++
    else this.problems.push(problem)
  }

  private keepRow(): void {
    const timeSlot = this.columns.findIndex((column) => column.role === 'time')
    const time = timeSlot < 0 ? Number.NaN : this.fresh[timeSlot]
    if (Number.isNaN(time) || time < this.lastTime) {
      const field = timeSlot < 0 ? 0 : this.columns[timeSlot].field
      this.refuseRow(
        Number.isNaN(time)
          ? {
              code: 'time-missing',
              path: '',
              message: `Line ${this.line} has no time.`,
              line: this.line,
              column: field + 1,
            }
          : {
              code: 'time-runs-backwards',
              path: '',
              message: `Line ${this.line}: time runs backwards, from ${this.lastTime} to ${time}. Were two logs joined?`,
              line: this.line,
              column: field + 1,
            },
      )
      return
    }
    this.lastTime = time
    if (this.rows === this.values[0].length) this.values = this.values.map(doubled)
    for (let slot = 0; slot < this.values.length; slot++) this.values[slot][this.rows] = this.fresh[slot]
    this.rows++
  }

  private noHeader(): Problem {
    return {
      code: 'header-missing',
      path: '',
      message: `No header line with column names was found. The file begins: ${(this.skipped[0] ?? '').slice(0, 80)}`,
      line: 1,
      column: 1,
    }
  }
}

const roleWords: Record<LogRole, string> = {
  time: 'time',
  rpm: 'engine speed (rpm)',
  throttle: 'throttle (%)',
  afr: 'air-fuel ratio (AFR or lambda)',
  coolant: 'coolant temperature',
  gear: 'gear',
  battery: 'battery voltage',
  sensorReady: 'sensor ready',
  closedLoop: 'closed loop',
}

function joined(a: Uint8Array, b: Uint8Array): Uint8Array<ArrayBuffer> {
  const all = new Uint8Array(a.length + b.length)
  all.set(a)
  all.set(b, a.length)
  return all
}

function doubled(values: Float64Array): Float64Array {
  const next = new Float64Array(values.length * 2)
  next.set(values)
  return next
}
