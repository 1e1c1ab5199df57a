import type { Body } from '../dossiers/index.ts'
import { cooler, crankcase, cylinder, engineTop, exhaust } from './engines.ts'
import { hubsOf, sideAt, topAt } from './measures.ts'
import { bar, block, disc, Sheet, smooth, straight, type Scene } from './scene.ts'
import { wheelSide, wheelTop } from './wheels.ts'

/** A quad from its left side. */
export function quadSide(body: Body): Scene {
  const sheet = new Sheet()
  const { heightM: H, wheelbaseM: wb } = body
  const { front, rear, r } = hubsOf(body, 0.5)
  const at = sideAt(body)
  sheet
    .tube('frame', smooth([at(0.1, 0.42), at(0.3, 0.3), at(0.68, 0.3), at(0.9, 0.46)]), 0.05, 'middle')
    .area('suspension arm', bar(at(0.34, 0.36), front, 0.05), 'far', 1)
    .area('suspension arm', bar(at(0.66, 0.36), rear, 0.05), 'far', 1)
  crankcase(sheet, at(0.5, 0.36), wb * 0.34, H * 0.2)
  cylinder(sheet, at(0.47, 0.46), at(0.43, 0.64), wb * 0.13, false)
  exhaust(
    sheet,
    [at(0.4, 0.58), at(0.36, 0.5), at(0.46, 0.47), at(0.6, 0.5)],
    1,
    0.05,
    [at(0.74, 0.52), at(0.94, 0.56)],
    0.13,
  )
  cooler(sheet, 'water cooler', at(0.15, 0.46), at(0.17, 0.66), 0.05)
  sheet.area('fan', disc(at(0.2, 0.56), 0.07), 'middle', 1)
  for (const hub of [rear, front]) wheelSide(sheet, hub, r, 'disc', 5, false)
  sheet
    .area('shock', bar(at(0.2, 0.42), at(0.26, 0.68), 0.06), 'middle', 1)
    .area('shock', bar(at(0.78, 0.42), at(0.74, 0.66), 0.06), 'middle', 1)
    .area('tank', smooth([at(0.34, 0.68), at(0.36, 0.8), at(0.5, 0.8), at(0.54, 0.7)], true), 'near', 2)
    .area(
      'seat',
      smooth([at(0.48, 0.78), at(0.58, 0.82), at(0.8, 0.8), at(0.84, 0.74), at(0.54, 0.7)], true),
      'tyre',
      2,
    )
    .area(
      'front body',
      smooth(
        [
          at(0.0, 0.52),
          at(0.05, 0.7),
          at(0.2, 0.76),
          at(0.36, 0.76),
          at(0.38, 0.66),
          at(0.33, 0.6),
          at(0.26, 0.64),
          at(0.14, 0.62),
        ],
        true,
      ),
      'near',
      3,
    )
    .area(
      'rear body',
      smooth(
        [at(0.62, 0.66), at(0.7, 0.64), at(0.84, 0.64), at(0.99, 0.56), at(0.98, 0.72), at(0.8, 0.76), at(0.66, 0.74)],
        true,
      ),
      'near',
      3,
    )
    .area('headlamp', smooth([at(0.02, 0.6), at(0.04, 0.68), at(0.12, 0.7), at(0.11, 0.63)], true), 'glass', 1)
    .area('foot well', bar(at(0.38, 0.3), at(0.64, 0.3), 0.05), 'far', 1)
    .tube('front rack', straight([at(0.03, 0.8), at(0.28, 0.81)], false), 0.028, 'far')
    .tube('rear rack', straight([at(0.72, 0.82), at(0.99, 0.82)], false), 0.028, 'far')
    .line('rack stays', straight([at(0.08, 0.8), at(0.1, 0.72)], false), 2)
    .line('rack stays', straight([at(0.92, 0.82), at(0.9, 0.72)], false), 2)
    .tube('steering shaft', straight([at(0.26, 0.5), at(0.34, 0.9)], false), 0.03, 'middle')
    .line('control cables', smooth([at(0.4, 0.94), at(0.3, 0.86), at(0.34, 0.68), at(0.46, 0.6)]))
    .line('brake hose', smooth([at(0.39, 0.95), at(0.27, 0.84), at(0.26, 0.56), [front[0], front[1] + r * 0.3]]))
    .tube('handlebar', smooth([at(0.34, 0.9), at(0.36, 0.97), at(0.42, 0.95)]), 0.03, 'near')
  return sheet.shapes
}

