/** What a log column may hold. The first four are needed. */
export const logRoles = [
  'time',
  'rpm',
  'throttle',
  'afr',
  'coolant',
  'gear',
  'battery',
  'sensorReady',
  'closedLoop',
] as const
export type LogRole = (typeof logRoles)[number]
export const neededRoles: readonly LogRole[] = ['time', 'rpm', 'throttle', 'afr']

export type LogUnit = 's' | 'ms' | 'min' | 'rpm' | '%' | 'share' | 'V' | 'AFR' | 'lambda' | '°C' | '°F' | 'K'
/** Units a person may choose from when the file does not say. */
export const unitChoices: Partial<Record<LogRole, readonly LogUnit[]>> = {
  time: ['s', 'ms', 'min'],
  throttle: ['%', 'share'],
  afr: ['AFR', 'lambda'],
  coolant: ['°C', '°F', 'K'],
}

export interface RecognisedColumn {
  role: LogRole
  /** Field within the line, from 0. */
  field: number
  /** Name as the file has it. */
  name: string
  /** Unit as the file names it, if it does. */
  unit?: LogUnit
}

const words: [LogRole, RegExp][] = [
  ['time', /^(time|t|zeit|temps|tiempo|tempo|timestamp|elapsed|seconds|log ?time|uhrzeit|jikan)\b/],
  ['sensorReady', /\b(sensor|lambda|wideband|afr|o2) ?(ready|status|ok|bereit)\b/],
  ['closedLoop', /\b(closed ?loop|loop|cl ?active|regelung)\b/],
  ['rpm', /\b(rpm|engine ?speed|drehzahl|motordrehzahl|regime|regimen|giri|revs|n ?mot|kaiten)\b/],
  ['throttle', /\b(throttle|tps|drosselklappe|gasgriff|papillon|acelerador|mariposa|farfalla|grip|surottoru)\b/],
  ['afr', /\b(afr|air ?fuel|air ?fuel ?ratio|lambda|wideband|mixture|kraftstoffverhältnis|richesse|mezcla|miscela)\b/],
  [
    'coolant',
    /\b(coolant|clt|ect|water ?temp|engine ?temp|kühlmittel|kuehlmittel|wassertemperatur|eau|refrigerante|acqua|suion)\b/,
  ],
  ['gear', /\b(gear|gang|rapport|marcha|marcia)\b/],
  ['battery', /\b(battery|batt|vbat|batterie|batería|batteria|supply ?volts?)\b/],
]

const units: [RegExp, LogUnit][] = [
  [/^(ms|msec|milliseconds?|millis)$/, 'ms'],
  [/^(s|sec|secs|seconds?|sek)$/, 's'],
  [/^(min|minutes?)$/, 'min'],
  [/^(rpm|1\/min|min-1|min⁻¹|u\/min|tr\/min)$/, 'rpm'],
  [/^(%|percent|pct|prozent)$/, '%'],
  [/^(v|volts?)$/, 'V'],
  [/^(afr|:1)$/, 'AFR'],
  [/^(λ|lambda)$/, 'lambda'],
  [/^(°c|c|degc|deg c|celsius|ºc)$/, '°C'],
  [/^(°f|f|degf|deg f|fahrenheit|ºf)$/, '°F'],
  [/^(k|kelvin)$/, 'K'],
]

export function unitOf(text: string): LogUnit | undefined {
  const plain = text.trim().toLowerCase()
  return units.find(([pattern]) => pattern.test(plain))?.[1]
}

/**
 * Finds the columns of a header line by name, each role once, the first that fits.
 * A unit may stand in brackets, after an underscore or after the last space.
 */
export function recogniseColumns(header: readonly string[]): RecognisedColumn[] {
  const found: RecognisedColumn[] = []
  header.forEach((raw, field) => {
    const { name, unit } = splitUnit(raw)
    const role = words.find(([, pattern]) => pattern.test(name))?.[0]
    if (!role || found.some((column) => column.role === role)) return
    const byName = role === 'afr' && /lambda|λ/.test(name) && !/afr/.test(name) ? 'lambda' : undefined
    found.push({ role, field, name: raw.trim(), unit: unit ?? byName })
  })
  return found
}

function splitUnit(raw: string): { name: string; unit?: LogUnit } {
  const text = raw.trim().toLowerCase()
  const bracket = /^(.*?)[([{]\s*([^)\]}]*)\s*[)\]}]\s*$/.exec(text)
  if (bracket) return { name: clean(bracket[1]), unit: unitOf(bracket[2]) }
  const tail = /^(.+)[_\s.:/]([^_\s.:]+)$/.exec(text)
  const unit = tail ? unitOf(tail[2]) : undefined
  if (tail && unit && !(unit === 'AFR' || unit === 'lambda' || unit === 'rpm')) return { name: clean(tail[1]), unit }
  if (/%$/.test(text)) return { name: clean(text.slice(0, -1)), unit: '%' }
  return { name: clean(text) }
}

function clean(text: string): string {
  const spaced = text
    .replace(/[_\-./:]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  return spaced === 'λ' ? 'lambda' : spaced
}
