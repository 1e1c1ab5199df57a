import type { PointId, SpotId } from './ids.ts'
import { failure, success, type Outcome, type Problem } from '../shared/index.ts'
import type { MountPlace, PlaceUse } from './accessModel.ts'
import { idFrom } from './editMachine.ts'
import type { Machine } from './model.ts'
import { readMinutes } from './readFasteners.ts'
import { hazardsText, readHazards } from './readHazards.ts'
import type { Bulkhead, Passage, PointAt, Spot } from './routeModel.ts'

/** A passage as it is typed, one field each. */
export interface PassageRow {
  name: string
  /** Names of zones or spots. */
  from: string
  to: string
  /** Along the way, mm; empty where nobody has measured. */
  lengthMm: string
  hazards: string
  /** Free cross-section, mm². */
  freeMm2: string
  /** `grommet 10/20/40`, `spare grommet …`, `new hole …` */
  bulkhead: string
  steering: '' | 'left' | 'right' | 'front'
  /** Names of covers, separated by commas; `-` for none; empty: what every way to its ends takes off. */
  under: string
}

export const emptyPassageRow: PassageRow = {
  name: '',
  from: '',
  to: '',
  lengthMm: '',
  hazards: '',
  freeMm2: '',
  bulkhead: '',
  steering: '',
  under: '',
}

const bulkheadWords: Record<Bulkhead['kind'], string> = {
  'factory grommet': 'grommet',
  'spare grommet': 'spare grommet',
  'new hole': 'new hole',
}

/** Zones and spots by the name they are typed with. */
export function routePoints(machine: Machine): { id: PointId; name: string; at?: PointAt; spot: boolean }[] {
  return [
    ...machine.zones.map(({ id, name, at }) => ({ id, name, at, spot: false })),
    ...(machine.spots ?? []).map(({ id, name, at }) => ({ id, name, at, spot: true })),
  ]
}

export function passageRow(machine: Machine, passage: Passage): PassageRow {
  const nameOf = (id: string) => routePoints(machine).find((point) => point.id === id)?.name ?? id
  const { bulkhead } = passage
  return {
    name: passage.name,
    from: nameOf(passage.from),
    to: nameOf(passage.to),
    lengthMm: passage.lengthM === undefined ? '' : String(Math.round(passage.lengthM * 1000)),
    hazards: hazardsText(passage.hazards),
    freeMm2: passage.freeMm2 === undefined ? '' : String(passage.freeMm2),
    bulkhead: bulkhead
      ? `${bulkheadWords[bulkhead.kind]} ${bulkhead.minutes.best}/${bulkhead.minutes.likely}/${bulkhead.minutes.worst}`
      : '',
    steering: passage.steering ?? '',
    under:
      passage.under === undefined
        ? ''
        : passage.under.map((id) => machine.covers?.find((cover) => cover.id === id)?.name ?? id).join(', ') || '-',
  }
}

/**
 * The machine with a passage as typed: new for `id` null, else changed in place.
 * @returns every field that cannot be read, with its name as the path; the machine is then unchanged
 */
export function withPassage(machine: Machine, id: string | null, row: PassageRow): Outcome<Machine> {
  const problems: Problem[] = []
  const say = (path: keyof PassageRow, message: string) => problems.push({ code: 'unreadable', path, message })
  const points = routePoints(machine)
  const point = (field: 'from' | 'to') => {
    const wanted = row[field].trim().toLowerCase()
    const found = points.find((item) => item.id === row[field].trim() || item.name.toLowerCase() === wanted)
    if (!found)
      say(
        field,
        wanted === ''
          ? 'Name the point it begins and the one it ends at.'
          : `There is no point "${row[field]}". Add it first.`,
      )
    return found?.id
  }
  const [from, to] = [point('from'), point('to')]
  if (from !== undefined && from === to) say('to', 'A passage leads from one point to another.')
  const number = (field: 'lengthMm' | 'freeMm2', what: string) => {
    const text = row[field].trim().replace(',', '.')
    if (text === '') return undefined
    const value = Number(text)
    if (Number.isFinite(value) && value > 0) return value
    say(field, `${what} is a number above 0, or left empty.`)
    return undefined
  }
  const lengthMm = number('lengthMm', 'A length in mm')
  const freeMm2 = number('freeMm2', 'What is free, in mm²,')
  const hazards = readHazards(row.hazards)
  if (!hazards.ok) problems.push(...hazards.problems)
  const bulkhead = readBulkhead(row.bulkhead)
  if (!bulkhead.ok) problems.push(...bulkhead.problems)
  if (row.steering !== '' && !machine.steering)
    say('steering', 'Say first how far the steering turns: radius and lock.')
  const under = row.under
    .split(',')
    .map((text) => text.trim())
    .filter((text) => text !== '' && text !== '-')
    .flatMap((text) => {
      const cover = machine.covers?.find(({ id, name }) => id === text || name.toLowerCase() === text.toLowerCase())
      if (!cover) say('under', `There is no cover "${text}". Name them as in the list of covers, separated by commas.`)
      return cover ? [cover.id] : []
    })
  if (problems.length > 0 || !hazards.ok || !bulkhead.ok || from === undefined || to === undefined)
    return failure(...problems)
  const passages = machine.passages ?? []
  const known = passages.find((passage) => passage.id === id)
  const passage: Passage = {
    ...(known?.via ? { via: known.via } : {}),
    id:
      known?.id ??
      idFrom(
        `${from} ${to}`,
        passages.map((item) => item.id),
      ),
    name:
      row.name.trim() ||
      `${points.find((item) => item.id === from)?.name ?? from} to ${points.find((item) => item.id === to)?.name ?? to}`,
    from,
    to,
    hazards: hazards.value,
    ...(lengthMm === undefined ? {} : { lengthM: lengthMm / 1000 }),
    ...(freeMm2 === undefined ? {} : { freeMm2 }),
    ...(bulkhead.value ? { bulkhead: bulkhead.value } : {}),
    ...(row.steering === '' ? {} : { steering: row.steering }),
    ...(row.under.trim() === '' ? {} : { under }),
  }
  return success({
    ...machine,
    passages: known ? passages.map((item) => (item === known ? passage : item)) : [...passages, passage],
  })
}

