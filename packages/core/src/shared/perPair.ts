/** Two documents, told apart by which objects they are. */
interface Pair {
  machine: object
  kit: object
}

/**
 * Remembers what follows from a machine, a kit and some facts beside them, so that every job of the two shares it.
 * Documents are never changed once they are read.
 * @param most results kept for one pair; the one asked for longest ago goes first
 */
export function perPair<T>(most = 24): (pair: Pair, key: string, make: () => T) => T {
  const machines = new WeakMap<object, WeakMap<object, Map<string, T>>>()
  return ({ machine, kit }, key, make) => {
    const kits = machines.get(machine) ?? new WeakMap<object, Map<string, T>>()
    machines.set(machine, kits)
    const known = kits.get(kit) ?? new Map<string, T>()
    kits.set(kit, known)
    const has = known.has(key)
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- just seen to be there, whatever it is
    const made = has ? (known.get(key) as T) : make()
    known.delete(key)
    known.set(key, made)
    for (const oldest of known.keys()) {
      if (known.size <= most) break
      known.delete(oldest)
    }
    return made
  }
}
