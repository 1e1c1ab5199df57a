import type { RoadsideCard } from '@tidy-badger/core/handover'
import type { Content } from 'pdfmake/interfaces.js'
import { makePdf } from '../platform/pdf.ts'

/** The card that stays in the machine, A6. */
export function roadsidePdf(card: RoadsideCard, madeAt: string): Promise<Buffer> {
  return makePdf({
    pageSize: 'A6',
    pageMargins: [20, 20, 20, 24],
    info: { title: `Roadside card: ${card.title}`, creator: 'Tidy Badger' },
    defaultStyle: { font: 'Text', fontSize: 9, lineHeight: 1.15 },
    content: [
      { text: 'If the module fails', fontSize: 14, bold: true },
      { text: `${card.title} · ${card.machine}`, margin: [0, 0, 0, 4] },
      ...card.kits.flatMap(({ name, place, fuse, without, home }): Content[] => [
        { text: name, bold: true, fontSize: 11, margin: [0, 6, 0, 1] },
        ...(place === null ? [] : [{ text: place, color: '#5d6262' }]),
        { text: without, margin: [0, 2, 0, 2] },
        ...(fuse === null ? [] : [{ text: `First look at its fuse: ${fuse}.` }]),
        home.length > 0
          ? { stack: [{ text: 'To get home:', bold: true, margin: [0, 3, 0, 0] }, { ol: [...home] }] }
          : { text: 'Nothing has to be mated to get home.' },
      ]),
      { ul: [...card.cautions], margin: [0, 8, 0, 4] },
      ...card.call.map((text): Content => ({ text, bold: true })),
      { text: `Printed ${madeAt.slice(0, 10)}`, fontSize: 7, color: '#5d6262', margin: [0, 6, 0, 0] },
    ],
  })
}
