/** What a unit is in the base of its kind: value · factor + offset. */
interface Unit {
  kind: string
  factor: number
  offset?: number
}

const units: Readonly<Record<string, Unit>> = {
  v: { kind: 'voltage', factor: 1 },
  mv: { kind: 'voltage', factor: 0.001 },
  a: { kind: 'current', factor: 1 },
  ma: { kind: 'current', factor: 0.001 },
  ohm: { kind: 'resistance', factor: 1 },
  ω: { kind: 'resistance', factor: 1 },
  kohm: { kind: 'resistance', factor: 1000 },
  kω: { kind: 'resistance', factor: 1000 },
  hz: { kind: 'frequency', factor: 1 },
  khz: { kind: 'frequency', factor: 1000 },
  rpm: { kind: 'turns', factor: 1 },
  '1/min': { kind: 'turns', factor: 1 },
  '1/s': { kind: 'turns', factor: 60 },
  kpa: { kind: 'pressure', factor: 1 },
  pa: { kind: 'pressure', factor: 0.001 },
  hpa: { kind: 'pressure', factor: 0.1 },
  mbar: { kind: 'pressure', factor: 0.1 },
  bar: { kind: 'pressure', factor: 100 },
  mpa: { kind: 'pressure', factor: 1000 },
  psi: { kind: 'pressure', factor: 6.894757293168 },
  inhg: { kind: 'pressure', factor: 3.386389 },
  '°c': { kind: 'temperature', factor: 1 },
  c: { kind: 'temperature', factor: 1 },
  '°f': { kind: 'temperature', factor: 5 / 9, offset: -160 / 9 },
  f: { kind: 'temperature', factor: 5 / 9, offset: -160 / 9 },
  k: { kind: 'temperature', factor: 1, offset: -273.15 },
  'km/h': { kind: 'speed', factor: 1 },
  mph: { kind: 'speed', factor: 1.609344 },
  'm/s': { kind: 'speed', factor: 3.6 },
  '%': { kind: 'share', factor: 1 },
  s: { kind: 'time', factor: 1 },
  ms: { kind: 'time', factor: 0.001 },
  min: { kind: 'time', factor: 60 },
  kg: { kind: 'mass', factor: 1 },
  lb: { kind: 'mass', factor: 0.45359237 },
  n·m: { kind: 'torque', factor: 1 },
  nm: { kind: 'torque', factor: 1 },
  lb·ft: { kind: 'torque', factor: 1.3558179483314 },
  kw: { kind: 'power', factor: 1 },
  hp: { kind: 'power', factor: 0.74569987158227 },
  lambda: { kind: 'lambda', factor: 1 },
  λ: { kind: 'lambda', factor: 1 },
}

/** MPa is a million pascals, mPa nobody means: a small m before Pa is read as what it must be. */
const unitOf = (unit: string): Unit | undefined => units[unit.trim().toLowerCase()]

/** Whether anything is known of a unit. */
export const isUnit = (unit: string): boolean => unit.trim() === '' || unitOf(unit) !== undefined

/** A value of one unit in another. @returns null where the two are not of one kind; the same words are always of one kind */
export function inUnit(value: number, from: string, to: string): number | null {
  if (from.trim().toLowerCase() === to.trim().toLowerCase()) return value
  const [a, b] = [unitOf(from), unitOf(to)]
  if (!a || !b || a.kind !== b.kind) return null
  return (value * a.factor + (a.offset ?? 0) - (b.offset ?? 0)) / b.factor
}
