import { bar, disc, smooth, straight, type Point, type Sheet } from './scene.ts'

export type Rim = 'wire spokes' | 'cast spokes' | 'disc'

/** A wheel from its side: tyre, rim, spokes, brake disc and calliper, hub. */
export function wheelSide(sheet: Sheet, hub: Point, radius: number, rim: Rim, spokes = 5, brake = true): void {
  sheet.area('tyre', disc(hub, radius), 'tyre', 3).area('rim', disc(hub, radius * 0.74), 'near', 1)
  const around = (share: number, turn: number): Point => [
    hub[0] + radius * share * Math.cos(turn),
    hub[1] + radius * share * Math.sin(turn),
  ]
  if (brake) sheet.line('brake disc', disc(hub, radius * 0.44))
  const count = rim === 'wire spokes' ? 14 : spokes
  for (let i = 0; i < count && rim !== 'disc'; i++) {
    const turn = (i * 2 * Math.PI) / count + Math.PI / 2
    if (rim === 'wire spokes') sheet.line('spokes', straight([around(0.12, turn + 0.5), around(0.7, turn)], false))
    else sheet.area('spokes', bar(around(0.14, turn), around(0.68, turn), radius * 0.13, radius * 0.2), 'middle', 1)
  }
  if (rim === 'disc') {
    sheet.area('wheel disc', disc(hub, radius * 0.56), 'middle', 1)
    for (let i = 0; i < 6; i++) sheet.area('wheel nuts', disc(around(0.26, (i * Math.PI) / 3), radius * 0.05), 'far', 1)
  }
  if (brake && rim !== 'disc')
    sheet.area('calliper', bar(around(0.34, 0.5), around(0.46, 0.75), radius * 0.2), 'far', 1)
  sheet.area('hub', disc(hub, radius * 0.15), 'middle', 1).area('axle', disc(hub, radius * 0.06), 'ink', 0)
}

/** A wheel from above. */
export function wheelTop(sheet: Sheet, [x, y]: Point, radius: number, width: number): void {
  const [l, w] = [radius, width / 2]
  const round: Point[] = [
    [x - l, y],
    [x - l * 0.86, y - w],
    [x + l * 0.86, y - w],
    [x + l, y],
    [x + l * 0.86, y + w],
    [x - l * 0.86, y + w],
  ]
  sheet.area('tyre', smooth(round, true), 'tyre', 2)
  for (const share of [-0.55, -0.2, 0.2, 0.55])
    sheet.line(
      'tread',
      straight(
        [
          [x + l * share, y - w * 0.7],
          [x + l * share, y + w * 0.7],
        ],
        false,
      ),
      1,
    )
}
