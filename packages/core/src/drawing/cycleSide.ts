import type { Body } from '../dossiers/index.ts'
import { cooler, crankcase, cylinder, exhaust } from './engines.ts'
import { bar, block, disc, Sheet, smooth, straight, type Point, type Scene } from './scene.ts'
import { wheelSide } from './wheels.ts'
import { frameOf, type CycleFigures, type CycleStyle, type Frame } from './cycleFrame.ts'

/** A motorcycle from its left side. */
export function cycleSide(body: Body, figures: CycleFigures): Scene {
  const sheet = new Sheet()
  const frame = frameOf(body)
  const { front, rear, r } = frame
  const { style } = figures
  const wire = style === 'trail' || style === 'adventure'
  wheelSide(sheet, rear, r, wire ? 'wire spokes' : 'cast spokes', style === 'touring' ? 7 : 5)
  if (style === 'touring') panniers(sheet, frame)
  rearEnd(sheet, frame, style)
  wheelSide(
    sheet,
    front,
    style === 'trail' || style === 'adventure' ? r * 1.02 : r,
    wire ? 'wire spokes' : 'cast spokes',
    style === 'touring' ? 7 : 5,
  )
  engine(sheet, frame, figures)
  frameAndTank(sheet, frame, style)
  frontEnd(sheet, frame, style)
  return sheet.shapes
}

function rearEnd(sheet: Sheet, { at, rear, r, wb }: Frame, style: CycleStyle): void {
  const pivot = at(0.63, 0.33)
  sheet.area('swingarm', bar(pivot, rear, wb * 0.07, wb * 0.035), 'middle', 2)
  if (style === 'touring') sheet.area('drive shaft', bar(at(0.62, 0.3), [rear[0], r], wb * 0.04, wb * 0.06), 'far', 1)
  else
    sheet
      .line('chain', straight([at(0.6, 0.335), [rear[0], rear[1] + r * 0.3]], false), 2)
      .line('chain', straight([at(0.6, 0.255), [rear[0], rear[1] - r * 0.3]], false), 2)
      .line('sprocket', disc(rear, r * 0.3), 1)
  sheet
    .tube('subframe', straight([at(0.52, 0.63), at(style === 'trail' ? 1.1 : 1.02, 0.72)], false), wb * 0.022, 'near')
    .tube('subframe', straight([at(0.62, 0.44), at(0.94, 0.68)], false), wb * 0.018, 'near')
    .area('shock', bar(at(0.66, 0.4), at(0.68, 0.62), wb * 0.045), 'middle', 1)
    .line(
      'shock spring',
      straight([at(0.64, 0.44), at(0.69, 0.47), at(0.65, 0.5), at(0.7, 0.53), at(0.66, 0.56)], false),
    )
    .area('battery', block(at(0.62, 0.59), wb * 0.09, 0.1), 'far', 1)
}

function engine(sheet: Sheet, { at, wb, H }: Frame, { style, cylinders, liquid }: CycleFigures): void {
  const vee = style === 'touring'
  crankcase(sheet, at(0.47, 0.29), wb * 0.3, H * 0.19)
  if (vee) {
    cylinder(sheet, at(0.5, 0.38), at(0.58, 0.6), wb * 0.11, !liquid)
    cylinder(sheet, at(0.42, 0.38), at(0.34, 0.6), wb * 0.11, !liquid)
  } else cylinder(sheet, at(0.43, 0.37), at(0.37, 0.61), wb * (cylinders > 1 ? 0.13 : 0.11), !liquid)
  sheet.area('throttle bodies', bar(at(0.44, 0.6), at(0.49, 0.66), wb * 0.05), 'middle', 1)
  const port = vee ? at(0.31, 0.53) : at(0.33, 0.54)
  const low =
    style === 'trail'
      ? [at(0.27, 0.46), at(0.29, 0.34), at(0.4, 0.36), at(0.54, 0.46)]
      : [at(0.255, 0.42), at(0.27, 0.22), at(0.38, 0.15), at(0.54, 0.15)]
  const silencer: [Point, Point] =
    style === 'trail'
      ? [at(0.72, 0.54), at(1.04, 0.64)]
      : style === 'adventure'
        ? [at(0.78, 0.34), at(1.06, 0.48)]
        : style === 'touring'
          ? [at(0.72, 0.17), at(1.2, 0.2)]
          : [at(0.74, 0.22), at(0.98, 0.38)]
  exhaust(sheet, [port, ...low], Math.min(cylinders, vee ? 1 : 4), wb * 0.034, silencer, wb * 0.085)
  if (liquid) cooler(sheet, 'water cooler', at(0.25, 0.36), at(0.29, 0.6), wb * 0.035)
  else cooler(sheet, 'oil cooler', at(0.245, 0.36), at(0.26, 0.46), wb * 0.03)
}

