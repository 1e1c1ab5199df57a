import type { Body } from '../dossiers/index.ts'
import { cooler, engineTop, turbo } from './engines.ts'
import { hubsOf, sideAt, topAt } from './measures.ts'
import { bar, block, disc, Sheet, smooth, straight, type Scene } from './scene.ts'
import { wheelSide, wheelTop } from './wheels.ts'

/** A field harvester from its left side, header in front. */
export function harvesterSide(body: Body): Scene {
  const sheet = new Sheet()
  const { lengthM: L, heightM: H } = body
  const at = sideAt(body)
  const { front, rear, r } = hubsOf(body, 0.5)
  sheet
    .area('straw chopper', smooth([at(0.9, 0.44), at(1.0, 0.36), at(0.99, 0.2), at(0.9, 0.24)], true), 'middle', 2)
    .area(
      'body',
      straight([
        at(0.34, 0.3),
        at(0.34, 0.56),
        at(0.4, 0.62),
        at(0.4, 0.8),
        at(0.92, 0.8),
        at(0.96, 0.52),
        at(0.9, 0.26),
        at(0.5, 0.24),
      ]),
      'near',
      3,
    )
    .area('grain tank', straight([at(0.4, 0.78), at(0.38, 0.94), at(0.68, 0.94), at(0.66, 0.78)]), 'middle', 2)
    .area('engine deck', straight([at(0.68, 0.8), at(0.68, 0.9), at(0.9, 0.88), at(0.92, 0.8)]), 'far', 2)
    .area('engine', block(at(0.79, 0.72), L * 0.12, H * 0.13), 'middle', 2)
    .area('head cover', block(at(0.79, 0.8), L * 0.11, H * 0.04), 'near', 1)
  turbo(sheet, at(0.765, 0.655), H * 0.03)
  cooler(sheet, 'water cooler', at(0.9, 0.62), at(0.9, 0.82), L * 0.02)
  sheet
    .tube(
      'exhaust pipe',
      smooth([at(0.765, 0.64), at(0.75, 0.42), at(0.82, 0.44), at(0.836, 0.78), at(0.84, 0.99)]),
      H * 0.03,
      'hot',
    )
    .area('elevator', bar(at(0.08, 0.14), at(0.34, 0.44), H * 0.12, H * 0.16), 'middle', 2)
    .area(
      'header',
      smooth([at(0.0, 0.04), at(0.02, 0.02), at(0.11, 0.03), at(0.13, 0.2), at(0.06, 0.24)], true),
      'near',
      3,
    )
    .line('reel', disc(at(0.045, 0.2), H * 0.11), 1)
  for (let i = 0; i < 6; i++)
    sheet.line(
      'reel',
      straight(
        [
          at(0.045, 0.2),
          [0.045 * L + H * 0.11 * Math.cos((i * Math.PI) / 3), 0.2 * H + H * 0.11 * Math.sin((i * Math.PI) / 3)],
        ],
        false,
      ),
    )
  sheet
    .area('cab', straight([at(0.19, 0.46), at(0.17, 0.62), at(0.19, 0.97), at(0.37, 0.99), at(0.38, 0.46)]), 'glass', 3)
    .area('cab roof', straight([at(0.17, 0.95), at(0.18, 1.0), at(0.39, 1.0), at(0.39, 0.95)]), 'near', 2)
    .line('cab door', straight([at(0.27, 0.95), at(0.27, 0.5)], false))
    .area(
      'seat',
      smooth([at(0.3, 0.52), at(0.34, 0.52), at(0.355, 0.7), at(0.34, 0.72), at(0.325, 0.6), at(0.295, 0.58)], true),
      'far',
      1,
    )
    .tube('steering wheel', straight([at(0.235, 0.6), at(0.26, 0.68)], false), H * 0.016, 'tyre')
    .tube('ladder', straight([at(0.2, 0.2), at(0.24, 0.46)], false), H * 0.014, 'far')
    .tube('unloading auger', straight([at(0.42, 0.86), at(0.98, 0.9)], false), H * 0.06, 'near')
  for (const v of [0.4, 0.52]) sheet.line('side panel', straight([at(0.46, v), at(0.92, v)], false))
  for (const [u, radius] of [
    [0.56, 0.06],
    [0.64, 0.09],
    [0.74, 0.05],
  ] as const)
    sheet.area('belt pulley', disc(at(u, 0.42), H * radius), 'middle', 1)
  sheet.line('drive belt', straight([at(0.56, 0.48), at(0.64, 0.51), at(0.74, 0.47)], false), 2)
  wheelSide(sheet, [rear[0], r * 0.66], r * 0.66, 'disc', 5, false)
  wheelSide(sheet, front, r, 'disc', 5, false)
  return sheet.shapes
}

