import type { CoverId, WayId } from './ids.ts'
import { failure, success, type Outcome, type Problem, asId } from '../shared/index.ts'
import { coverCycle } from './accessContradictions.ts'
import type { AccessWay, Cover, WayFrom, WayTarget } from './accessModel.ts'
import { idFrom } from './editMachine.ts'
import type { Machine } from './model.ts'
import { fastenerWords, minutesText } from './fastenerWords.ts'
import { readFasteners, readMinutes } from './readFasteners.ts'

/** A cover as it is typed, one field each; names separated by commas. */
export interface CoverRow {
  name: string
  /** Covers that come off first. */
  after: string
  /** `8` or `3/6/12`. */
  off: string
  fasteners: string
  saves: string
  /** Plugs, studs, places and zones behind it. */
  behind: string
  from: WayFrom
}

export const emptyCoverRow: CoverRow = {
  name: '',
  after: '',
  off: '',
  fasteners: '',
  saves: '',
  behind: '',
  from: 'above',
}

/** Minutes at one plug of which only the way is known (an easy plug). */
const easyPlug = { best: 1, likely: 2, worst: 4 }

/** A cover as fields, by one of the sides it is reached from. */
export function coverRow(machine: Machine, cover: Cover): CoverRow {
  const ways = (machine.ways ?? []).filter((way) => way.needs.includes(cover.id))
  const from = ways[0]?.from ?? 'above'
  return {
    name: cover.name,
    after: cover.after.map((id) => machine.covers?.find((item) => item.id === id)?.name ?? id).join(', '),
    off: minutesText(cover.off),
    fasteners: cover.fasteners.map(fastenerWords).join('; '),
    saves: cover.saves.join(', '),
    behind: ways
      .filter((way) => way.from === from)
      .map((way) => targetName(machine, way.to))
      .join(', '),
    from,
  }
}

/**
 * The machine with a cover as typed: new for `id` null, else changed in place. Time on again follows the time off.
 * @returns every field that cannot be read, with its name as the path; the machine is then unchanged
 */
export function withCover(machine: Machine, id: string | null, row: CoverRow): Outcome<Machine> {
  const covers = machine.covers ?? []
  const known = covers.find((cover) => cover.id === id)
  const problems: Problem[] = []
  const say = (path: string, message: string) => problems.push({ code: 'cover-unread', path, message })
  if (row.name.trim() === '') say('name', 'Name the cover: seat, tank, left panel.')
  const off = readMinutes(row.off, 'off')
  const fasteners = readFasteners(row.fasteners)
  if (!off.ok) problems.push(...off.problems)
  if (!fasteners.ok) problems.push(...fasteners.problems)
  const after = names(row.after).flatMap((name) => {
    const found = covers.find((cover) => same(cover.name, name) || cover.id === name)
    if (!found) say('after', `"${name}" is no cover yet. Write it down first, or take it out here.`)
    return found ? [found.id] : []
  })
  const behind = names(row.behind).flatMap((name) => {
    const found = findThing(machine, name)
    if (!found) say('behind', `"${name}" is no plug, stud, place or zone of this machine.`)
    return found ? [found] : []
  })
  if (!off.ok || !fasteners.ok || problems.length > 0) return failure(...problems)
  const made: Cover = {
    ...known,
    id:
      known?.id ??
      idFrom(
        row.name,
        covers.map((cover) => cover.id),
      ),
    name: row.name.trim(),
    after,
    off: off.value,
    on: known && minutesText(known.off) === row.off.trim() ? known.on : off.value,
    fasteners: fasteners.value,
    saves: names(row.saves),
  }
  const next = known ? covers.map((cover) => (cover === known ? made : cover)) : [...covers, made]
  const ring = coverCycle(next)
  if (ring)
    return failure({
      code: 'cover-cycle',
      path: 'after',
      message: `${ring.map((item) => next.find((cover) => cover.id === item)?.name ?? item).join(' waits for ')}: none of them could ever come off.`,
    })
  return success({ ...machine, covers: next, ways: waysBehind(machine, made.id, row.from, behind) })
}

/** The machine without a cover: nothing waits for it, no way needs it. */
export function withoutCover(machine: Machine, id: string): Machine {
  return {
    ...machine,
    covers: (machine.covers ?? [])
      .filter((cover) => cover.id !== id)
      .map((cover) => ({ ...cover, after: cover.after.filter((other) => other !== id) })),
    ways: (machine.ways ?? []).map((way) => ({ ...way, needs: way.needs.filter((other) => other !== id) })),
    ...(machine.passages
      ? {
          passages: machine.passages.map((passage) =>
            passage.under ? { ...passage, under: passage.under.filter((other) => other !== id) } : passage,
          ),
        }
      : {}),
  }
}

/** From this side exactly these are behind the cover; other sides stay as they are. */
function waysBehind(machine: Machine, cover: CoverId, from: WayFrom, behind: readonly WayTarget[]): AccessWay[] {
  const keyOf = (to: WayTarget) => JSON.stringify(to)
  const wanted = new Set(behind.map(keyOf))
  const kept = (machine.ways ?? []).flatMap((way): AccessWay[] => {
    if (way.from !== from) return [way]
    const is = way.needs.includes(cover)
    if (wanted.has(keyOf(way.to))) return [is ? way : { ...way, needs: [...way.needs, cover] }]
    if (!is) return [way]
    const needs = way.needs.filter((id) => id !== cover)
    return needs.length > 0 ? [{ ...way, needs }] : []
  })
  const there = new Set(kept.filter((way) => way.from === from).map((way) => keyOf(way.to)))
  const fresh = behind
    .filter((to) => !there.has(keyOf(to)))
    .map((to): AccessWay => ({ id: wayId(to, from), to, from, needs: [cover], minutes: easyPlug }))
  return [...kept, ...fresh]
}

function wayId(to: WayTarget, from: WayFrom): WayId {
  const [[kind, id]] = Object.entries(to)
  return asId<WayId>(`${kind === 'connector' ? 'plug' : kind}-${id}-${from}`.slice(0, 64))
}

function names(text: string): string[] {
  return text
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '')
}

function same(a: string, b: string): boolean {
  return a.toLowerCase() === b.toLowerCase()
}

/** By id, by name, or by the beginning of one name alone. */
function findThing(machine: Machine, name: string): WayTarget | null {
  const things = [
    ...machine.connectors.map((item) => ({ item, to: { connector: item.id } })),
    ...machine.studs.map((item) => ({ item, to: { stud: item.id } })),
    ...(machine.places ?? []).map((item) => ({ item, to: { place: item.id } })),
    ...machine.zones.map((item) => ({ item, to: { zone: item.id } })),
  ]
  const exact = things.find(({ item }) => item.id === name || same(item.name, name))
  if (exact) return exact.to
  const begins = things.filter(({ item }) => item.name.toLowerCase().startsWith(name.toLowerCase()))
  return begins.length === 1 ? begins[0].to : null
}

function targetName(machine: Machine, to: WayTarget): string {
  const [[kind, id]] = Object.entries(to)
  const lists: Record<string, readonly { id: string; name: string }[]> = {
    connector: machine.connectors,
    stud: machine.studs,
    place: machine.places ?? [],
    zone: machine.zones,
  }
  const name = lists[kind]?.find((item) => item.id === id)?.name ?? id
  return name.includes(',') ? id : name
}
