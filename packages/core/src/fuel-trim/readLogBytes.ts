import type { Problem } from '../shared/result.ts'
import { interpretLog, type ChosenUnits, type InterpretedLog } from './interpretLog.ts'
import { LogReader, type ReadOptions } from './LogReader.ts'
import { unitChoices, logRoles, type LogRole, type LogUnit } from './recogniseColumns.ts'

export interface LogReading {
  columns?: Record<string, string>
  units?: Record<string, string>
  dropUnreadable?: boolean
}

/** Columns and units as they come from a document, reduced to those that exist. */
export function readingOptions(reading: LogReading): { read: ReadOptions; units: ChosenUnits } {
  const columns: Partial<Record<LogRole, string>> = {}
  const units: ChosenUnits = {}
  for (const role of logRoles) {
    const column = reading.columns?.[role]
    if (column !== undefined) columns[role] = column
    const unit: LogUnit | undefined = unitChoices[role]?.find((choice) => choice === reading.units?.[role])
    if (unit !== undefined) units[role] = unit
  }
  return { read: { columns, dropUnreadable: reading.dropUnreadable }, units }
}

/** A whole file held in memory, read and brought into the units of the fit. */
export function readLogBytes(
  bytes: Uint8Array,
  reading: LogReading,
  stoichAfr: number,
): { ok: true; value: InterpretedLog } | { ok: false; problems: Problem[] } {
  const { read, units } = readingOptions(reading)
  const reader = new LogReader(read)
  const chunk = 1 << 20
  for (let at = 0; at < bytes.length; at += chunk) if (!reader.push(bytes.subarray(at, at + chunk))) break
  const raw = reader.finish()
  return raw.ok ? interpretLog(raw.value, stoichAfr, units) : raw
}
