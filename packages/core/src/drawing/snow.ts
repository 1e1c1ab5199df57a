import type { Body } from '../dossiers/index.ts'
import { cooler, cylinder, exhaust } from './engines.ts'
import { sideAt, topAt } from './measures.ts'
import { bar, block, disc, Sheet, smooth, straight, type Scene } from './scene.ts'

/** A snow machine from its left side. */
export function snowSide(body: Body): Scene {
  const sheet = new Sheet()
  const at = sideAt(body)
  sheet
    .area(
      'track',
      smooth(
        [
          at(0.38, 0.08),
          at(0.44, 0.02),
          at(0.84, 0.02),
          at(0.96, 0.14),
          at(0.97, 0.28),
          at(0.9, 0.36),
          at(0.5, 0.42),
          at(0.4, 0.34),
        ],
        true,
      ),
      'tyre',
      3,
    )
    .area(
      'track',
      smooth(
        [
          at(0.42, 0.12),
          at(0.46, 0.07),
          at(0.82, 0.07),
          at(0.92, 0.16),
          at(0.93, 0.26),
          at(0.88, 0.31),
          at(0.5, 0.36),
          at(0.44, 0.3),
        ],
        true,
      ),
      'near',
      1,
    )
  for (const [u, v, r] of [
    [0.46, 0.3, 0.075],
    [0.88, 0.2, 0.1],
    [0.54, 0.11, 0.05],
    [0.66, 0.11, 0.05],
    [0.78, 0.11, 0.05],
  ] as const)
    sheet.area('idler wheel', disc(at(u, v), r), 'middle', 1)
  sheet
    .area('rail', bar(at(0.47, 0.09), at(0.86, 0.09), 0.035), 'far', 1)
    .area('shock', bar(at(0.6, 0.12), at(0.7, 0.32), 0.05), 'middle', 1)
    .area(
      'tunnel',
      smooth([at(0.38, 0.44), at(0.5, 0.5), at(0.97, 0.44), at(0.97, 0.38), at(0.5, 0.42)], true),
      'near',
      2,
    )
    .tube('ski leg', straight([at(0.22, 0.14), at(0.27, 0.42)], false), 0.05, 'middle')
    .area(
      'ski',
      smooth(
        [
          at(0.01, 0.16),
          at(0.06, 0.05),
          at(0.14, 0.02),
          at(0.36, 0.03),
          at(0.36, 0.06),
          at(0.16, 0.06),
          at(0.08, 0.09),
        ],
        true,
      ),
      'near',
      3,
    )
    .area('shock', bar(at(0.2, 0.16), at(0.3, 0.5), 0.06), 'middle', 1)
  cylinder(sheet, at(0.28, 0.44), at(0.26, 0.64), 0.2, false)
  exhaust(
    sheet,
    [at(0.22, 0.56), at(0.16, 0.52), at(0.14, 0.42), at(0.18, 0.36)],
    2,
    0.06,
    [at(0.2, 0.36), at(0.28, 0.34)],
    0.14,
  )
  cooler(sheet, 'heat exchanger', at(0.5, 0.46), at(0.9, 0.43), 0.03)
  sheet
    .area('drive clutch', disc(at(0.36, 0.48), 0.12), 'middle', 1)
    .area('driven clutch', disc(at(0.42, 0.52), 0.13), 'far', 1)
    .line('drive belt', straight([at(0.36, 0.58), at(0.42, 0.63)], false), 1)
    .area(
      'bonnet',
      smooth(
        [
          at(0.05, 0.4),
          at(0.1, 0.6),
          at(0.22, 0.74),
          at(0.36, 0.78),
          at(0.44, 0.66),
          at(0.44, 0.5),
          at(0.36, 0.4),
          at(0.16, 0.36),
        ],
        true,
      ),
      'open',
      3,
    )
    .area('headlamp', smooth([at(0.09, 0.56), at(0.14, 0.66), at(0.22, 0.68), at(0.2, 0.6)], true), 'glass', 1)
    .area('windscreen', smooth([at(0.24, 0.76), at(0.34, 0.98), at(0.38, 0.96), at(0.36, 0.78)], true), 'glass', 1)
    .area('tank', smooth([at(0.42, 0.54), at(0.44, 0.7), at(0.54, 0.7), at(0.58, 0.54)], true), 'near', 2)
    .area(
      'seat',
      smooth([at(0.5, 0.68), at(0.6, 0.74), at(0.84, 0.74), at(0.88, 0.56), at(0.56, 0.54)], true),
      'tyre',
      2,
    )
    .area('snow flap', smooth([at(0.94, 0.44), at(1.0, 0.36), at(0.985, 0.16), at(0.96, 0.34)], true), 'far', 1)
    .tube('handlebar', smooth([at(0.37, 0.72), at(0.41, 0.87), at(0.46, 0.86)]), 0.032, 'near')
    .tube('grip', straight([at(0.44, 0.865), at(0.475, 0.855)], false), 0.05, 'tyre')
  return sheet.shapes
}