function readBulkhead(text: string): Outcome<Bulkhead | null> {
  const trimmed = text.trim()
  if (trimmed === '') return success(null)
  const [, words, times] = /^(grommet|spare grommet|new hole)\s+(.+)$/.exec(trimmed) ?? []
  const kinds: Record<string, Bulkhead['kind']> = {
    grommet: 'factory grommet',
    'spare grommet': 'spare grommet',
    'new hole': 'new hole',
  }
  const minutes = readMinutes(times ?? '')
  if (!words || !minutes.ok)
    return failure({
      code: 'unreadable',
      path: 'bulkhead',
      message: `"${trimmed}" is not understood. Write grommet, spare grommet or new hole, and its minutes: grommet 10/20/40.`,
    })
  return success({ kind: kinds[words], minutes: minutes.value })
}

export function withoutPassage(machine: Machine, id: string): Machine {
  return { ...machine, passages: (machine.passages ?? []).filter((passage) => passage.id !== id) }
}

const onGrid = (value: number) => Math.round(value * 100) / 100

/** The machine with a new spot. */
export function withSpot(machine: Machine, name: string, at: PointAt): Outcome<Machine> {
  const points = routePoints(machine)
  const trimmed = name.trim()
  if (trimmed === '')
    return failure({ code: 'missing', path: 'name', message: 'Give the point a name a hand can find it by.' })
  if (points.some((point) => point.name.toLowerCase() === trimmed.toLowerCase()))
    return failure({ code: 'twice', path: 'name', message: `There is a point "${trimmed}" already.` })
  const spot: Spot = {
    id: idFrom<SpotId>(
      trimmed,
      points.map((point) => point.id),
    ),
    name: trimmed,
    at: { x: onGrid(at.x), y: onGrid(at.y), z: onGrid(at.z) },
    serves: [],
  }
  return success({ ...machine, spots: [...(machine.spots ?? []), spot] })
}

/** A zone's middle or a spot moved, to the centimetre. */
export function withPointAt(machine: Machine, id: string, at: PointAt): Machine {
  const placed = { x: onGrid(at.x), y: onGrid(at.y), z: onGrid(at.z) }
  return {
    ...machine,
    zones: machine.zones.map((zone) => (zone.id === id ? { ...zone, at: placed } : zone)),
    ...(machine.spots ? { spots: machine.spots.map((spot) => (spot.id === id ? { ...spot, at: placed } : spot)) } : {}),
  }
}

/** A spot and the passages that end there taken out. */
export function withoutSpot(machine: Machine, id: string): Machine {
  return {
    ...machine,
    spots: (machine.spots ?? []).filter((spot) => spot.id !== id),
    passages: (machine.passages ?? []).filter((passage) => passage.from !== id && passage.to !== id),
  }
}

/** What is reached from a spot: plugs, studs and places by their names, separated by commas. */
export function withServes(machine: Machine, id: string, text: string): Outcome<Machine> {
  const names = text
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '')
  const found = names.map((name): Spot['serves'][number] | null => {
    const same = (item: { id: string; name: string }) =>
      item.id === name || item.name.toLowerCase() === name.toLowerCase()
    const connector = machine.connectors.find(same)
    if (connector) return { connector: connector.id }
    const stud = machine.studs.find(same)
    if (stud) return { stud: stud.id }
    const place = machine.places?.find(same)
    return place ? { place: place.id } : null
  })
  const lost = names.filter((_, i) => found[i] === null)
  if (lost.length > 0)
    return failure({
      code: 'unknown-target',
      path: 'serves',
      message: `Nothing on this machine is called ${lost.map((name) => `"${name}"`).join(', ')}.`,
    })
  const serves = found.flatMap((item) => item ?? [])
  const taken = new Set(serves.map((item) => JSON.stringify(item)))
  return success({
    ...machine,
    spots: (machine.spots ?? []).map((spot) =>
      spot.id === id
        ? { ...spot, serves }
        : { ...spot, serves: spot.serves.filter((item) => !taken.has(JSON.stringify(item))) },
    ),
  })
}

