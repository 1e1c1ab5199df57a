import { bar, between, block, disc, smooth, straight, type Point, type Sheet } from './scene.ts'

/** A crankcase from its side, its covers round. */
export function crankcase(sheet: Sheet, at: Point, along: number, high: number): void {
  const [x, y] = at
  const outline: Point[] = [
    [x - along * 0.5, y - high * 0.1],
    [x - along * 0.42, y - high * 0.5],
    [x + along * 0.4, y - high * 0.5],
    [x + along * 0.54, y],
    [x + along * 0.46, y + high * 0.5],
    [x - along * 0.3, y + high * 0.5],
  ]
  sheet
    .area('crankcase', smooth(outline, true), 'near', 3)
    .area('alternator cover', disc([x - along * 0.16, y], high * 0.38), 'middle', 1)
    .line('alternator cover', disc([x - along * 0.16, y], high * 0.24))
    .area('sprocket cover', disc([x + along * 0.28, y + high * 0.02], high * 0.22), 'middle', 1)
}

/** A cylinder with its head, leaning; air-cooled ones show their fins. */
export function cylinder(sheet: Sheet, foot: Point, top: Point, wide: number, fins: boolean): void {
  const headAt = between(foot, top, 0.62)
  sheet.area('cylinder', bar(foot, headAt, wide), 'near', 2)
  const count = fins ? 6 : 2
  for (let i = 1; i <= count; i++) {
    const at = between(foot, headAt, i / (count + 1))
    const [dx, dy] = [top[0] - foot[0], top[1] - foot[1]]
    const length = Math.hypot(dx, dy) || 1
    const half = wide * (fins ? 0.58 : 0.5)
    sheet.line(
      fins ? 'fins' : 'cylinder',
      straight(
        [
          [at[0] - (dy / length) * half, at[1] + (dx / length) * half],
          [at[0] + (dy / length) * half, at[1] - (dx / length) * half],
        ],
        false,
      ),
    )
  }
  sheet.area('cylinder head', bar(headAt, top, wide * 1.12, wide * 0.96), 'hot', 2)
}

/** An exhaust system along points from the head's ports: header pipes side by side, collector, silencer at the end. */
export function exhaust(
  sheet: Sheet,
  way: readonly Point[],
  pipes: number,
  pipeM: number,
  silencer: [Point, Point],
  silencerM: number,
): void {
  for (let i = pipes - 1; i >= 0; i--) {
    const off = (i - (pipes - 1) / 2) * pipeM * 0.62
    sheet.tube(
      'header pipes',
      smooth(
        way.map(([x, y], n) => [x + (n < way.length - 1 ? off : 0), y + (n === 0 ? off * 0.2 : off * 0.35)] as const),
      ),
      pipeM,
      'hot',
    )
  }
  const end = way[way.length - 1]
  sheet
    .tube('mid pipe', smooth([end, between(end, silencer[0], 0.6), silencer[0]]), pipeM * 1.35, 'hot')
    .area('silencer', bar(silencer[0], silencer[1], silencerM * 0.86, silencerM), 'hot', 2)
    .line('silencer strap', bar(between(...silencer, 0.3), between(...silencer, 0.34), silencerM * 0.92))
    .area('exhaust end', bar(silencer[1], between(...silencer, 1.06), silencerM * 0.5), 'far', 1)
}

/** A water, oil or charge-air cooler from its side, with its fins. */
export function cooler(sheet: Sheet, part: string, low: Point, high: Point, deep: number): void {
  sheet.area(part, bar(low, high, deep), 'glass', 2)
  for (let i = 1; i < 6; i++) {
    const [x, y] = between(low, high, i / 6)
    sheet.line(
      part,
      straight(
        [
          [x - deep / 2, y - 0.005],
          [x + deep / 2, y + 0.005],
        ],
        false,
      ),
    )
  }
}

/**
 * An engine from above: head cover, plugs or injectors in their rows, intake on one side, exhaust manifold on the other; of one that lies
 * across, the exhaust to the front.
 * @param inlet the side the intake is on: 1 to the right
 */
export function engineTop(
  sheet: Sheet,
  at: Point,
  along: number,
  across: number,
  cylinders: number,
  turned: boolean,
  inlet: 1 | -1 = -1,
): void {
  const [x, y] = at
  const rows = cylinders >= 8 ? [-0.26, 0.26] : [0]
  for (const row of rows) {
    const wide = rows.length === 2 ? across * 0.36 : across * 0.5
    const middle: Point = turned ? [x + row * along, y] : [x, y + row * across]
    sheet.area('head cover', turned ? block(middle, wide, across) : block(middle, along, wide), 'near', 2)
    const each = cylinders / rows.length
    for (let i = 0; i < each; i++) {
      const share = (i + 0.5) / each - 0.5
      const spot: Point = turned ? [middle[0], y + share * across * 0.9] : [x + share * along * 0.9, middle[1]]
      sheet.area('injectors', disc(spot, Math.min(0.035, along * 0.05)), 'middle', 1)
    }
    const side = row === 0 ? -inlet : Math.sign(row)
    const manifold: Point = turned ? [middle[0] - side * wide * 0.75, y] : [x, middle[1] + side * wide * 0.75]
    sheet.area(
      'exhaust manifold',
      turned ? block(manifold, wide * 0.4, across * 0.84) : block(manifold, along * 0.84, wide * 0.4),
      'hot',
      1,
    )
  }
  const intake: Point = rows.length === 2 ? [x, y] : turned ? [x + along * 0.42, y] : [x, y + inlet * across * 0.42]
  sheet.area(
    'intake manifold',
    turned ? block(intake, along * 0.24, across * 0.8) : block(intake, along * 0.8, across * 0.2),
    'middle',
    1,
  )
}

/** A turbine with its compressor, from the side or from above: two snails on one shaft. */
export function turbo(sheet: Sheet, at: Point, radius: number): void {
  sheet
    .area('turbine', disc(at, radius), 'hot', 2)
    .area('compressor', disc([at[0] - radius * 1.5, at[1]], radius * 0.92), 'middle', 2)
    .line('turbine', disc(at, radius * 0.5))
    .line('compressor', disc([at[0] - radius * 1.5, at[1]], radius * 0.5))
}
