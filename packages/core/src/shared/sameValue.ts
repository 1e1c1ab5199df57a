/** Whether two values say the same, part for part; the order of names does not matter, and one left out is one that is undefined. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((item, i) => sameValue(item, b[i]))
  if (!isRecord(a) || !isRecord(b)) return false
  const names = new Set([...Object.keys(a), ...Object.keys(b)])
  return [...names].every((name) => sameValue(a[name], b[name]))
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}
