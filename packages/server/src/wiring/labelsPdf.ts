import type { WireLabel } from '@tidy-badger/core/handover'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { makePdf } from '../platform/pdf.ts'

const perRow = 3

/** Labels on an A4 sheet, three across, or one after the other on a strip 62 mm by 20 mm. */
export async function labelsPdf(
  labels: readonly WireLabel[],
  form: 'sheet' | 'strip',
  home: string,
  title: string,
): Promise<Buffer> {
  const info = { title: `Labels: ${title}`, creator: 'Tidy Badger' }
  const document: TDocumentDefinitions =
    form === 'strip'
      ? {
          info,
          pageSize: { width: 176, height: 57 },
          pageMargins: [4, 4, 4, 2],
          defaultStyle: { font: 'Text', fontSize: 7, lineHeight: 1.05 },
          content: labels.map((label, i): Content => ({
            ...face(label, home),
            ...(i === 0 ? {} : { pageBreak: 'before' as const }),
          })),
        }
      : {
          info,
          pageSize: 'A4',
          pageMargins: [24, 28, 24, 28],
          defaultStyle: { font: 'Text', fontSize: 8, lineHeight: 1.1 },
          content: [
            {
              layout: { hLineColor: () => '#b9b9b2', vLineColor: () => '#b9b9b2' },
              table: {
                dontBreakRows: true,
                widths: Array.from({ length: perRow }, () => '*'),
                body: Array.from({ length: Math.ceil(labels.length / perRow) }, (_, row) =>
                  Array.from({ length: perRow }, (_, column): Content => {
                    const label = labels[row * perRow + column]
                    return label ? face(label, home) : { text: '' }
                  }),
                ),
              },
            },
          ],
        }
  return makePdf(document)
}

function face(label: WireLabel, home: string) {
  const [first, ...rest] = label.lines
  return {
    columns: [
      { qr: `${home}${label.path}`, fit: 46, width: 50 },
      {
        width: '*',
        stack: [
          { text: first, bold: true, fontSize: 10 },
          ...rest.map((line) => ({ text: line.length > 90 ? `${line.slice(0, 89)}…` : line })),
        ],
      },
    ],
    columnGap: 4,
    margin: 2,
  }
}
