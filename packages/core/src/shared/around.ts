/** The one so many steps from another in a list that has no ends; undefined in an empty list. */
export function around<T>(list: readonly T[], at: number, step: number): T | undefined {
  return list.at((at + step) % list.length)
}
