import type { Body } from '../dossiers/index.ts'
import { frameOf, type CycleFigures } from './cycleFrame.ts'
import { bar, block, disc, Sheet, smooth, straight, type Scene } from './scene.ts'
import { wheelTop } from './wheels.ts'

/** A motorcycle from above, its front to the left. */
export function cycleTop(body: Body, { style, cylinders, liquid }: CycleFigures): Scene {
  const sheet = new Sheet()
  const { front, rear, r, wb } = frameOf(body)
  const half = body.widthM / 2
  const x = (u: number) => front[0] + u * wb
  const both = (draw: (side: 1 | -1) => void) => ([-1, 1] as const).forEach(draw)
  const tyre = style === 'trail' ? 0.1 : 0.14
  wheelTop(sheet, [rear[0], 0], r, style === 'trail' ? 0.12 : 0.17)
  wheelTop(sheet, [front[0], 0], r, tyre)
  both((side) => {
    sheet
      .area('swingarm', bar([x(0.62), side * 0.1], [x(1), side * 0.12], 0.04), 'middle', 1)
      .area('fork', bar([x(0.02), side * 0.11], [x(0.2), side * 0.1], 0.05), 'middle', 1)
      .area('foot peg', bar([x(0.62), side * 0.16], [x(0.62), side * 0.3], 0.03), 'far', 1)
  })
  const reach = half * 0.86
  const silencerY = 0.22
  sheet.area('silencer', bar([x(0.74), -silencerY], [x(1.06), -silencerY * 1.05], wb * 0.07), 'hot', 2).area(
    'crankcase',
    smooth(
      [
        [x(0.34), -0.2],
        [x(0.6), -0.23],
        [x(0.62), 0.2],
        [x(0.36), 0.22],
      ],
      true,
    ),
    'middle',
    2,
  )
  if (liquid) sheet.area('water cooler', block([x(0.26), 0], 0.05, 0.34), 'glass', 1)
  for (let i = 0; i < Math.min(4, cylinders); i++) {
    const y = style === 'touring' ? 0 : (i - (Math.min(4, cylinders) - 1) / 2) * 0.085
    sheet.tube(
      'header pipes',
      smooth([
        [x(style === 'touring' && i === 1 ? 0.56 : 0.36), y],
        [x(0.28), y],
        [x(0.29), y * 0.6 - 0.02],
        [x(0.44), y * 0.4 - 0.06],
      ]),
      0.04,
      'hot',
    )
  }
  sheet
    .area(
      'frame',
      smooth(
        [
          [x(0.2), -0.07],
          [x(0.34), -0.17],
          [x(0.62), -0.14],
          [x(0.62), 0.14],
          [x(0.34), 0.17],
          [x(0.2), 0.07],
        ],
        true,
      ),
      'near',
      2,
    )
    .area(
      'tail',
      smooth(
        [
          [x(0.7), -0.13],
          [x(1.02), -0.1],
          [x(1.16), 0],
          [x(1.02), 0.1],
          [x(0.7), 0.13],
        ],
        true,
      ),
      'near',
      2,
    )
    .area(
      'seat',
      smooth(
        [
          [x(0.54), -0.1],
          [x(0.78), -0.15],
          [x(1.0), -0.11],
          [x(1.0), 0.11],
          [x(0.78), 0.15],
          [x(0.54), 0.1],
        ],
        true,
      ),
      'tyre',
      2,
    )
    .area(
      'tank',
      smooth(
        [
          [x(0.24), -0.1],
          [x(0.34), -0.18],
          [x(0.48), -0.17],
          [x(0.58), -0.09],
          [x(0.58), 0.09],
          [x(0.48), 0.17],
          [x(0.34), 0.18],
          [x(0.24), 0.1],
        ],
        true,
      ),
      'near',
      3,
    )
    .area('filler cap', disc([x(0.36), 0], 0.035), 'far', 1)
  if (style === 'touring')
    both((side) =>
      sheet.area(
        'pannier',
        smooth(
          [
            [x(0.86), side * 0.19],
            [x(1.2), side * 0.19],
            [x(1.18), side * reach],
            [x(0.88), side * reach],
          ],
          true,
        ),
        'near',
        2,
      ),
    )
  const nose = style === 'trail' ? 0.1 : style === 'sport' ? 0.2 : 0.24
  if (style !== 'trail')
    sheet
      .area(
        'fairing',
        smooth(
          [
            [x(-0.06), 0],
            [x(0.06), -nose * 0.8],
            [x(0.26), -nose],
            [x(0.2), -0.06],
            [x(0.2), 0.06],
            [x(0.26), nose],
            [x(0.06), nose * 0.8],
          ],
          true,
        ),
        'near',
        2,
      )
      .area(
        'windscreen',
        smooth(
          [
            [x(0.06), -nose * 0.6],
            [x(0.18), -nose * 0.62],
            [x(0.18), nose * 0.62],
            [x(0.06), nose * 0.6],
          ],
          true,
        ),
        'glass',
        1,
      )
  else
    sheet
      .area(
        'front fender',
        smooth(
          [
            [x(-0.22), 0],
            [x(-0.1), -0.07],
            [x(0.14), -0.07],
            [x(0.14), 0.07],
            [x(-0.1), 0.07],
          ],
          true,
        ),
        'near',
        2,
      )
      .area('headlamp', block([x(0.12), 0], 0.1, 0.18), 'glass', 1)
  sheet.tube(
    'handlebar',
    smooth([
      [x(0.34), -half * 0.96],
      [x(0.27), -half * 0.55],
      [x(0.23), -0.08],
      [x(0.23), 0.08],
      [x(0.27), half * 0.55],
      [x(0.34), half * 0.96],
    ]),
    0.03,
    'near',
  )
  both((side) =>
    sheet
      .tube(
        'grip',
        straight(
          [
            [x(0.31), side * half * 0.78],
            [x(0.34), side * half * 0.97],
          ],
          false,
        ),
        0.045,
        'tyre',
      )
      .area('mirror', block([x(0.2), side * half * 0.72], 0.05, 0.12), 'glass', 1),
  )
  return sheet.shapes
}
