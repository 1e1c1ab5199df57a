/** A thing of a document, whatever its fields. */
export type Item = Record<string, unknown>

export function isItem(value: unknown): value is Item {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

/** What stands in a field, names from the item inwards; undefined where there is none. */
export function valueAt(item: unknown, field: readonly string[]): unknown {
  return field.reduce((value, name) => (isItem(value) ? value[name] : undefined), item)
}

/** Puts a value at its field, making what it lies in. */
export function put(item: Item, [name, ...inner]: readonly string[], value: unknown): void {
  if (name === undefined) return
  if (inner.length === 0) {
    item[name] = value
    return
  }
  const known = item[name]
  const within = isItem(known) ? known : {}
  item[name] = within
  put(within, inner, value)
}
