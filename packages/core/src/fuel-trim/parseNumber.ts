const powers = Array.from({ length: 23 }, (_, i) => 10 ** i)

/** Where a number ended and what it is; `end` is −1 where the fast way cannot read the field. */
export const scanned = { value: 0, end: -1 }

/**
 * Reads a plain decimal number from bytes without making a string. The result stands in `scanned`.
 * Blank gives NaN; exponents, text, clock times and more than 15 digits are left to `numberOfText`.
 */
export function scanNumber(bytes: Uint8Array, from: number, to: number, separator: number, decimal: number): void {
  let at = from
  while (at < to && bytes[at] === 32) at++
  if (at >= to || bytes[at] === separator || bytes[at] === 13) {
    scanned.value = Number.NaN
    scanned.end = at < to && bytes[at] === 13 ? at + 1 : at
    return
  }
  const negative = bytes[at] === 45
  if (negative || bytes[at] === 43) at++
  let mantissa = 0
  let digits = 0
  let places = 0
  let c = at < to ? bytes[at] : 0
  while (c >= 48 && c <= 57) {
    mantissa = mantissa * 10 + c - 48
    digits++
    c = ++at < to ? bytes[at] : 0
  }
  if (c === decimal) {
    c = ++at < to ? bytes[at] : 0
    while (c >= 48 && c <= 57) {
      mantissa = mantissa * 10 + c - 48
      digits++
      places++
      c = ++at < to ? bytes[at] : 0
    }
  }
  while (at < to && (bytes[at] === 32 || bytes[at] === 13)) at++
  if (digits === 0 || digits > 15 || (at < to && bytes[at] !== separator)) {
    scanned.end = -1
    return
  }
  const value = places > 0 ? mantissa / powers[places] : mantissa
  scanned.value = negative ? -value : value
  scanned.end = at
}

/** A field the slow way: blank is NaN, clock times are seconds; null where it is no number. */
export function numberOfText(field: string, decimal: '.' | ','): number | null {
  const text = field.trim()
  if (text === '') return Number.NaN
  const plain = decimal === ',' ? text.replace(',', '.') : text
  const clock = /^(?:(\d+):)?(\d{1,2}):(\d{1,2}(?:\.\d+)?)$/.exec(plain)
  if (clock) return Number(clock[1] ?? 0) * 3600 + Number(clock[2]) * 60 + Number(clock[3])
  if (!/^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(plain)) return null
  return Number(plain)
}

/** Splits one line; fields in double quotes may hold the separator, "" stands for a quote. */
export function splitLine(line: string, separator: string): string[] {
  const fields: string[] = []
  let field = ''
  let quoted = false
  for (let i = 0; i < line.length; i++) {
    const c = line[i]
    if (quoted) {
      if (c !== '"') field += c
      else if (line[i + 1] === '"') field += line[++i]
      else quoted = false
    } else if (c === '"' && field.trim() === '') {
      field = ''
      quoted = true
    } else if (c === separator) {
      fields.push(field)
      field = ''
    } else field += c
  }
  fields.push(field)
  return fields
}