function frameAndTank(sheet: Sheet, { at, wb, H }: Frame, style: CycleStyle): void {
  sheet
    .area(
      'frame',
      smooth(
        [
          at(0.2, 0.79),
          at(0.25, 0.68),
          at(0.5, 0.58),
          at(0.58, 0.32),
          at(0.66, 0.32),
          at(0.64, 0.56),
          at(0.54, 0.68),
          at(0.28, 0.76),
        ],
        true,
      ),
      'near',
      2,
    )
    .area('airbox', smooth([at(0.36, 0.7), at(0.56, 0.7), at(0.57, 0.76), at(0.38, 0.78)], true), 'middle', 1)
  const back = style === 'sport' ? 0.92 : style === 'trail' ? 0.83 : 0.86
  const tank: Point[] =
    style === 'trail'
      ? [at(0.25, 0.74), at(0.3, 0.85), at(0.46, 0.84), at(0.54, 0.77), at(0.46, 0.7), at(0.32, 0.68)]
      : [at(0.24, 0.76), at(0.3, back), at(0.46, back - 0.01), at(0.56, 0.76), at(0.5, 0.69), at(0.3, 0.7)]
  sheet
    .area('tank', smooth(tank, true), 'near', 3)
    .area('filler cap', block(at(0.37, (style === 'trail' ? 0.85 : back) + 0.005), wb * 0.06, H * 0.018), 'far', 1)
  const seat: Point[] =
    style === 'trail'
      ? [at(0.42, 0.82), at(0.6, 0.8), at(1.0, 0.84), at(1.02, 0.79), at(0.6, 0.73), at(0.5, 0.75)]
      : style === 'sport'
        ? [at(0.55, 0.77), at(0.68, 0.73), at(0.76, 0.75), at(0.75, 0.69), at(0.56, 0.7)]
        : [at(0.54, 0.76), at(0.66, 0.7), at(0.8, 0.74), at(1.0, 0.78), at(1.02, 0.72), at(0.8, 0.67), at(0.58, 0.67)]
  sheet.area('seat', smooth(seat, true), 'tyre', 2)
  const tail: Point[] =
    style === 'sport'
      ? [at(0.74, 0.76), at(0.96, 0.86), at(1.14, 0.88), at(1.0, 0.8), at(0.8, 0.7)]
      : style === 'trail'
        ? [at(0.96, 0.83), at(1.22, 0.86), at(1.2, 0.82), at(0.96, 0.76)]
        : [at(0.94, 0.76), at(1.14, 0.74), at(1.12, 0.69), at(0.92, 0.68)]
  sheet
    .area('tail', smooth(tail, true), 'near', 2)
    .area(
      'rear lamp',
      block(
        style === 'sport' ? at(1.12, 0.87) : style === 'trail' ? at(1.2, 0.84) : at(1.13, 0.72),
        wb * 0.03,
        H * 0.03,
      ),
      'glass',
      1,
    )
    .area('foot peg', bar(at(0.6, 0.29), at(0.67, 0.285), H * 0.018), 'far', 1)
    .line('brake hose', smooth([at(0.62, 0.36), at(0.8, 0.31), at(0.95, 0.3)]))
  if (style === 'adventure')
    sheet
      .tube('crash bar', smooth([at(0.27, 0.7), at(0.2, 0.5), at(0.32, 0.24), at(0.5, 0.2)]), wb * 0.02, 'near')
      .area('rack', bar(at(0.94, 0.8), at(1.14, 0.8), H * 0.02), 'far', 1)
  if (style === 'sport')
    sheet.area(
      'fairing',
      straight([
        at(0.03, 0.7),
        at(0.1, 0.81),
        at(0.2, 0.74),
        at(0.33, 0.6),
        at(0.37, 0.36),
        at(0.63, 0.17),
        at(0.56, 0.12),
        at(0.36, 0.1),
        at(0.24, 0.24),
        at(0.16, 0.5),
      ]),
      'open',
      2,
    )
}