/** A field harvester from above. */
export function harvesterTop(body: Body, cylinders: number): Scene {
  const sheet = new Sheet()
  const { lengthM: L, widthM: W, wheelM } = body
  const at = topAt(body)
  const { front, rear } = hubsOf(body, 0.5)
  for (const side of [-1, 1]) {
    wheelTop(sheet, [front[0], side * (W / 2 - 0.36)], wheelM / 2, 0.66)
    wheelTop(sheet, [rear[0], side * (W / 2 - 0.5)], wheelM * 0.33, 0.4)
  }
  sheet
    .area('header', straight([at(0.0, -1), at(0.13, -1), at(0.13, 1), at(0.0, 1)]), 'near', 3)
    .line('reel', straight([at(0.04, -0.96), at(0.04, 0.96)], false), 2)
    .line('cutter bar', straight([at(0.012, -0.98), at(0.012, 0.98)], false), 2)
  for (let v = -0.9; v < 1; v += 0.2) sheet.line('reel', straight([at(0.01, v), at(0.08, v)], false))
  sheet
    .area('elevator', straight([at(0.12, -0.3), at(0.36, -0.3), at(0.36, 0.3), at(0.12, 0.3)]), 'middle', 2)
    .area(
      'body',
      smooth(
        [at(0.36, -0.66), at(0.4, -0.74), at(0.92, -0.74), at(0.97, 0), at(0.92, 0.74), at(0.4, 0.74), at(0.36, 0.66)],
        true,
      ),
      'near',
      3,
    )
    .area('grain tank', straight([at(0.4, -0.6), at(0.66, -0.6), at(0.66, 0.6), at(0.4, 0.6)]), 'middle', 2)
    .line('tank auger', straight([at(0.42, -0.4), at(0.64, -0.4)], false), 2)
    .area('engine deck', straight([at(0.68, -0.66), at(0.9, -0.66), at(0.9, 0.66), at(0.68, 0.66)]), 'far', 1)
  engineTop(sheet, at(0.78, 0), L * 0.09, W * 0.5, cylinders, true)
  turbo(sheet, at(0.765, -0.19), L * 0.012)
  cooler(sheet, 'water cooler', at(0.895, -0.5), at(0.895, 0.5), L * 0.015)
  sheet
    .tube('exhaust pipe', smooth([at(0.765, -0.21), at(0.75, -0.42), at(0.85, -0.5)]), L * 0.012, 'hot')
    .area('exhaust pipe', disc(at(0.85, -0.5), L * 0.008), 'hot', 1)
    .area(
      'cab',
      smooth([at(0.17, -0.4), at(0.37, -0.48), at(0.37, 0.48), at(0.17, 0.4), at(0.155, 0)], true),
      'glass',
      3,
    )
    .area('cab roof', block(at(0.28, 0), L * 0.15, W * 0.38), 'near', 1)
    .tube('unloading auger', straight([at(0.42, 0.8), at(0.97, 0.8)], false), L * 0.03, 'near')
  return sheet.shapes
}