export function servesText(machine: Machine, spot: Spot): string {
  return spot.serves
    .map((item) => {
      const [list, id]: [readonly { id: string; name: string }[], string] =
        'connector' in item
          ? [machine.connectors, item.connector]
          : 'stud' in item
            ? [machine.studs, item.stud]
            : [machine.places ?? [], item.place]
      return list.find((candidate) => candidate.id === id)?.name ?? id
    })
    .join(', ')
}

/** A mount place as it is typed. */
export interface PlaceRow {
  name: string
  place: string
  /** Its name, or its id. */
  zone: string
  use: PlaceUse
  /** `130 90 35`, mm */
  room: string
  /** °C */
  warm: string
  vibration: '' | 'low' | 'some' | 'high'
  wet: boolean
  hidden: boolean
  lampSeen: boolean
  dash: boolean
}

export const emptyPlaceRow: PlaceRow = {
  name: '',
  place: '',
  zone: '',
  use: 'module',
  room: '',
  warm: '',
  vibration: '',
  wet: false,
  hidden: false,
  lampSeen: false,
  dash: false,
}

export function placeRow(machine: Machine, place: MountPlace): PlaceRow {
  return {
    name: place.name,
    place: place.place,
    zone: machine.zones.find((zone) => zone.id === place.zone)?.name ?? place.zone,
    use: place.use ?? 'module',
    room: place.roomMm?.join(' ') ?? '',
    warm: place.maxC === undefined ? '' : String(place.maxC),
    vibration: place.vibration ?? '',
    wet: place.wet ?? false,
    hidden: place.hidden ?? false,
    lampSeen: place.lampSeen ?? false,
    dash: place.dash ?? false,
  }
}

/** The machine with a mount place as typed: new for `id` null, else changed in place. */
export function withPlace(machine: Machine, id: string | null, row: PlaceRow): Outcome<Machine> {
  const problems: Problem[] = []
  const say = (path: keyof PlaceRow, message: string) => problems.push({ code: 'unreadable', path, message })
  const name = row.name.trim()
  if (name === '') say('name', 'Give the place a name.')
  const zone = machine.zones.find(
    (item) => item.id === row.zone || item.name.toLowerCase() === row.zone.trim().toLowerCase(),
  )
  if (!zone) say('zone', `There is no zone "${row.zone}".`)
  const sides =
    row.room.trim() === ''
      ? null
      : row.room
          .trim()
          .split(/[\s×x]+/)
          .map(Number)
  if (sides && (sides.length !== 3 || sides.some((side) => !(side > 0))))
    say('room', 'Room is three lengths in mm: 130 90 35.')
  const warm = row.warm.trim() === '' ? undefined : Number(row.warm)
  if (warm !== undefined && !(warm >= -40 && warm <= 300)) say('warm', 'How warm it gets is a number in °C.')
  if (problems.length > 0 || !zone) return failure(...problems)
  const places = machine.places ?? []
  const known = places.find((item) => item.id === id)
  const place: MountPlace = {
    id:
      known?.id ??
      idFrom(
        name,
        places.map((item) => item.id),
      ),
    name,
    zone: zone.id,
    place: row.place.trim() || zone.name,
    ...(row.use === 'module' ? {} : { use: row.use }),
    ...(sides ? { roomMm: [sides[0], sides[1], sides[2]] } : {}),
    ...(warm === undefined ? {} : { maxC: warm }),
    ...(row.vibration === '' ? {} : { vibration: row.vibration }),
    ...(row.wet ? { wet: true } : {}),
    ...(row.hidden ? { hidden: true } : {}),
    ...(row.lampSeen ? { lampSeen: true } : {}),
    ...(row.dash ? { dash: true } : {}),
    ...(known?.surface ? { surface: known.surface } : {}),
  }
  return success({
    ...machine,
    places: known ? places.map((item) => (item === known ? place : item)) : [...places, place],
  })
}

/** Radius in mm and lock in degrees as typed; both empty takes the steering out. */
export function withSteering(machine: Machine, radiusMm: string, lockDeg: string): Outcome<Machine> {
  if (radiusMm.trim() === '' && lockDeg.trim() === '') {
    const { steering: _steering, ...rest } = machine
    return success({
      ...rest,
      ...(machine.passages ? { passages: machine.passages.map(({ steering: _crossing, ...passage }) => passage) } : {}),
    })
  }
  const [radius, lock] = [radiusMm, lockDeg].map((text) => Number(text.replace(',', '.')))
  if (!(radius > 0 && radius <= 2000))
    return failure({ code: 'out-of-range', path: 'radiusMm', message: 'The radius is above 0 and at most 2,000 mm.' })
  if (!(lock > 0 && lock <= 90))
    return failure({
      code: 'out-of-range',
      path: 'lockDeg',
      message: 'The lock is above 0° and at most 90°, from straight ahead.',
    })
  return success({ ...machine, steering: { radiusM: radius / 1000, lockDeg: lock } })
}
