import { fastenerWords, minutesText, type Station } from '@tidy-badger/core/dossiers'
import { toolsNeeded, stationWork, wordsOf, type WorkItem } from '@tidy-badger/core/jobs'
import type { MinutesSpread } from '@tidy-badger/core/scheduling'
import type { Content, TableCell } from 'pdfmake/interfaces.js'
import type { PaperJob } from '../jobs/index.ts'
import { makePdf } from '../platform/pdf.ts'

const printed: [Station, string][] = [
  ['take-in', 'Take in'],
  ['make-safe', 'Make safe'],
  ['open-up', 'Open up'],
  ['lay-loom', 'Lay loom'],
  ['tie-down', 'Tie down'],
  ['wake', 'Wake'],
  ['close-up', 'Close up'],
]

/** The steps of a job with a box before each, to take to the machine on paper. */
export function stepsPdf({ title, dossiers, state }: PaperJob, left: MinutesSpread, madeAt: string): Promise<Buffer> {
  return makePdf({
    pageSize: 'A4',
    pageMargins: [40, 44, 40, 50],
    info: { title: `Steps: ${title}`, creator: 'Tidy Badger' },
    defaultStyle: { font: 'Text', fontSize: 10.5, lineHeight: 1.2 },
    content: [
      { text: title, fontSize: 20, bold: true },
      {
        text: `${dossiers.machine.maker} ${dossiers.machine.model} + ${dossiers.kit.maker} ${dossiers.kit.model} · printed ${madeAt.slice(0, 10)} · still to do: half of such days ${Math.round(left.p50)} min, nine in ten ${Math.round(left.p90)} min`,
        color: '#5d6262',
        margin: [0, 0, 0, 6],
      },
      {
        text: `Tools: ${toolsNeeded(dossiers, state)
          .map((need) => need.tool)
          .join(' · ')}`,
        margin: [0, 0, 0, 6],
      },
      ...printed.flatMap(([station, name]): Content[] => {
        const items = stationWork(dossiers, state, station)
        return items.length === 0
          ? []
          : [{ text: name, bold: true, fontSize: 13, margin: [0, 10, 0, 3] }, stepTable(items)]
      }),
      ...cautions(dossiers.machine.cautions),
      {
        text: "Local law, the maker's data and the kit's own sheet come before anything here.",
        color: '#5d6262',
        margin: [0, 12, 0, 0],
      },
    ],
    footer: (page: number, pages: number): Content => ({
      text: `Tidy Badger · ${title} · page ${page} of ${pages}`,
      fontSize: 8,
      color: '#5d6262',
      margin: [40, 16, 40, 0],
    }),
  })
}

function cautions(list: readonly string[]): Content[] {
  return list.length > 0
    ? [{ text: 'Cautions', bold: true, fontSize: 13, margin: [0, 10, 0, 3] }, { ul: [...list] }]
    : []
}

function stepTable(items: readonly WorkItem[]): Content {
  return {
    layout: 'lightHorizontalLines',
    table: {
      widths: [14, '*', 58],
      dontBreakRows: true,
      body: items.map((item): TableCell[] => [
        {
          canvas: [
            {
              type: 'rect',
              x: 0,
              y: 2,
              w: 10,
              h: 10,
              lineColor: '#15181a',
              ...(item.done ? { color: '#15181a' } : {}),
            },
          ],
        },
        { stack: [{ text: wordsOf(item), bold: item.kind !== 'step' }, ...details(item)] },
        { text: `${minutesText(item.minutes)} min`, font: 'Mono', fontSize: 9, alignment: 'right' },
      ]),
    },
  }
}

function details(item: WorkItem): Content[] {
  const cover = item.kind === 'cover-off' ? item.removal.cover : item.kind === 'cover-on' ? item.closing.cover : null
  const quiet = (text: string | undefined): Content[] => (text ? [{ text, color: '#5d6262', fontSize: 9.5 }] : [])
  if (!cover) return item.kind === 'step' ? [...quiet(item.step.why), ...caution(item.step.caution)] : []
  const fasteners = cover.fasteners.map(fastenerWords).join(' · ')
  const kept =
    cover.saves.length > 0 ? `${item.kind === 'cover-off' ? 'Save' : 'Back with it'}: ${cover.saves.join(', ')}` : ''
  return [
    ...quiet(fasteners),
    ...quiet(cover.helper ? 'Two people.' : undefined),
    ...quiet(item.kind === 'cover-off' ? cover.how : undefined),
    ...quiet(kept),
    ...caution(cover.caution),
  ]
}

function caution(text: string | undefined): Content[] {
  return text ? [{ text: `Take care: ${text}`, fontSize: 9.5, bold: true }] : []
}