function frontEnd(sheet: Sheet, { at, front, r, wb, H }: Frame, style: CycleStyle): void {
  const crown = at(0.2, style === 'sport' ? 0.84 : 0.82)
  const tall = style === 'trail' || style === 'adventure'
  sheet
    .area('fork', bar(front, at(0.12, 0.52), wb * 0.05, wb * 0.045), 'middle', 2)
    .area('fork', bar(at(0.115, 0.5), crown, wb * 0.034), 'near', 2)
    .area('triple clamp', bar(at(0.155, 0.69), at(0.235, 0.675), H * 0.028), 'middle', 1)
    .area('triple clamp', bar(at(0.17, 0.8), at(0.25, 0.785), H * 0.026), 'middle', 1)
    .line('brake hose', smooth([at(0.19, 0.78), at(0.1, 0.56), [front[0] + r * 0.24, front[1] + r * 0.36]]))
    .line('control cables', smooth([at(0.3, tall ? 0.915 : 0.858), at(0.17, 0.8), at(0.26, 0.7), at(0.44, 0.63)]))
    .line('control cables', smooth([at(0.29, tall ? 0.91 : 0.852), at(0.18, 0.76), at(0.3, 0.62), at(0.46, 0.36)]))
  const fender: Point[] =
    style === 'trail'
      ? [at(-0.2, 0.62), at(0.0, 0.67), at(0.16, 0.66), at(0.16, 0.63), at(-0.02, 0.63)]
      : [
          [front[0] - r * 0.8, front[1] + r * 0.78],
          [front[0], front[1] + r * 1.16],
          [front[0] + r * 0.86, front[1] + r * 0.72],
          [front[0] + r * 0.72, front[1] + r * 0.72],
          [front[0], front[1] + r * 1.05],
        ]
  sheet.area('front fender', smooth(fender, true), 'near', 2)
  if (style === 'sport')
    sheet
      .area('windscreen', smooth([at(0.09, 0.82), at(0.2, 0.96), at(0.26, 0.9), at(0.17, 0.8)], true), 'glass', 1)
      .area('headlamp', smooth([at(0.02, 0.68), at(0.06, 0.76), at(0.13, 0.73), at(0.1, 0.66)], true), 'glass', 2)
  if (style === 'adventure')
    sheet
      .area(
        'beak',
        smooth([at(-0.14, 0.6), at(0.04, 0.66), at(0.16, 0.64), at(0.14, 0.58), at(0.02, 0.58)], true),
        'near',
        2,
      )
      .area('headlamp', smooth([at(0.05, 0.66), at(0.07, 0.76), at(0.16, 0.76), at(0.16, 0.66)], true), 'glass', 2)
      .area('windscreen', smooth([at(0.08, 0.76), at(0.15, 0.985), at(0.2, 0.97), at(0.17, 0.76)], true), 'glass', 1)
      .area('hand guard', smooth([at(0.14, 0.83), at(0.16, 0.9), at(0.24, 0.88), at(0.24, 0.82)], true), 'middle', 1)
  if (style === 'touring')
    sheet
      .area(
        'fairing',
        smooth(
          [at(0.02, 0.66), at(0.08, 0.8), at(0.22, 0.82), at(0.26, 0.66), at(0.3, 0.5), at(0.2, 0.46), at(0.1, 0.56)],
          true,
        ),
        'near',
        2,
      )
      .area('headlamp', disc(at(0.08, 0.68), H * 0.055), 'glass', 2)
      .area('windscreen', smooth([at(0.08, 0.8), at(0.18, 0.985), at(0.25, 0.95), at(0.22, 0.8)], true), 'glass', 1)
  if (style === 'trail')
    sheet.area('headlamp', smooth([at(0.06, 0.7), at(0.08, 0.84), at(0.18, 0.84), at(0.17, 0.7)], true), 'glass', 2)
  sheet
    .tube(
      'handlebar',
      smooth([at(0.21, 0.83), at(0.25, tall ? 0.93 : 0.88), at(0.33, tall ? 0.92 : 0.86)]),
      wb * 0.016,
      'near',
    )
    .tube('grip', straight([at(0.29, tall ? 0.925 : 0.868), at(0.35, tall ? 0.915 : 0.855)], false), wb * 0.026, 'tyre')
}

function panniers(sheet: Sheet, { at }: Frame): void {
  sheet.area('pannier', smooth([at(0.82, 0.62), at(1.2, 0.62), at(1.22, 0.4), at(0.86, 0.38)], true), 'far', 2)
}
