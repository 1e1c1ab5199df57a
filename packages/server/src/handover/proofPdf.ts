import { proofChart, type ProofPage } from '@tidy-badger/core/handover'
import type { Content } from 'pdfmake/interfaces.js'
import { makePdf } from '../platform/pdf.ts'

const quiet = '#5d6262'

/** The owner's page of proof, A4: two curves, three numbers, plain words. */
export function proofPdf(given: ProofPage, madeAt: string): Promise<Buffer> {
  const page = structuredClone(given)
  const list = (title: string, lines: string[]): Content[] =>
    lines.length === 0
      ? []
      : [
          { text: title, bold: true, fontSize: 12, margin: [0, 12, 0, 3] },
          { ul: lines, fontSize: 9 },
        ]
  return makePdf({
    pageSize: 'A4',
    pageMargins: [40, 44, 40, 50],
    info: { title: `Proof: ${page.title}`, creator: 'Tidy Badger' },
    defaultStyle: { font: 'Text', fontSize: 10, lineHeight: 1.25 },
    content: [
      { text: 'What it brought', fontSize: 20, bold: true },
      { text: `${page.title} · ${page.machine} · ${page.kit}` },
      { text: `Printed ${madeAt.slice(0, 10)}`, color: quiet, margin: [0, 0, 0, 10] },
      ...(page.numbers.length === 0
        ? []
        : [
            {
              columns: page.numbers.map(({ name, value, certainty }) => ({
                stack: [
                  { text: name, color: quiet },
                  { text: value, fontSize: 17, bold: true },
                  { text: certainty, fontSize: 8, color: quiet },
                ],
              })),
            },
          ]),
      ...(page.comparison
        ? [{ svg: proofChart(page.comparison), width: 470, margin: [0, 8, 0, 4] } satisfies Content]
        : []),
      ...page.words.map((text): Content => ({ text, margin: [0, 3, 0, 0] })),
      ...list('To be known of it', page.notes),
      ...list('Levels', page.levels),
      ...list(
        'Pulls',
        page.pulls.map(
          ({ name, when, kw, rpm, nm, nmRpm, counts }) =>
            `${when === 'before' ? 'On stock' : 'With the kit'}, ${name}: ${kw.toFixed(1)} kW at ${Math.round(rpm)}, ${Math.round(nm)} N·m at ${Math.round(nmRpm)} 1/min${counts ? '' : ' (does not count)'}`,
        ),
      ),
      {
        text: 'Power is at the wheels unless it says otherwise. A changed engine may be unlawful on public roads and may void cover; local law and the maker’s data come first.',
        fontSize: 8,
        color: quiet,
        margin: [0, 16, 0, 0],
      },
    ],
  })
}