/** A quad from above. */
export function quadTop(body: Body): Scene {
  const sheet = new Sheet()
  const { widthM: W } = body
  const { front, rear, r } = hubsOf(body, 0.5)
  const at = topAt(body)
  for (const x of [front[0], rear[0]])
    for (const side of [-1, 1]) {
      sheet.area('suspension arm', bar([x, side * 0.1], [x, side * (W / 2 - 0.14)], 0.06), 'far', 1)
      wheelTop(sheet, [x, side * (W / 2 - 0.12)], r, 0.24)
    }
  sheet
    .area(
      'front body',
      smooth(
        [
          at(0.01, -0.3),
          at(0.04, -0.74),
          at(0.3, -0.8),
          at(0.36, -0.34),
          at(0.36, 0.34),
          at(0.3, 0.8),
          at(0.04, 0.74),
          at(0.01, 0.3),
        ],
        true,
      ),
      'near',
      3,
    )
    .area(
      'rear body',
      smooth(
        [at(0.66, -0.36), at(0.72, -0.8), at(0.97, -0.76), at(0.99, 0), at(0.97, 0.76), at(0.72, 0.8), at(0.66, 0.36)],
        true,
      ),
      'near',
      3,
    )
    .area('crankcase', block(at(0.5, 0), 0.34, 0.42), 'middle', 2)
    .area('silencer', bar(at(0.76, -0.34), at(0.96, -0.34), 0.12), 'hot', 1)
    .area('tank', smooth([at(0.34, -0.22), at(0.5, -0.24), at(0.52, 0.24), at(0.34, 0.22)], true), 'near', 2)
    .area('filler cap', disc(at(0.4, 0), 0.045), 'far', 1)
    .area(
      'seat',
      smooth([at(0.48, -0.2), at(0.66, -0.3), at(0.84, -0.26), at(0.84, 0.26), at(0.66, 0.3), at(0.48, 0.2)], true),
      'tyre',
      2,
    )
  for (const [from, to] of [
    [0.04, 0.26],
    [0.74, 0.98],
  ] as const)
    for (const v of [-0.5, -0.25, 0, 0.25, 0.5])
      sheet.tube(from < 0.5 ? 'front rack' : 'rear rack', straight([at(from, v), at(to, v)], false), 0.022, 'far')
  sheet.tube('handlebar', smooth([at(0.4, -0.66), at(0.34, -0.3), at(0.34, 0.3), at(0.4, 0.66)]), 0.032, 'near')
  for (const side of [-1, 1])
    sheet
      .area('headlamp', block(at(0.04, side * 0.52), 0.09, 0.14), 'glass', 1)
      .tube('grip', straight([at(0.385, side * 0.56), at(0.41, side * 0.7)], false), 0.045, 'tyre')
  return sheet.shapes
}

