import type { Body } from '../dossiers/index.ts'
import { cooler, turbo } from './engines.ts'
import { boxesOf, boxM, boxTone, engineAt, roadOf, type Road, type RoadFigures } from './road.ts'
import { bar, block, Sheet, disc, smooth, straight, type Point, type Scene } from './scene.ts'
import { wheelSide } from './wheels.ts'

/** A car or pickup from its left side: what lies within is seen through its skin. */
export function roadSide(body: Body, figures: RoadFigures): Scene {
  const sheet = new Sheet()
  const road = roadOf(body, figures.bed)
  skin(sheet, road, figures)
  within(sheet, road, figures)
  for (const hub of [road.rear, road.front]) wheelSide(sheet, hub, road.r, figures.bed ? 'disc' : 'cast spokes', 7)
  outer(sheet, road, figures)
  return sheet.shapes
}

/** Arch over a wheel, from rear to front. */
function arch(hub: Point, r: number, low: number): Point[] {
  return [
    [hub[0] + r * 1.2, low],
    [hub[0] + r * 1.05, hub[1] + r * 0.62],
    [hub[0], hub[1] + r * 1.2],
    [hub[0] - r * 1.05, hub[1] + r * 0.62],
    [hub[0] - r * 1.2, low],
  ]
}

/** A car's line over roof and tail: down to a boot, or on to a steep tailgate. */
function tailOf(at: Road['at'], hatch: boolean): Point[] {
  return hatch
    ? [at(0.62, 0.985), at(0.86, 0.93), at(0.965, 0.66), at(0.99, 0.5), at(0.99, 0.28)]
    : [at(0.62, 0.98), at(0.82, 0.72), at(0.97, 0.68), at(0.99, 0.5), at(0.99, 0.28)]
}

function skin(sheet: Sheet, { at, front, rear, r, H, L, cab }: Road, { bed, hatch = false }: RoadFigures): void {
  const low = H * (bed ? 0.24 : 0.16)
  const under = (x: number): Point => [x, low]
  const upper: Point[] = bed
    ? [
        at(0.01, 0.3),
        at(0.012, 0.52),
        at(0.03, 0.61),
        at(0.26, 0.65),
        at(0.345, 0.955),
        at(0.4, 0.99),
        at(cab - 0.04, 0.985),
        at(cab - 0.005, 0.94),
        at(cab, 0.64),
        at(0.99, 0.63),
        at(0.995, 0.34),
      ]
    : [
        at(0.01, 0.28),
        at(0.012, 0.46),
        at(0.05, 0.56),
        at(0.28, 0.66),
        at(0.4, 0.95),
        at(0.48, 0.99),
        ...tailOf(at, hatch),
      ]
  const lower = [under(L * 0.98), ...arch(rear, r, low), ...arch(front, r, low), under(L * 0.03)]
  sheet.area('body', straight([...upper, ...lower]), 'near', 3)
  const glassTop = bed
    ? [at(0.285, 0.66), at(0.36, 0.92), at(0.4, 0.95), at(cab - 0.05, 0.945), at(cab - 0.03, 0.68)]
    : [
        ...[at(0.3, 0.67), at(0.415, 0.92), at(0.48, 0.95), at(0.61, 0.95)],
        ...(hatch ? [at(0.83, 0.9), at(0.91, 0.68)] : [at(0.77, 0.71)]),
      ]
  sheet.area('windows', straight(glassTop), 'glass', 1)
  if (bed)
    sheet.area(
      'bed',
      straight([at(cab + 0.01, 0.62), at(0.985, 0.61), at(0.985, 0.42), at(cab + 0.01, 0.42)]),
      'middle',
      1,
    )
}

