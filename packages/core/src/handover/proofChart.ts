import { alongAxis, type Comparison } from '../proving/index.ts'
import { escapedXml } from '../shared/index.ts'

const [wide, high] = [520, 260]
const [left, right, top, bottom] = [46, 8, 10, 34]

/** Marks of an axis at steps that people count in, about so many. */
export function axisMarks(from: number, to: number, marks: number): number[] {
  const rough = (to - from) / marks
  if (!(rough > 0)) return [from]
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = power * ([1, 2, 5, 10].find((times) => times * power >= rough) ?? 10)
  const first = Math.ceil(from / step)
  return Array.from({ length: Math.floor(to / step) - first + 1 }, (_item, i) => (first + i) * step)
}

/** Power on stock (thin, grey) and with the kit (thick), with the band of what runs differ by, as SVG for paper. */
export function proofChart({ curve, axis }: Pick<Comparison, 'curve' | 'axis'>): string {
  const along = (point: Comparison['curve'][number]) => alongAxis(axis, point)
  const xs = curve.map(along)
  const bands = curve.flatMap(({ beforeKw, afterKw, seKw }) => [beforeKw, afterKw, afterKw + 2 * (seKw ?? 0)])
  const [x0, x1, y1] = [Math.min(...xs), Math.max(...xs), Math.max(1, ...bands) * 1.05]
  const x = (value: number) => left + ((value - x0) / (x1 - x0 || 1)) * (wide - left - right)
  const y = (kw: number) => high - bottom - (Math.max(0, kw) / y1) * (high - top - bottom)
  const at = (value: number) => value.toFixed(1)
  const line = (of: (point: Comparison['curve'][number]) => number) =>
    curve.map((point, i) => `${i === 0 ? 'M' : 'L'}${at(x(along(point)))} ${at(y(of(point)))}`).join('')
  const band = curve.every(({ seKw }) => seKw !== null)
    ? `${line(({ afterKw, seKw }) => afterKw + 2 * (seKw ?? 0))}${[...curve]
        .reverse()
        .map((point) => `L${at(x(along(point)))} ${at(y(point.afterKw - 2 * (point.seKw ?? 0)))}`)
        .join('')}Z`
    : ''
  const word = (px: number, py: number, text: string, anchor: string) =>
    `<text x="${at(px)}" y="${at(py)}" font-size="11" text-anchor="${anchor}" fill="#3d4244">${escapedXml(text)}</text>`
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${wide} ${high}" width="${wide}" height="${high}">`,
    ...axisMarks(0, y1, 5).flatMap((kw) => [
      `<path d="M${left} ${at(y(kw))}H${wide - right}" stroke="#d4d5d0" fill="none"/>`,
      word(left - 6, y(kw) + 4, String(kw), 'end'),
    ]),
    ...axisMarks(x0, x1, 5).flatMap((value) => [
      `<path d="M${at(x(value))} ${high - bottom}v4" stroke="#3d4244" fill="none"/>`,
      word(x(value), high - bottom + 16, String(Math.round(value)), 'middle'),
    ]),
    word(wide - right, high - 4, axis === 'rpm' ? 'engine speed, 1/min' : 'road speed, km/h', 'end'),
    word(left, high - 4, 'kW: thin on stock, thick with the kit', 'start'),
    ...(band === '' ? [] : [`<path d="${band}" fill="#b9d3e3" stroke="none"/>`]),
    `<path d="${line(({ beforeKw }) => beforeKw)}" stroke="#5d6262" stroke-width="1.5" fill="none"/>`,
    `<path d="${line(({ afterKw }) => afterKw)}" stroke="#124f76" stroke-width="3" fill="none"/>`,
    '</svg>',
  ].join('')
}
