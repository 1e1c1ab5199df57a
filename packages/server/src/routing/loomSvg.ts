import { bodyView, machineScene, inks, sceneMarkup } from '@tidy-badger/core/drawing'
import { type Hazard, type Kit, type Machine, type PointAt } from '@tidy-badger/core/dossiers'
import type { JobDossiers } from '@tidy-badger/core/jobs'
import {
  branchColour,
  endPoint,
  hazardMarks,
  hazardWords,
  loomLines,
  passagePoints,
  placePoint,
  type LaidLoom,
} from '@tidy-badger/core/routing'
import { svgDocument, svgWords } from '../wiring/index.ts'

const width = 900
const margin = 30
/** Drawn so much thicker than it is. */
const thicker = 2.5

/** Letters that stand for the hazards along the ways. */
const hazardLetters: Record<Hazard['kind'], string> = {
  hot: 'H',
  moving: 'M',
  pinch: 'P',
  sharp: 'S',
  wet: 'W',
  vibration: 'V',
  barred: 'X',
}

/** The loom as it is to lie: machine from above and from the left, passages with their hazards, branches with their tags. */
export function loomSvg({ machine, kit }: JobDossiers, loom: LaidLoom, title: string): string {
  const { body } = machine
  if (!body) return svgDocument(width, 80, title, [svgWords(20, 40, 'The size of the machine is not written down.')])
  const views = { top: bodyView(body, 'top'), side: bodyView(body, 'side') }
  const scale = (width - 2 * margin) / views.top.width
  const topAt = 80
  const sideAt = topAt + views.top.height * scale + 20
  const sideHeight = views.side.height * scale
  const top = (point: PointAt): [number, number] => [
    margin + views.top.along(point.x) * scale,
    topAt + views.top.across(point.y) * scale,
  ]
  const side = (point: PointAt): [number, number] => [
    margin + views.side.along(point.x) * scale,
    sideAt + views.side.across(point.z) * scale,
  ]
  const pictures = (
    [
      ['top', topAt + views.top.across(0) * scale],
      ['side', sideAt + views.side.across(0) * scale],
    ] as const
  ).map(
    ([seen, ground]) =>
      `<g transform="translate(${margin + views[seen].along(0) * scale} ${ground}) scale(${scale} ${-scale})" stroke-linejoin="round" stroke-linecap="round">${sceneMarkup(machineScene(machine, seen), 1 / scale, inks.paper)}</g>`,
  )
  const legendAt = sideAt + sideHeight + 40
  const met = [
    ...new Map(
      [loom.trunk, ...loom.branches].flatMap((way) => way.hazards).map((item) => [hazardWords(item.hazard), item]),
    ),
  ]
  return svgDocument(width, legendAt + 30 + met.length * 20, `Loom of ${title}`, [
    svgWords(20, 30, title, ' font-size="20" font-weight="700"'),
    svgWords(
      20,
      52,
      `${kit.maker} ${kit.model} from ${loom.place.name.toLowerCase()}; ${loom.ties.count} ties. Drawn ${thicker} times as thick as it is.`,
      ' fill="#5d6262"',
    ),
    ...pictures,
    ...view(machine, kit, loom, top, scale),
    ...view(machine, kit, loom, side, scale),
    ...met.map(([text, item], i) =>
      svgWords(20, legendAt + 20 + i * 20, `${hazardLetters[item.hazard.kind]}  ${item.name}: ${text}`),
    ),
  ])
}

function path(points: readonly (readonly [number, number])[]): string {
  return points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')
}

function view(
  machine: Machine,
  kit: Kit,
  loom: LaidLoom,
  at: (point: PointAt) => [number, number],
  scale: number,
): string[] {
  const passages = (machine.passages ?? []).flatMap((passage) => {
    const points = passagePoints(machine, passage.id).map(at)
    if (points.length < 2) return []
    return [
      `<path data-passage="${passage.id}" d="${path(points)}" fill="none" stroke="#b9b9b2" stroke-width="1" stroke-dasharray="2 4"/>`,
    ]
  })
  const dangers = hazardMarks(machine).map(({ hazards, at: point }) => {
    const [x, y] = at(point)
    const letters = hazards.map((hazard) => hazardLetters[hazard.kind]).join('')
    return svgWords(x, y - 4, letters, ' font-size="9" fill="#b3261e" text-anchor="middle"')
  })
  const lines = loomLines(machine, loom).flatMap((line) => {
    const thick = Math.max(2, (line.diameterMm / 1000) * thicker * scale)
    const d = path(line.points.map(at))
    return [
      `<path d="${d}" fill="none" stroke="#15181a" stroke-width="${(thick + 1.6).toFixed(1)}" stroke-linejoin="round"/>`,
      `<path d="${d}" fill="none" stroke="${branchColour(kit, line.part)}" stroke-width="${thick.toFixed(1)}" stroke-linejoin="round"/>`,
    ]
  })
  const tagsAt = new Map<string, string[]>()
  for (const branch of loom.branches) {
    const point = endPoint(machine, branch.end)
    if (!point) continue
    const key = at(point)
      .map((value) => value.toFixed(0))
      .join(' ')
    tagsAt.set(key, [...(tagsAt.get(key) ?? []), branch.end.tag])
  }
  const tags = [...tagsAt].flatMap(([key, names]) => {
    const [x, y] = key.split(' ').map(Number)
    return [
      `<circle cx="${x}" cy="${y}" r="3.4" fill="#15181a"/>`,
      svgWords(x, y + 16, names.join(' '), ' font-size="11" font-weight="700" text-anchor="middle"'),
    ]
  })
  const module = placePoint(machine, loom.place.id)
  const [x, y] = module ? at(module) : [0, 0]
  return [
    ...passages,
    ...dangers,
    ...lines,
    ...tags,
    ...(module
      ? [
          `<rect x="${x - 24}" y="${y - 11}" width="48" height="22" rx="4" fill="#15181a"/>`,
          svgWords(
            x,
            y + 4,
            kit.model.split(',')[0].slice(0, 8),
            ' font-size="11" fill="#f4f4ef" text-anchor="middle"',
          ),
        ]
      : []),
  ]
}
