import { readMinutes } from '../readFasteners.ts'
import { readHazards } from '../readHazards.ts'
import { placeUses, type PlaceFigures, type PlaceUse } from '../accessModel.ts'
import type { Bulkhead, Hazard, PointAt, PowerFigures, Steering } from '../routeModel.ts'
import { fields, linesOf, oneOf } from './sheetLines.ts'
import type { Passage, Spot } from './written.ts'

/** Where a loom can lie on a machine, as it is written down in the yard. */
export interface RouteSheet {
  /** `id | name | x y z | plug:… stud:… place:…` */
  spots: string
  /**
   * `from > to | name | length m | hazards; … | options; …`
   * hazards: `hot 380 40 exhaust` (°C, mm away), `moving 30 fork`, `pinch seat`, `sharp edge of …`, `wet`, `shakes`, `barred why`
   * options: `free 180` (mm²), `grommet 5/10/20`, `spare grommet …`, `hole …`, `steering left`,
   * `under seat tank` (covers that are off to lay something here; `under -`: none), `via x y z, x y z`
   */
  passages: string
  /** `id | length width height mm | surface | warmest °C | shaking | options`: `wet`, `hidden`, `lamp`, `dash`, `for dial` */
  places: string
  /** `radius m, lock °` */
  steering?: string
  /** `Ah | standing mA | sleep min | prime peak A | options`: `lithium`, `charging 12.4 15` (V) */
  power: string
}

export interface RouteParts {
  spots: Spot[]
  passages: Passage[]
  places: Map<string, PlaceFigures & { use?: PlaceUse }>
  steering?: Steering
  power: PowerFigures
}

/** @throws with the line that cannot be read */
export function readRouteSheet(sheet: RouteSheet): RouteParts {
  const taken = new Map<string, number>()
  const [figures, options] = [fields(sheet.power, 5).slice(0, 4), fields(sheet.power, 5)[4]]
  const [batteryAh, idleMa, sleepMinutes, primePeakA] = figures.map(Number)
  const [, low, high] = /charging ([\d.]+) ([\d.]+)/.exec(options) ?? []
  const [radiusM, lockDeg] = (sheet.steering ?? '').split(',').map(Number)
  return {
    spots: linesOf(sheet.spots).map((line): Spot => {
      const [id, name, at, serves] = fields(line, 4)
      return { id, name, at: pointOf(at, line), serves: serves.split(/\s+/).flatMap((word) => servedOf(word, line)) }
    }),
    passages: linesOf(sheet.passages).map((line) => readPassage(line, taken)),
    places: new Map(linesOf(sheet.places).map(readPlace)),
    ...(sheet.steering ? { steering: { radiusM, lockDeg } } : {}),
    power: {
      batteryAh,
      idleMa,
      sleepMinutes,
      primePeakA,
      ...(/lithium/.test(options) ? { chemistry: 'lithium' as const } : {}),
      ...(low && high ? { chargingV: volts(low, high) } : {}),
    },
  }
}

function volts(low: string, high: string): [number, number] {
  return [Number(low), Number(high)]
}

function pointOf(text: string, line: string): PointAt {
  const [x, y, z, ...more] = text.trim().split(/\s+/).map(Number)
  if (more.length > 0 || [x, y, z].some((value) => !Number.isFinite(value)))
    throw new Error(`sheet: "${text}" is no point in "${line}"`)
  return { x, y, z }
}

function servedOf(word: string, line: string): Spot['serves'] {
  if (word === '') return []
  const [kind, id] = word.split(':')
  if (kind === 'plug') return [{ connector: id }]
  if (kind === 'stud') return [{ stud: id }]
  if (kind === 'place') return [{ place: id }]
  throw new Error(`sheet: "${word}" is nothing that is reached in "${line}"`)
}

function parts(text: string): string[] {
  return text
    .split(';')
    .map((part) => part.trim())
    .filter((part) => part !== '')
}

function hazardsOf(text: string, line: string): Hazard[] {
  const hazards = readHazards(text)
  if (!hazards.ok) throw new Error(`sheet: ${hazards.problems[0].message} In "${line}"`)
  return hazards.value
}

function readPassage(line: string, taken: Map<string, number>): Passage {
  const [ends, name, length, hazards, options] = fields(line, 5)
  const [from, to] = ends.split('>').map((end) => end.trim())
  const plain = `${from}-${to}`
  const count = (taken.get(plain) ?? 0) + 1
  taken.set(plain, count)
  const passage: Passage = {
    id: count === 1 ? plain : `${plain}-${count}`,
    name,
    from,
    to,
    hazards: hazardsOf(hazards, line),
  }
  if (length !== '') passage.lengthM = Number(length)
  for (const option of parts(options)) {
    const [, word, rest] = /^(free|grommet|spare grommet|hole|steering|under|via) (.+)$/.exec(option) ?? []
    if (word === 'free') passage.freeMm2 = Number(rest)
    else if (word === 'steering') passage.steering = oneOf(['left', 'right', 'front'] as const, rest, line)
    else if (word === 'under') passage.under = rest === '-' ? [] : rest.split(' ')
    else if (word === 'via') passage.via = rest.split(',').map((point) => pointOf(point, line))
    else if (word) {
      const minutes = readMinutes(rest)
      if (!minutes.ok) throw new Error(`sheet: ${minutes.problems[0].message} In "${line}"`)
      const kinds: Record<string, Bulkhead['kind']> = {
        grommet: 'factory grommet',
        'spare grommet': 'spare grommet',
        hole: 'new hole',
      }
      passage.bulkhead = { kind: kinds[word], minutes: minutes.value }
    } else throw new Error(`sheet: option "${option}" is not understood in "${line}"`)
  }
  return passage
}

function readPlace(line: string): [string, PlaceFigures & { use?: PlaceUse }] {
  const [id, room, surface, warm, shaking, options] = fields(line, 6)
  const figures: PlaceFigures & { use?: PlaceUse } = {}
  const [length, width, height] = room.split(/\s+/).map(Number)
  if (room !== '') figures.roomMm = [length, width, height]
  if (surface !== '') figures.surface = oneOf(['flat', 'bracket', 'tray', 'strap'] as const, surface, line)
  if (warm !== '') figures.maxC = Number(warm)
  if (shaking !== '') figures.vibration = oneOf(['low', 'some', 'high'] as const, shaking, line)
  for (const option of parts(options)) {
    if (option === 'wet') figures.wet = true
    else if (option === 'hidden') figures.hidden = true
    else if (option === 'lamp') figures.lampSeen = true
    else if (option === 'dash') figures.dash = true
    else if (option.startsWith('for ')) figures.use = oneOf(placeUses, option.slice(4), line)
    else throw new Error(`sheet: option "${option}" is not understood in "${line}"`)
  }
  return [id, figures]
}
