/** "1 plug", "57 plugs". */
export function counted(count: number, what: string): string {
  return `${count} ${what}${count === 1 ? '' : 's'}`
}