function within(sheet: Sheet, { at, front, rear, r, L, H }: Road, { cylinders, diesel, bed }: RoadFigures): void {
  const vee = cylinders >= 8
  const engine = at(engineAt(cylinders, bed), bed ? 0.46 : 0.4)
  if (bed) sheet.area('ladder frame', bar(at(0.05, 0.27), at(0.97, 0.27), H * 0.05), 'far', 1)
  sheet
    .area('gearbox', bar(at(0.25, 0.36), at(0.42, 0.32), H * 0.13, H * 0.08), 'middle', 1)
    .line('prop shaft', straight([at(0.42, 0.31), [rear[0], rear[1]]], false), 2)
    .area('sump', block([engine[0], engine[1] - H * 0.15], L * 0.1, H * 0.07), 'far', 1)
    .area('engine block', block(engine, L * (cylinders > 4 ? 0.15 : 0.12), H * 0.2), 'middle', 2)
    .area(
      'head cover',
      block([engine[0], engine[1] + H * 0.12], L * (cylinders > 4 ? 0.14 : 0.11), H * 0.06),
      'near',
      2,
    )
  const each = cylinders >= 8 ? cylinders / 2 : cylinders
  for (let i = 0; i < each; i++)
    sheet.tube(
      'exhaust manifold',
      straight(
        [
          [engine[0] + ((i + 0.5) / each - 0.5) * L * 0.12, engine[1] + H * 0.06],
          [engine[0] + ((i + 0.5) / each - 0.5) * L * 0.1, engine[1] - H * 0.01],
        ],
        false,
      ),
      H * 0.022,
      'hot',
    )
  const turbine: Point = vee
    ? [engine[0] + L * 0.067, engine[1] + H * 0.14]
    : [engine[0] + L * 0.035, engine[1] + H * 0.02]
  if (diesel && vee) {
    const up: Point[] = [
      [engine[0] + L * 0.05, engine[1] - H * 0.01],
      [engine[0] + L * 0.078, engine[1] + H * 0.05],
      turbine,
    ]
    sheet.tube('up-pipes', smooth(up), H * 0.026, 'hot')
  }
  if (diesel) turbo(sheet, turbine, H * 0.055)
  cooler(sheet, 'water cooler', at(0.045, 0.3), at(0.05, bed ? 0.54 : 0.46), L * 0.012)
  if (diesel) cooler(sheet, 'charge-air cooler', at(0.028, 0.3), at(0.03, bed ? 0.5 : 0.4), L * 0.01)
  sheet.area('fan', bar(at(0.068, 0.32), at(0.07, bed ? 0.52 : 0.44), L * 0.006), 'far', 1)
  const belt = engine[0] - L * (cylinders > 4 ? 0.078 : 0.063)
  sheet
    .line(
      'fan belt',
      straight(
        [
          [belt, engine[1] - H * 0.1],
          [belt, engine[1] + H * 0.1],
        ],
        false,
      ),
      2,
    )
    .line('brake line', smooth([at(0.27, 0.56), at(0.26, 0.34), [front[0] + r * 0.3, front[1] + r * 0.4]]))
    .line('brake line', smooth([at(0.27, 0.56), at(0.28, 0.24), [rear[0] - r, H * 0.26], [rear[0], rear[1] + r * 0.3]]))
    .area('brake booster', disc(at(bed && cylinders > 4 ? 0.265 : 0.245, bed ? 0.575 : 0.56), H * 0.055), 'far', 1)
  for (const { part, at: place } of boxesOf({ cylinders, diesel, bed }))
    sheet.area(part, block(at(place[0], place[2]), boxM[part][0], boxM[part][2]), boxTone[part], 1)
  const pipe: Point[] = [
    [engine[0] + L * 0.03, engine[1] - H * 0.04],
    at(0.27, 0.24),
    at(0.44, 0.2),
    at(0.66, 0.2),
    [rear[0] - r * 0.4, H * 0.34],
    [rear[0] + r * 0.9, H * 0.24],
    at(0.975, 0.2),
  ]
  sheet
    .tube('exhaust pipe', smooth(pipe), H * 0.035, 'hot')
    .area(diesel ? 'particle filter' : 'catalyst', bar(at(0.3, 0.225), at(0.4, 0.205), H * 0.07), 'hot', 1)
    .area('silencer', block(at(0.66, 0.2), L * 0.1, H * 0.08), 'hot', 1)
    .area('tank', block(bed ? at(0.52, 0.28) : at(0.72, 0.27), L * 0.12, H * 0.11), 'glass', 1)
    .area('dashboard', smooth([at(0.3, 0.63), at(0.37, 0.64), at(0.385, 0.56), at(0.33, 0.5)], true), 'far', 1)
    .area('pedal box', bar(at(0.34, 0.5), at(0.362, 0.34), L * 0.008), 'far', 1)
    .tube('steering shaft', straight([at(0.22, 0.36), at(0.375, 0.56)], false), H * 0.02, 'middle')
    .line('steering wheel', bar(at(0.372, 0.5), at(0.392, 0.64), H * 0.012), 2)
    .area(
      'seat',
      smooth([at(0.415, 0.4), at(0.48, 0.4), at(0.51, 0.66), at(0.485, 0.68), at(0.46, 0.48), at(0.41, 0.46)], true),
      'far',
      1,
    )
    .area('spring', bar([front[0], front[1] + r * 0.3], [front[0] + r * 0.1, H * 0.52], r * 0.2), 'middle', 1)
}

