import { isJoined, joinedId, memberOf, ownMembers, type Kit } from '../dossiers/index.ts'
import type { NewEntry } from './model.ts'

/** Things of a kit by what an entry calls them. */
type Names = Pick<Kit, 'ends' | 'steps' | 'parts' | 'settings' | 'sockets'>

const known = new WeakMap<Kit, Set<string>>()

/** Everything of a kit that an entry may name, and its trunk. */
export function namesOf(kit: Names & Kit): Set<string> {
  const kept = known.get(kit)
  if (kept) return kept
  const all = [kit.ends, kit.steps, kit.parts, kit.settings, kit.sockets ?? []].flatMap((list) =>
    list.map(({ id }): string => id),
  )
  const names = new Set([...all, 'trunk'])
  known.set(kit, names)
  return names
}

/** Fields of an entry, and of what it holds, that name a thing of a kit. */
const fields = new Set(['kitEnd', 'step', 'part', 'setting', 'card'])

/**
 * An entry in the names the job has for its things now. A kit that came to a job makes `crank` the first kit's `quernby-p1:crank`, one that went
 * makes it `crank` again: what was written before, or on a device that did not know of it, means the same thing. What names a kit that is not
 * there stays, and fits nowhere.
 */
export function namedForKits<Entry extends NewEntry>(kit: Kit, entry: Entry): Entry {
  const rename = renamer(kit)
  const [first] = ownMembers(kit)
  const moduleOf =
    isJoined(kit) &&
    (entry.kind === 'mounted' || entry.kind === 'mount-place-chosen') &&
    entry.kit === undefined &&
    first
      ? { kit: first.kit.id }
      : {}
  const renamed = renamedIn(entry, rename)
  // A card carries the name of its end within its own.
  if (entry.kind === 'reading' && entry.card !== undefined && isJoined(kit) && first) {
    const end = entry.about?.kitEnd
    if (end !== undefined && rename(end) !== end) return { ...renamed, card: joinedId(first.key, entry.card) }
  }
  if (entry.kind === 'stop-lifted') {
    const [rule, end = '', ...rest] = entry.finding.split('|')
    const to = end === '' ? end : rename(end)
    if (to !== end) return { ...renamed, finding: [rule, to, ...rest].join('|') }
  }
  if (!isJoined(kit) && (entry.kind === 'mounted' || entry.kind === 'mount-place-chosen') && entry.kit === kit.id) {
    const { kit: _kit, ...alone } = entry
    // oxlint-disable-next-line typescript/consistent-type-assertions -- the same entry without a field it may have
    return renamedIn(alone as Entry, rename)
  }
  return Object.keys(moduleOf).length > 0 ? { ...renamed, ...moduleOf } : renamed
}

function renamer(kit: Kit): (id: string) => string {
  const [first] = ownMembers(kit)
  if (!first) return (id) => id
  if (isJoined(kit)) {
    const names = namesOf(first.kit)
    return (id) => (memberOf(kit, id) === null && names.has(id) ? joinedId(first.key, id) : id)
  }
  const before = `${kit.id}:`
  return (id) => (id.startsWith(before) ? id.slice(before.length) : id)
}

/** The same with other names in the fields that name things of a kit. */
export function renamedIn<T>(value: T, rename: (id: string) => string): T {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
  let changed: Record<string, unknown> | null = null
  for (const [field, held] of Object.entries(value)) {
    const next: unknown =
      typeof held === 'string' && fields.has(field)
        ? rename(held)
        : field === 'to' || field === 'about'
          ? renamedIn<unknown>(held, rename)
          : held
    if (next !== held) changed = { ...(changed ?? value), [field]: next }
  }
  // oxlint-disable-next-line typescript/consistent-type-assertions -- the same fields with other names in them
  return (changed ?? value) as T
}
