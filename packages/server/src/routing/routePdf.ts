import { electricsOf, feedsOf } from '@tidy-badger/core/jobs'
import { hazardRemedy, hazardWords, sleeveWords, type RankedPlace } from '@tidy-badger/core/routing'
import type { Content, TableCell } from 'pdfmake/interfaces.js'
import type { PaperJob } from '../jobs/index.ts'
import { makePdf } from '../platform/pdf.ts'
import { loomSvg } from './loomSvg.ts'

const mm = (metres: number) => `${Math.round(metres * 1000)}`
const quiet = '#5d6262'

/** Where the loom lies, how long each branch is and has to be, what it meets, its ties, and where its current comes from. */
export function routePdf({ title, dossiers, state }: PaperJob, loom: RankedPlace, madeAt: string): Promise<Buffer> {
  const { machine, kit } = dossiers
  const { line } = electricsOf(dossiers, state)
  const feeds = feedsOf(dossiers, state)
  const names = new Map((machine.passages ?? []).map((passage) => [passage.id, passage.name]))
  const hazards = new Map(
    [loom.trunk, ...loom.branches]
      .flatMap((way) => way.hazards)
      .map((met) => [`${met.passage} ${met.hazard.kind}`, met]),
  )
  return makePdf({
    pageSize: 'A4',
    pageMargins: [40, 44, 40, 50],
    info: { title: `Loom: ${title}`, creator: 'Tidy Badger' },
    defaultStyle: { font: 'Text', fontSize: 10, lineHeight: 1.15 },
    content: [
      { text: title, fontSize: 20, bold: true },
      {
        text: `${machine.maker} ${machine.model} + ${kit.maker} ${kit.model} · module at: ${loom.place.name}, ${loom.place.place} · printed ${madeAt.slice(0, 10)}`,
        color: quiet,
        margin: [0, 0, 0, 6],
      },
      { svg: loomSvg(dossiers, loom, title).replace('font-family="sans-serif"', 'font-family="Text"'), width: 515 },
      heading('Branches, mm'),
      table(
        ['', 'to', 'way', 'needs', 'has', 'spare', ''],
        [20, '*', 36, 40, 36, 40, 130],
        loom.branches.map((branch) => [
          branch.end.tag,
          branch.end.target?.name ?? '',
          mm(branch.lengthM),
          mm(branch.needM),
          mm(branch.end.branchM),
          { text: mm(branch.spareM), bold: branch.spareM < 0 },
          [
            branch.extensionM > 0 ? `extend by ${mm(branch.extensionM)}` : '',
            branch.end.never === null ? '' : 'never longer',
            branch.sleeve === 'plain' ? '' : sleeveWords[branch.sleeve],
            branch.steering ? `at the lock ${mm(branch.steering.pulledM)}` : '',
          ]
            .filter((text) => text !== '')
            .join('; '),
        ]),
      ),
      heading('On the way'),
      {
        ul: [...hazards.values()].map(
          (met) => `${met.name}: ${hazardWords(met.hazard)}. ${hazardRemedy(met.hazard, met.airC)}`,
        ),
      },
      heading(`Ties, ${loom.ties.count}`),
      table(
        ['passage', 'count', 'every'],
        ['*', 50, 60],
        loom.ties.passages.map((tie) => [
          names.get(tie.passage) ?? tie.passage,
          String(tie.count),
          `${tie.spacingMm} mm`,
        ]),
      ),
      heading('Current'),
      table(
        ['joint', 'V', 'A', 'wire'],
        ['*', 50, 50, 170],
        line.joints.map((joint) => [
          joint.name,
          joint.volts.toFixed(2),
          joint.amps.toFixed(2),
          joint.wire
            ? `${joint.wire.areaMm2} mm², ${joint.wire.lengthM.toFixed(2)} m, −${Math.round(joint.wire.dropV * 1000)} mV`
            : '',
        ]),
      ),
      {
        text: feeds[0] ? `Taken from: ${feeds[0].name}, ${feeds[0].where}. ${feeds[0].why}` : '',
        margin: [0, 4, 0, 0],
      },
      { ol: feeds[0]?.steps ?? [] },
      table(
        ['rule', 'is', 'limit', 'left', 'source'],
        ['*', 50, 60, 50, 150],
        line.checks.map((check) => [
          check.rule,
          `${check.value.toFixed(2)} ${check.unit}`,
          `${check.sense} ${check.limit}`,
          { text: check.margin.toFixed(2), bold: !check.ok },
          check.source,
        ]),
      ),
      {
        text: "Local law, the maker's data and the kit's own sheet come before anything here.",
        color: quiet,
        margin: [0, 12, 0, 0],
      },
    ],
    footer: (page: number, pages: number): Content => ({
      text: `Tidy Badger · ${title} · page ${page} of ${pages}`,
      fontSize: 8,
      color: quiet,
      margin: [40, 16, 40, 0],
    }),
  })
}

function heading(text: string): Content {
  return { text, bold: true, fontSize: 13, margin: [0, 12, 0, 3] }
}

function table(head: string[], widths: (number | string)[], rows: TableCell[][]): Content {
  return {
    layout: 'lightHorizontalLines',
    table: { headerRows: 1, widths, body: [head.map((text) => ({ text, color: quiet })), ...rows] },
  }
}