function outer(sheet: Sheet, { at, L, H, cab }: Road, { bed }: RoadFigures): void {
  const doorEnd = cab > 0.65 ? 0.49 : cab - 0.01
  const door = bed
    ? [at(0.3, 0.64), at(0.31, 0.28), at(doorEnd - 0.005, 0.28), at(doorEnd, 0.66)]
    : [at(0.31, 0.64), at(0.32, 0.22), at(0.5, 0.2), at(0.505, 0.66)]
  sheet
    .line('door', straight(door, false))
    .line(
      'door handle',
      straight([at(bed ? doorEnd - 0.05 : 0.46, 0.6), at(bed ? doorEnd - 0.02 : 0.49, 0.6)], false),
      2,
    )
    .area(
      'headlamp',
      smooth(
        [
          at(0.012, bed ? 0.48 : 0.44),
          at(0.02, bed ? 0.58 : 0.52),
          at(0.075, bed ? 0.6 : 0.56),
          at(0.06, bed ? 0.52 : 0.49),
        ],
        true,
      ),
      'glass',
      1,
    )
    .area('rear lamp', block(at(0.985, bed ? 0.54 : 0.58), L * 0.014, H * 0.09), 'far', 1)
    .area(
      'mirror',
      smooth(
        [
          at(bed ? 0.31 : 0.33, 0.68),
          at(bed ? 0.3 : 0.325, 0.74),
          at(bed ? 0.335 : 0.35, 0.74),
          at(bed ? 0.335 : 0.35, 0.68),
        ],
        true,
      ),
      'middle',
      1,
    )
    .area('bumper', bar(at(0.0, bed ? 0.32 : 0.26), at(0.035, bed ? 0.3 : 0.24), H * 0.06), 'far', 1)
    .area('bumper', bar(at(0.965, bed ? 0.32 : 0.26), at(1.0, bed ? 0.34 : 0.28), H * 0.06), 'far', 1)
  if (bed && cab > 0.65) {
    for (const u of [0.41, 0.47, 0.53]) sheet.area('roof lamp', block(at(u, 1.0), L * 0.012, H * 0.02), 'glass', 1)
    sheet.tube('side step', straight([at(0.31, 0.22), at(0.66, 0.22)], false), H * 0.024, 'far')
    sheet.area(
      'second row',
      smooth([at(0.53, 0.42), at(0.59, 0.42), at(0.625, 0.68), at(0.6, 0.7), at(0.575, 0.5), at(0.525, 0.47)], true),
      'far',
      1,
    )
  }
  if (bed && cab < 0.55) {
    sheet.tube('head board', straight([at(cab + 0.02, 0.62), at(cab + 0.02, 0.92)], false), H * 0.028, 'far')
    for (const v of [0.7, 0.78, 0.86])
      sheet.line('head board', straight([at(cab + 0.02, v), at(cab + 0.05, 0.62)], false))
    sheet.area('tool box', block(at(cab + 0.07, 0.66), L * 0.08, H * 0.07), 'middle', 1)
    for (const u of [0.7, 0.8, 0.9]) sheet.line('bed stakes', straight([at(u, 0.42), at(u, 0.61)], false))
  }
  if (bed && cab > 0.65)
    sheet
      .line('door', straight([at(doorEnd, 0.945), at(doorEnd, 0.28), at(cab - 0.02, 0.3), at(cab - 0.01, 0.66)], false))
      .line('door handle', straight([at(cab - 0.07, 0.6), at(cab - 0.04, 0.6)], false), 2)
  if (!bed)
    sheet.line('door', straight([at(0.505, 0.66), at(0.5, 0.2), at(0.66, 0.22), at(0.68, 0.4), at(0.67, 0.68)], false))
}
