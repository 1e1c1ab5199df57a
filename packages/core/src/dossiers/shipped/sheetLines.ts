/** How the sheets of the yard are written: one thing a line, its fields between bars. */
export function linesOf(text: string): string[] {
  return text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
}

export function fields(line: string, count: number): string[] {
  const parts = line.split('|').map((part) => part.trim())
  if (parts.length > count || parts.length < count - 1)
    throw new Error(`sheet: ${count} fields wanted, ${parts.length} found in "${line}"`)
  return [...parts, ...Array<string>(count - parts.length).fill('')]
}

export function oneOf<T extends string>(list: readonly T[], word: string, line: string): T {
  const found = list.find((item) => item === word)
  if (found === undefined) throw new Error(`sheet: "${word}" is none of ${list.join(', ')} in "${line}"`)
  return found
}