/** A side-by-side from its left side. */
export function sideBySideSide(body: Body): Scene {
  const sheet = new Sheet()
  const { lengthM: L, heightM: H } = body
  const { front, rear, r } = hubsOf(body, 0.5)
  const at = sideAt(body)
  sheet.tube('frame', smooth([at(0.06, 0.3), at(0.3, 0.2), at(0.72, 0.2), at(0.96, 0.32)]), 0.06, 'middle')
  crankcase(sheet, at(0.76, 0.36), L * 0.16, H * 0.14)
  cylinder(sheet, at(0.76, 0.43), at(0.74, 0.53), L * 0.07, false)
  exhaust(
    sheet,
    [at(0.735, 0.5), at(0.69, 0.42), at(0.7, 0.3), at(0.78, 0.27)],
    2,
    0.05,
    [at(0.85, 0.3), at(0.985, 0.34)],
    0.16,
  )
  cooler(sheet, 'water cooler', at(0.06, 0.3), at(0.08, 0.46), 0.06)
  for (const hub of [rear, front]) wheelSide(sheet, hub, r, 'cast spokes', 6)
  sheet
    .area('shock', bar(at(0.16, 0.3), at(0.22, 0.5), 0.08), 'middle', 1)
    .area('shock', bar(at(0.86, 0.3), at(0.82, 0.52), 0.08), 'middle', 1)
    .area(
      'bonnet',
      smooth(
        [at(0.01, 0.34), at(0.03, 0.46), at(0.16, 0.54), at(0.32, 0.58), at(0.33, 0.5), at(0.28, 0.44), at(0.12, 0.4)],
        true,
      ),
      'near',
      3,
    )
    .area('headlamp', smooth([at(0.02, 0.4), at(0.05, 0.47), at(0.1, 0.48), at(0.09, 0.42)], true), 'glass', 1)
    .area(
      'door',
      smooth([at(0.33, 0.5), at(0.34, 0.26), at(0.62, 0.24), at(0.66, 0.48), at(0.5, 0.42)], true),
      'near',
      2,
    )
    .area(
      'seat',
      smooth([at(0.48, 0.32), at(0.56, 0.34), at(0.64, 0.62), at(0.6, 0.64), at(0.54, 0.42), at(0.46, 0.4)], true),
      'tyre',
      2,
    )
    .area('cargo bed', smooth([at(0.67, 0.5), at(0.99, 0.5), at(0.99, 0.6), at(0.67, 0.6)], true), 'near', 3)
    .tube('steering wheel', straight([at(0.4, 0.52), at(0.43, 0.62)], false), 0.04, 'tyre')
    .tube(
      'roll cage',
      smooth([at(0.31, 0.57), at(0.38, 0.9), at(0.45, 0.985), at(0.62, 0.985), at(0.68, 0.9), at(0.7, 0.58)]),
      0.055,
      'near',
    )
    .tube('roll cage', straight([at(0.57, 0.98), at(0.62, 0.56)], false), 0.045, 'near')
    .line('windscreen', straight([at(0.33, 0.6), at(0.385, 0.9)], false), 1)
  return sheet.shapes
}

/** A side-by-side from above. */
export function sideBySideTop(body: Body, cylinders: number): Scene {
  const sheet = new Sheet()
  const { widthM: W } = body
  const { front, rear, r } = hubsOf(body, 0.5)
  const at = topAt(body)
  for (const x of [front[0], rear[0]])
    for (const side of [-1, 1]) {
      sheet.area('suspension arm', bar([x, side * 0.2], [x, side * (W / 2 - 0.16)], 0.08), 'far', 1)
      wheelTop(sheet, [x, side * (W / 2 - 0.14)], r, 0.28)
    }
  sheet.area(
    'bonnet',
    smooth(
      [at(0.01, -0.4), at(0.06, -0.7), at(0.3, -0.74), at(0.32, 0), at(0.3, 0.74), at(0.06, 0.7), at(0.01, 0.4)],
      true,
    ),
    'near',
    3,
  )
  engineTop(sheet, at(0.78, 0), 0.34, 0.4, cylinders, true)
  sheet.area('cargo bed', straight([at(0.67, -0.74), at(0.99, -0.74), at(0.99, 0.74), at(0.67, 0.74)]), 'open', 2)
  for (const side of [-1, 1])
    sheet
      .area('seat', block(at(0.54, side * 0.36), 0.36, 0.4), 'tyre', 1)
      .area('headlamp', block(at(0.04, side * 0.5), 0.1, 0.2), 'glass', 1)
      .tube(
        'roll cage',
        smooth([at(0.32, side * 0.72), at(0.44, side * 0.66), at(0.64, side * 0.66), at(0.7, side * 0.72)]),
        0.05,
        'near',
      )
  sheet
    .tube('roll cage', straight([at(0.44, -0.66), at(0.44, 0.66)], false), 0.05, 'near')
    .tube('roll cage', straight([at(0.64, -0.66), at(0.64, 0.66)], false), 0.05, 'near')
    .line('steering wheel', disc(at(0.4, 0.36), 0.17), 2)
  return sheet.shapes
}
