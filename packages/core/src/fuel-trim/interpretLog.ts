import type { Problem } from '../shared/result.ts'
import type { RawLog } from './LogReader.ts'
import type { RideLog } from './model.ts'
import { unitChoices, type LogRole, type LogUnit } from './recogniseColumns.ts'

export type ChosenUnits = Partial<Record<LogRole, LogUnit>>

/** A log in the units of the fit, and the unit each column was taken to have. */
export interface InterpretedLog {
  log: RideLog
  units: ChosenUnits
}

/**
 * Brings a log as read into seconds, %, AFR and °C.
 * @param chosen units a person has chosen; they overrule the file
 * @param stoichAfr air-fuel ratio at λ = 1, for lambda columns
 * @returns the log, or a `unit-unclear` problem for every column whose figures fit two units
 */
export function interpretLog(
  raw: RawLog,
  stoichAfr: number,
  chosen: ChosenUnits = {},
): { ok: true; value: InterpretedLog } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = []
  const units: ChosenUnits = {}
  const column = (role: LogRole): Float64Array | undefined => {
    const values = raw.values[role]
    const recognised = raw.columns.find((candidate) => candidate.role === role)
    if (!values || !recognised) return undefined
    const declared = chosen[role] ?? recognised.unit
    const verdict = judgeUnit(role, declared, chosen[role] !== undefined, values)
    if ('unclear' in verdict) {
      problems.push({
        code: 'unit-unclear',
        path: `units.${role}`,
        message: `Column "${recognised.name}": ${verdict.unclear} Say which unit it is: ${(unitChoices[role] ?? []).join(', ')}.`,
        line: 1,
        column: recognised.field + 1,
      })
      return undefined
    }
    units[role] = verdict.unit
    return converted(values, verdict.unit, stoichAfr)
  }
  const empty = new Float64Array(0)
  const log: RideLog = {
    rows: raw.rows,
    timeS: column('time') ?? empty,
    rpm: column('rpm') ?? empty,
    throttlePct: column('throttle') ?? empty,
    afr: column('afr') ?? empty,
    coolantC: column('coolant'),
    gear: raw.values.gear,
    batteryV: raw.values.battery,
    sensorReady: raw.values.sensorReady,
    closedLoop: raw.values.closedLoop,
    unreadableRows: raw.unreadableRows,
  }
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: { log, units } }
}

type Verdict = { unit: LogUnit } | { unclear: string }

function judgeUnit(role: LogRole, declared: LogUnit | undefined, byPerson: boolean, values: Float64Array): Verdict {
  const { low, high, middle, step } = spread(values)
  switch (role) {
    case 'time':
      if (declared === 's' || declared === 'ms' || declared === 'min') return { unit: declared }
      if (step < 1.5) return { unit: 's' }
      if (step > 5 && step < 5000) return { unit: 'ms' }
      return { unclear: `rows are ${format(step)} apart.` }
    case 'throttle':
      if (declared === 'V')
        return { unclear: `it is in volts, but the fit needs the opening. Log throttle in percent, or scale it first.` }
      if (declared === '%' || declared === 'share') return { unit: declared }
      if (high > 1.5) return { unit: '%' }
      return { unclear: `its figures run from ${format(low)} to ${format(high)}.` }
    case 'afr': {
      const looks = middle > 0.5 && middle < 2 ? 'lambda' : middle > 7 && middle < 25 ? 'AFR' : undefined
      if (byPerson && (declared === 'AFR' || declared === 'lambda')) return { unit: declared }
      if (looks && (declared === undefined || declared === looks)) return { unit: looks }
      if (looks && declared === 'AFR' && looks === 'lambda')
        return { unclear: `most of it is near ${format(middle)}, which is no air-fuel ratio.` }
      return { unclear: `most of it is near ${format(middle)}.` }
    }
    case 'coolant':
      if (declared === '°C' || declared === '°F' || declared === 'K') return { unit: declared }
      if (low > 240 && high < 400) return { unit: 'K' }
      if (high <= 115) return { unit: '°C' }
      if (high >= 140) return { unit: '°F' }
      return { unclear: `its figures run from ${format(low)} to ${format(high)}.` }
    default:
      return { unit: 'rpm' }
  }
}

/** Extremes and middles of a column, from at most some 20,000 of its figures. */
function spread(values: Float64Array): { low: number; high: number; middle: number; step: number } {
  const every = Math.max(1, Math.floor(values.length / 20_000))
  const sample: number[] = []
  const steps: number[] = []
  for (let k = 0; k < values.length; k += every) {
    if (Number.isNaN(values[k])) continue
    sample.push(values[k])
    if (k > 0 && values[k] > values[k - 1]) steps.push(values[k] - values[k - 1])
  }
  sample.sort((a, b) => a - b)
  steps.sort((a, b) => a - b)
  return {
    low: sample[0] ?? Number.NaN,
    high: sample[sample.length - 1] ?? Number.NaN,
    middle: sample[sample.length >> 1] ?? Number.NaN,
    step: steps[steps.length >> 1] ?? 0,
  }
}

function converted(values: Float64Array, unit: LogUnit, stoichAfr: number): Float64Array {
  switch (unit) {
    case 'ms':
      return values.map((value) => value / 1000)
    case 'min':
      return values.map((value) => value * 60)
    case 'share':
      return values.map((value) => value * 100)
    case 'lambda':
      return values.map((value) => value * stoichAfr)
    case '°F':
      return values.map((value) => (value - 32) / 1.8)
    case 'K':
      return values.map((value) => value - 273.15)
    default:
      return values
  }
}

function format(value: number): string {
  return Number.isFinite(value) ? String(Math.round(value * 100) / 100) : 'nothing'
}