/** A snow machine from above. */
export function snowTop(body: Body): Scene {
  const sheet = new Sheet()
  const at = topAt(body)
  for (const side of [-1, 1])
    sheet
      .area(
        'ski',
        smooth(
          [
            at(0.01, side * 0.86),
            at(0.06, side * 0.96),
            at(0.36, side * 0.94),
            at(0.36, side * 0.78),
            at(0.06, side * 0.76),
          ],
          true,
        ),
        'near',
        2,
      )
      .area('suspension arm', bar(at(0.26, side * 0.3), at(0.22, side * 0.84), 0.05), 'far', 1)
      .area('running board', bar(at(0.48, side * 0.44), at(0.9, side * 0.44), 0.14), 'far', 1)
  sheet.area('track', straight([at(0.4, -0.3), at(0.98, -0.3), at(0.98, 0.3), at(0.4, 0.3)]), 'tyre', 2)
  for (let u = 0.44; u < 0.98; u += 0.04) sheet.line('track', straight([at(u, -0.28), at(u, 0.28)], false))
  sheet
    .area('tunnel', straight([at(0.42, -0.24), at(0.95, -0.24), at(0.95, 0.24), at(0.42, 0.24)]), 'near', 2)
    .area('engine', block(at(0.26, 0.02), 0.36, 0.4), 'middle', 1)
    .area(
      'tuned pipe',
      smooth([at(0.18, -0.3), at(0.12, -0.06), at(0.14, 0.26), at(0.22, 0.3), at(0.2, 0.04), at(0.22, -0.26)], true),
      'hot',
      1,
    )
    .area('drive clutch', block(at(0.36, -0.42), 0.2, 0.1), 'far', 1)
    .area(
      'bonnet',
      smooth(
        [
          at(0.05, 0),
          at(0.08, -0.4),
          at(0.2, -0.62),
          at(0.36, -0.6),
          at(0.46, -0.34),
          at(0.46, 0.34),
          at(0.36, 0.6),
          at(0.2, 0.62),
          at(0.08, 0.4),
        ],
        true,
      ),
      'open',
      3,
    )
    .area('tank', smooth([at(0.44, -0.2), at(0.56, -0.24), at(0.56, 0.24), at(0.44, 0.2)], true), 'near', 2)
    .area('seat', smooth([at(0.52, -0.18), at(0.86, -0.22), at(0.86, 0.22), at(0.52, 0.18)], true), 'tyre', 2)
    .area(
      'windscreen',
      smooth([at(0.24, -0.36), at(0.3, 0), at(0.24, 0.36), at(0.36, 0.3), at(0.36, -0.3)], true),
      'glass',
      1,
    )
    .tube('handlebar', smooth([at(0.46, -0.6), at(0.41, -0.3), at(0.41, 0.3), at(0.46, 0.6)]), 0.035, 'near')
  return sheet.shapes
}
