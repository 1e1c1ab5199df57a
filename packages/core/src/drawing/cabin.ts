import type { Body } from '../dossiers/index.ts'
import { bar, block, disc, Sheet, smooth, straight, type Point, type Scene } from './scene.ts'

/** Parts that are drawn from inside alone, in the words covers go by. They lie at the dashboard. */
export const cabinParts: ReadonlySet<string> = new Set([
  ...['instruments', 'glovebox', 'lower dash panel', 'lower column cover', 'steering column', 'left kick panel'],
  ...['right kick panel', 'heater box', 'console', 'gear lever', 'brake pedal', 'accelerator pedal', 'clutch pedal'],
  ...['pedal sensor', 'diagnostic socket', 'air vents', 'floor', 'door pillar', 'foot rest'],
])

/**
 * The cabin of a car or pickup as seen from its seats, looking ahead: points are to the right of the middle and up from the ground, m.
 * What is driven from stands on the left.
 */
export function cabinInside({ widthM: W, heightM: H }: Body, clutch: boolean): Scene {
  const sheet = new Sheet()
  const at = (v: number, up: number): Point => [(v * W) / 2, up * H]
  const driver = -0.44
  sheet
    .area(
      'body',
      straight([
        at(-0.64, 0.97),
        at(0, 0.985),
        at(0.64, 0.97),
        at(0.72, 0.93),
        at(0.93, 0.64),
        at(0.96, 0.44),
        at(0.93, 0.28),
        at(-0.93, 0.28),
        at(-0.96, 0.44),
        at(-0.93, 0.64),
        at(-0.72, 0.93),
      ]),
      'near',
      3,
    )
    .area('windscreen', straight([at(-0.62, 0.92), at(0.62, 0.92), at(0.78, 0.68), at(-0.78, 0.68)]), 'glass', 1)
    .area('bulkhead', straight([at(-0.84, 0.58), at(0.84, 0.58), at(0.84, 0.31), at(-0.84, 0.31)]), 'middle', 1)
    .area('floor', straight([at(-0.86, 0.34), at(0.86, 0.34), at(0.92, 0.3), at(-0.92, 0.3)]), 'far', 1)
  for (const side of [-1, 1])
    sheet
      .area('door pillar', bar(at(side * 0.69, 0.92), at(side * 0.87, 0.65), W * 0.03, W * 0.05), 'near', 2)
      .area(
        side < 0 ? 'left kick panel' : 'right kick panel',
        straight([at(side * 0.78, 0.5), at(side * 0.88, 0.52), at(side * 0.9, 0.31), at(side * 0.8, 0.31)]),
        'far',
        1,
      )
  sheet
    .area('heater box', block(at(0.06, 0.42), W * 0.22, H * 0.12), 'far', 1)
    .area(
      'dashboard',
      smooth(
        [
          at(-0.86, 0.56),
          at(-0.84, 0.66),
          at(-0.5, 0.71),
          at(-0.2, 0.67),
          at(0.5, 0.66),
          at(0.84, 0.66),
          at(0.86, 0.56),
          at(0.5, 0.5),
          at(-0.5, 0.5),
        ],
        true,
      ),
      'near',
      2,
    )
    .area('instruments', smooth([at(driver - 0.2, 0.64), at(driver, 0.7), at(driver + 0.2, 0.64)], true), 'glass', 1)
    .area('glovebox', straight([at(0.28, 0.58), at(0.76, 0.58), at(0.74, 0.45), at(0.3, 0.45)]), 'middle', 2)
    .line('glovebox', straight([at(0.48, 0.545), at(0.56, 0.545)], false), 2)
  for (const v of [-0.8, -0.12, 0.12, 0.8]) sheet.area('air vents', block(at(v, 0.62), W * 0.06, H * 0.03), 'far', 1)
  sheet
    .area(
      'console',
      smooth([at(-0.12, 0.52), at(0.12, 0.52), at(0.14, 0.42), at(0.16, 0.31), at(-0.16, 0.31), at(-0.14, 0.42)], true),
      'near',
      2,
    )
    .tube('gear lever', straight([at(0, 0.33), at(0.02, 0.45)], false), W * 0.014, 'far')
  const pedal = (part: string, v: number, wide: number) =>
    sheet
      .tube(part, straight([at(v + 0.01, 0.43), at(v, 0.355)], false), W * 0.012, 'middle')
      .area(part, block(at(v, 0.34), W * wide, H * 0.045), 'tyre', 1)
  if (clutch) pedal('clutch pedal', driver - 0.17, 0.045)
  else sheet.area('foot rest', block(at(driver - 0.24, 0.34), W * 0.05, H * 0.06), 'far', 1)
  pedal('brake pedal', driver - 0.02, clutch ? 0.045 : 0.075)
  pedal('accelerator pedal', driver + 0.14, 0.03)
  sheet
    .area('pedal sensor', block(at(driver + 0.15, 0.41), W * 0.045, H * 0.035), 'far', 1)
    .area(
      'lower dash panel',
      straight([at(-0.76, 0.5), at(-0.16, 0.5), at(-0.18, 0.415), at(-0.74, 0.415)]),
      'middle',
      2,
    )
    .area('diagnostic socket', block(at(-0.24, 0.408), W * 0.03, H * 0.014), 'far', 1)
    .tube('steering column', straight([at(driver + 0.01, 0.42), at(driver, 0.54)], false), W * 0.03, 'far')
    .area('lower column cover', block(at(driver, 0.485), W * 0.07, H * 0.05), 'near', 2)
  return sheet
    .line('steering wheel', disc(at(driver, 0.57), 0.19), 3)
    .line('steering wheel', disc(at(driver, 0.57), 0.165), 1)
    .area('steering wheel', block(at(driver, 0.57), 0.13, 0.09), 'near', 1)
    .line('steering wheel', straight([at(driver - 0.2, 0.575), at(driver + 0.2, 0.575)], false), 2).shapes
}
