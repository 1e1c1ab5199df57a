/** Two documents, told apart by which objects they are. */
export interface DocumentPair {
  machine: object
  kit: object
}

/** What was remembered, by what it is and its key: plain data, for another thread. */
export type Kept = Record<string, [key: string, value: unknown][]>

interface Memory {
  name: string
  put: (pair: DocumentPair, key: string, value: unknown) => void
}
const memories: Memory[] = []

/** Set while a piece of work may only read what is remembered, or while what it reads is written down. */
let watching: {
  make: boolean
  read: (pair: DocumentPair, name: string, key: string, value: unknown) => void
} | null = null

class NotKnown extends Error {}

/**
 * Remembers what follows from a machine, a kit and some facts beside them, so that every job of the two shares it.
 * Documents are never changed once they are read.
 * @param name of what is remembered, for {@link keptBy}
 * @param most results kept for one pair; the one asked for longest ago goes first
 */
export function perPair<T>(name: string, most = 24): (pair: DocumentPair, key: string, make: () => T) => T {
  const machines = new WeakMap<object, WeakMap<object, Map<string, T>>>()
  const resultsOf = ({ machine, kit }: DocumentPair): Map<string, T> => {
    const kits = machines.get(machine) ?? new WeakMap<object, Map<string, T>>()
    machines.set(machine, kits)
    const known = kits.get(kit) ?? new Map<string, T>()
    kits.set(kit, known)
    return known
  }
  const remember = (known: Map<string, T>, key: string, value: T): void => {
    known.delete(key)
    known.set(key, value)
    for (const oldest of known.keys()) {
      if (known.size <= most) break
      known.delete(oldest)
    }
  }
  // oxlint-disable-next-line typescript/consistent-type-assertions -- made by the same memory in another thread
  memories.push({ name, put: (pair, key, value) => remember(resultsOf(pair), key, value as T) })
  return (pair, key, make) => {
    const known = resultsOf(pair)
    const has = known.has(key)
    if (!has && watching?.make === false) throw new NotKnown()
    // oxlint-disable-next-line typescript/consistent-type-assertions -- just seen to be there, whatever it is
    const value = has ? (known.get(key) as T) : make()
    remember(known, key, value)
    watching?.read(pair, name, key, value)
    return value
  }
}

/** Whether a piece of work finds all it stands on remembered; it makes nothing anew. */
export function findsAllKnown(work: () => void): boolean {
  const before = watching
  watching = { make: false, read: () => undefined }
  try {
    work()
    return true
  } catch (error) {
    if (error instanceof NotKnown) return false
    throw error
  } finally {
    watching = before
  }
}

/** All that a piece of work stands on, made where it was not known: for each of these pairs, in their order. */
export function keptBy(pairs: readonly DocumentPair[], work: () => void): Kept[] {
  const before = watching
  const kept = pairs.map((): Kept => ({}))
  const seen = new Set<string>()
  watching = {
    make: true,
    read({ machine, kit }, name, key, value) {
      const of = pairs.findIndex((pair) => pair.machine === machine && pair.kit === kit)
      const own = kept[of]
      if (!own || seen.has(`${of} ${name} ${key}`)) return
      seen.add(`${of} ${name} ${key}`)
      ;(own[name] ??= []).push([key, value])
    },
  }
  try {
    work()
    return kept
  } finally {
    watching = before
  }
}

/** Remembers what another thread has made of the same two documents. */
export function remember(pair: DocumentPair, kept: Kept): void {
  for (const { name, put } of memories) for (const [key, value] of kept[name] ?? []) put(pair, key, value)
}

/** What was worked out of a state that stands as it is for a while, by what works it out and the documents it was worked out with. */
const standing = new WeakMap<object, Map<object, { of: object; value: unknown }>>()

/**
 * Runs work during which a state stands as it is: what {@link perState} works out of it is worked out once. A state that a journal is just
 * being replayed into is none such.
 */
export function whileItStands<T>(state: object, work: () => T): T {
  if (standing.has(state)) return work()
  standing.set(state, new Map())
  try {
    return work()
  } finally {
    standing.delete(state)
  }
}

/** What follows from documents and a state: worked out once {@link whileItStands}, else each time it is asked for. */
export function perState<Of extends object, State extends object, T>(
  make: (of: Of, state: State) => T,
): (of: Of, state: State) => T {
  return (of, state) => {
    // What a piece of work stands on is written down each time it is read.
    const memory = watching === null ? standing.get(state) : undefined
    if (!memory) return make(of, state)
    const known = memory.get(make)
    // oxlint-disable-next-line typescript/consistent-type-assertions -- made by the same function of the same documents
    if (known?.of === of) return known.value as T
    const value = make(of, state)
    memory.set(make, { of, value })
    return value
  }
}
