import type { Body } from '../dossiers/index.ts'
import { cooler, engineTop, turbo } from './engines.ts'
import { topAt } from './measures.ts'
import { boxesOf, boxM, boxTone, engineAt, roadOf, type RoadFigures } from './road.ts'
import { bar, block, disc, Sheet, smooth, straight, type Point, type Scene } from './scene.ts'
import { wheelTop } from './wheels.ts'

/** A car or pickup from above: the engine bay open, the cabin under glass. */
export function roadTop(body: Body, { cylinders, diesel, bed, hatch = false }: RoadFigures): Scene {
  const sheet = new Sheet()
  const { front, rear, r, L, W, cab } = roadOf(body, bed)
  const at = topAt(body)
  for (const x of [front[0], rear[0]]) for (const side of [-1, 1]) wheelTop(sheet, [x, side * (W / 2 - 0.13)], r, 0.24)
  const hull: Point[] = [
    at(0.005, 0),
    at(0.015, -0.66),
    at(0.06, -0.9),
    at(0.3, -0.95),
    at(0.7, -0.95),
    at(0.97, -0.9),
    at(0.995, -0.6),
    at(0.995, 0.6),
    at(0.97, 0.9),
    at(0.7, 0.95),
    at(0.3, 0.95),
    at(0.06, 0.9),
    at(0.015, 0.66),
  ]
  sheet.area('body', smooth(hull, true), 'near', 3)
  const engine = engineAt(cylinders, bed)
  const filter = bed ? 0.14 : 0.165
  const bulkhead = !bed ? 0.27 : cylinders > 4 ? 0.285 : 0.255
  sheet.area(
    'engine bay',
    smooth(
      [at(0.05, -0.62), at(0.08, -0.78), at(bulkhead, -0.8), at(bulkhead, 0.8), at(0.08, 0.78), at(0.05, 0.62)],
      true,
    ),
    'middle',
    1,
  )
  cooler(sheet, 'water cooler', at(0.055, -0.56), at(0.055, 0.56), L * 0.012)
  if (diesel) sheet.area('charge-air cooler', bar(at(0.035, -0.5), at(0.035, 0.5), L * 0.012), 'glass', 1)
  sheet.area('fan', bar(at(0.073, -0.4), at(0.073, 0.4), L * 0.008), 'far', 1)
  engineTop(sheet, at(engine, 0.02), L * (cylinders > 4 ? 0.14 : 0.12), W * 0.34, cylinders, false, diesel ? -1 : 1)
  sheet.line('fan belt', straight([at(engine - 0.072, -0.16), at(engine - 0.072, 0.2)], false), 2)
  const booster = at(bulkhead - 0.022, -0.42)
  for (const side of [-1, 1])
    sheet.line('brake line', smooth([booster, at(bulkhead - 0.012, side * 0.62), [front[0], side * (W / 2 - 0.28)]]))
  if (diesel) {
    const vee = cylinders >= 8
    const turbine = vee ? at(engine + 0.067, 0) : at(engine + 0.04, 0.46)
    if (vee)
      for (const side of [-1, 1])
        sheet.tube(
          'up-pipes',
          smooth([at(engine + 0.05, side * 0.42), at(engine + 0.078, side * 0.3), turbine]),
          L * 0.008,
          'hot',
        )
    turbo(sheet, turbine, L * 0.014)
    sheet
      .tube(
        'charge pipe',
        smooth([vee ? at(engine + 0.045, 0) : at(engine + 0.01, 0.48), at(0.1, 0.58), at(0.045, 0.46)]),
        L * 0.013,
        'middle',
      )
      .tube('charge pipe', smooth([at(0.045, -0.46), at(0.1, -0.6), at(0.14, -0.34)]), L * 0.013, 'middle')
    sheet.tube('fuel rail', straight([at(engine - 0.045, 0.16), at(engine + 0.045, 0.16)], false), L * 0.007, 'glass')
  }
  sheet
    .area('air filter box', block(at(filter, 0.58), L * 0.055, W * 0.14), 'far', 1)
    .tube('intake duct', smooth([at(filter + 0.02, 0.56), at(filter + 0.05, 0.5), at(engine, 0.4)]), L * 0.014, 'far')
    .area('airflow meter', block(at(filter + 0.036, 0.54), L * 0.016, W * 0.05), 'near', 1)
    .area('brake booster', disc(at(bulkhead - 0.022, -0.5), W * 0.07), 'far', 1)
    .area('bulkhead', bar(at(bulkhead, -0.8), at(bulkhead, 0.8), L * 0.008), 'far', 1)
    .tube('steering shaft', straight([at(0.2, -0.4), at(0.375, -0.44)], false), L * 0.006, 'middle')
    .area(
      'dashboard',
      straight([at(0.31, -0.8), at(0.365, -0.8), at(0.37, 0), at(0.365, 0.8), at(0.31, 0.8)]),
      'far',
      1,
    )
    .area('pedal box', block(at(0.351, -0.46), L * 0.02, W * 0.14), 'far', 1)
  for (const { part, at: place } of boxesOf({ cylinders, diesel, bed }))
    sheet.area(part, block(at(place[0], place[1]), boxM[part][0], boxM[part][1]), boxTone[part], 1)
  for (const side of [-1, 1])
    sheet
      .area('strut tower', disc(at(bed ? 0.19 : 0.2, side * 0.7), W * 0.045), 'far', 1)
      .area(
        'headlamp',
        smooth([at(0.018, side * 0.6), at(0.03, side * 0.82), at(0.075, side * 0.86), at(0.06, side * 0.66)], true),
        'glass',
        1,
      )
  const [screenFrom, screenTo, roofTo, backTo] = bed
    ? [0.28, 0.35, cab - 0.06, cab - 0.015]
    : hatch
      ? [0.29, 0.4, 0.84, 0.95]
      : [0.29, 0.4, 0.62, 0.78]
  sheet
    .area(
      'windscreen',
      smooth(
        [
          at(screenFrom, -0.76),
          at(screenFrom - 0.01, 0),
          at(screenFrom, 0.76),
          at(screenTo, 0.66),
          at(screenTo, -0.66),
        ],
        true,
      ),
      'glass',
      1,
    )
    .line('steering wheel', disc(at(0.385, -0.44), W * 0.09), 2)
    .area(
      'roof',
      smooth([at(screenTo, -0.66), at(roofTo, -0.66), at(roofTo, 0.66), at(screenTo, 0.66)], true),
      'open',
      1,
    )
    .area(
      'rear window',
      straight([at(roofTo, -0.62), at(backTo, -0.72), at(backTo, 0.72), at(roofTo, 0.62)]),
      'glass',
      1,
    )
  for (const side of [-1, 1])
    sheet
      .area('seat', block(at(screenTo + (bed ? 0.115 : 0.075), side * 0.4), L * 0.08, W * 0.24), 'far', 1)
      .area('mirror', block(at(screenTo - 0.03, side * 0.99), L * 0.02, W * 0.05), 'middle', 1)
  if (bed) {
    sheet.area(
      'bed',
      straight([at(cab + 0.005, -0.84), at(0.985, -0.84), at(0.985, 0.84), at(cab + 0.005, 0.84)]),
      'middle',
      2,
    )
    for (let v = -0.7; v < 0.75; v += 0.2) sheet.line('bed', straight([at(cab + 0.015, v), at(0.975, v)], false))
  } else if (hatch) sheet.line('tailgate', straight([at(backTo, -0.74), at(backTo, 0.74)], false), 1)
  else sheet.line('boot lid', smooth([at(0.82, -0.74), at(0.84, 0), at(0.82, 0.74)]), 1)
  return sheet.shapes
}
