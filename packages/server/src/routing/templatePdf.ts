import {
  branchWires,
  bundleDiameterMm,
  sleeveSizeMm,
  sleeveWords,
  wireDiameterMm,
  type RankedPlace,
} from '@tidy-badger/core/routing'
import type { CanvasElement, Content } from 'pdfmake/interfaces.js'
import type { PaperJob } from '../jobs/index.ts'
import { makePdf } from '../platform/pdf.ts'

/** A point of the page, per mm: the paper is as long as what is cut. */
const pointsPerMm = 72 / 25.4
/** Of an A4 sheet on its side, so much is drawn on, mm. */
const stripMm = 260
const barMm = 6

export interface CutPiece {
  name: string
  lengthMm: number
}

/** What is cut for this loom: the trunk's sleeve, a sleeve of its own for each branch past something hot, each extension. */
export function cutPieces(loom: RankedPlace, trunkM: number): CutPiece[] {
  const sleeve = (areas: readonly number[]) => `${sleeveSizeMm(bundleDiameterMm(areas.map(wireDiameterMm))) ?? 40} mm`
  return [
    {
      name: `Trunk: ${sleeveWords[loom.trunk.sleeve]}, ${sleeve(loom.ends.flatMap((end) => end.areasMm2))} inside`,
      lengthMm: Math.round(trunkM * 1000),
    },
    ...loom.branches.flatMap((branch): CutPiece[] => [
      ...(branch.sleeve === 'plain'
        ? []
        : [
            {
              name: `${branch.end.tag} ${branch.end.name}: ${sleeveWords[branch.sleeve]}, ${sleeve(branch.end.areasMm2)} inside`,
              lengthMm: Math.round(branch.lengthM * 1000),
            },
          ]),
      ...(branch.extensionM > 0
        ? [
            {
              name: `${branch.end.tag} ${branch.end.name}: extension, ${branch.end.areasMm2.length} wires of ${[...new Set(branch.end.areasMm2)].join(' and ')} mm²`,
              lengthMm: Math.round(branch.extensionM * 1000),
            },
          ]
        : []),
    ]),
  ]
}

/** Every piece as a bar of its true length, longer ones in strips that are laid end to end, with a check length of 100 mm. */
export function templatePdf({ title, dossiers }: PaperJob, loom: RankedPlace): Promise<Buffer> {
  const pieces = cutPieces(loom, dossiers.kit.trunkM)
  const widest = Math.max(0, ...dossiers.kit.ends.map((end) => branchWires(end).length))
  return makePdf({
    pageSize: 'A4',
    pageOrientation: 'landscape',
    pageMargins: [24, 30, 24, 36],
    info: { title: `Template 1:1: ${title}`, creator: 'Tidy Badger' },
    defaultStyle: { font: 'Text', fontSize: 9 },
    content: [
      { text: `${title}: template 1:1`, fontSize: 16, bold: true },
      {
        text: `Print at 100 %, not fitted to the page. Measure this bar first: it is 100 mm. ${widest > 4 ? 'Cut all wires of a branch to one length.' : ''}`,
      },
      { canvas: bar(0, 100), margin: [0, 4, 0, 8] },
      ...pieces.flatMap(strips),
    ],
    footer: (page: number, pages: number): Content => ({
      text: `Tidy Badger · ${title} · page ${page} of ${pages}`,
      fontSize: 8,
      margin: [24, 8, 24, 0],
    }),
  })
}

function strips({ name, lengthMm }: CutPiece): Content[] {
  const count = Math.ceil(lengthMm / stripMm)
  return Array.from({ length: count }, (_, i): Content => {
    const from = i * stripMm
    const to = Math.min(lengthMm, from + stripMm)
    return {
      unbreakable: true,
      margin: [0, 4, 0, 4],
      stack: [
        {
          text: `${name} · ${lengthMm} mm${count > 1 ? ` · strip ${i + 1} of ${count}, from ${from} to ${to} mm` : ''}`,
          bold: i === 0,
        },
        { canvas: bar(from, to) },
      ],
    }
  })
}

/** A bar from one length to another with a mark every 10 mm, a longer one every 50. */
function bar(fromMm: number, toMm: number): CanvasElement[] {
  const long = (toMm - fromMm) * pointsPerMm
  const high = barMm * pointsPerMm
  const marks: CanvasElement[] = []
  for (let at = Math.ceil(fromMm / 10) * 10; at <= toMm; at += 10) {
    const x = (at - fromMm) * pointsPerMm
    marks.push({
      type: 'line',
      x1: x,
      y1: 0,
      x2: x,
      y2: at % 50 === 0 ? high : high / 3,
      lineWidth: at % 50 === 0 ? 1 : 0.5,
    })
  }
  return [{ type: 'rect', x: 0, y: 0, w: long, h: high, lineWidth: 1 }, ...marks]
}
