import { colourHex, type WireColour } from '@tidy-badger/core/dossiers'
import { signedPct } from '@tidy-badger/core/fuel-trim'
import type { HandbackSheet, SheetConnection } from '@tidy-badger/core/handover'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { makePdf } from '../platform/pdf.ts'

/** The hand-back paper as a PDF, A4. */
export async function sheetPdf(
  given: HandbackSheet,
  wiring: string,
  madeAt: string,
  photos: readonly PaperPhoto[] = [],
): Promise<Buffer> {
  // The PDF maker writes into the lists it is given, and these are the job's own.
  const sheet = structuredClone(given)
  const document: TDocumentDefinitions = {
    pageSize: 'A4',
    pageMargins: [40, 44, 40, 50],
    info: { title: `Hand-back: ${sheet.title}`, creator: 'Tidy Badger' },
    defaultStyle: { font: 'Text', fontSize: 10, lineHeight: 1.2 },
    styles: {
      title: { fontSize: 20, bold: true },
      section: { fontSize: 13, bold: true, margin: [0, 14, 0, 4] },
      head: { bold: true, fontSize: 9, color: '#5d6262' },
      figure: { font: 'Mono', fontSize: 9, alignment: 'right' },
    },
    content: [
      { text: sheet.title, style: 'title' },
      { text: `${sheet.machine}  ·  ${sheet.kit}`, margin: [0, 0, 0, 2] },
      {
        text: `Opened ${sheet.openedAt.slice(0, 10)} · printed ${madeAt.slice(0, 10)}${sheet.fitters.length > 0 ? ` · fitted by ${sheet.fitters.join(', ')}` : ''}`,
        color: '#5d6262',
      },
      ...(sheet.finished ? [] : boxed('Not finished', sheet.unfinished)),
      ...(sheet.liftedStops.length > 0 ? boxed('Stops lifted by a person', sheet.liftedStops) : []),
      section('What is connected where'),
      connectionTable(sheet.connections),
      { svg: wiring, width: 515, pageBreak: 'before' },
      section('Settings'),
      {
        layout: 'lightHorizontalLines',
        table: {
          widths: ['*', 90, 90],
          body: [
            heads('setting', 'set to', 'as shipped'),
            ...sheet.settings.map((setting): TableCell[] => [setting.name, setting.value, setting.shipped]),
          ],
        },
      },
      ...(sheet.trim.rpm.length === 0 ? [] : trimSection(sheet.trim)),
      ...list(
        'Readings',
        sheet.readings.map((reading) => `${reading.quantity}: ${reading.value}${reading.by ? ` (${reading.by})` : ''}`),
      ),
      ...list('Done for good', sheet.forGood),
      ...list('Left by earlier fitters', sheet.earlierWork),
      ...list('Built otherwise than planned', sheet.differences),
      ...list('Written down', sheet.written),
      ...list('Done without what was asked', sheet.doneWithout),
      ...list('Not back on', sheet.leftOff),
      ...list('Where it lies', sheet.lies),
      ...list('On the road', sheet.lawful),
      ...list('Gain and levels', sheet.proof),
      ...list('Told to the owner', sheet.told),
      ...list('Notes', sheet.notes),
      section('Back to stock'),
      { ol: sheet.returnToStock },
      ...list('Cautions', sheet.cautions),
      ...photoPages(photos),
      { text: sheet.sources.join('\n'), fontSize: 8, color: '#5d6262', margin: [0, 14, 0, 0] },
    ],
    footer: (page: number, pages: number): Content => ({
      text: `Tidy Badger · ${sheet.title} · page ${page} of ${pages}`,
      fontSize: 8,
      color: '#5d6262',
      margin: [40, 16, 40, 0],
    }),
  }
  return makePdf(document)
}

/** A picture of the pack and what it shows; without bytes where it cannot be drawn. */
export interface PaperPhoto {
  says: string
  jpeg: Buffer | null
}

/** Two photos beside each other. */
function photoPages(photos: readonly PaperPhoto[]): Content[] {
  if (photos.length === 0) return []
  const cell = (photo: PaperPhoto | undefined): Content =>
    photo
      ? {
          stack: [
            photo.jpeg
              ? { image: `data:image/jpeg;base64,${photo.jpeg.toString('base64')}`, fit: [248, 190] }
              : { text: 'This picture cannot be drawn.', color: '#5d6262', margin: [0, 80, 0, 80] },
            { text: photo.says, fontSize: 9, color: '#5d6262', margin: [0, 2, 0, 8] },
          ],
        }
      : { text: '' }
  const rows = Array.from({ length: Math.ceil(photos.length / 2) }, (_, i) => [photos[2 * i], photos[2 * i + 1]])
  return [
    section('Photos'),
    ...rows.map((row): Content => ({ columns: row.map(cell), columnGap: 14, unbreakable: true })),
  ]
}

function trimSection(trim: HandbackSheet['trim']): Content[] {
  return [
    {
      unbreakable: true,
      stack: [section('Trim table in force, % (throttle % across, rpm down)'), trimTable(trim)],
    },
    {
      text: trim.madeFrom.length > 0 ? `Made from: ${trim.madeFrom.join('; ')}.` : 'As shipped: nothing changed yet.',
      margin: [0, 4, 0, 0],
    },
  ]
}

function section(title: string): Content {
  return { text: title, style: 'section' }
}

function heads(...words: string[]): TableCell[] {
  return words.map((word) => ({ text: word, style: 'head' }))
}

function list(title: string, lines: string[]): Content[] {
  return lines.length > 0 ? [section(title), { ul: lines }] : []
}

function boxed(title: string, lines: string[]): Content[] {
  return [
    {
      margin: [0, 10, 0, 0],
      table: { widths: ['*'], body: [[{ stack: [{ text: title, bold: true }, { ul: lines }], margin: [4, 4, 4, 4] }]] },
    },
  ]
}

function connectionTable(connections: SheetConnection[]): Content {
  return {
    layout: 'lightHorizontalLines',
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: [14, 70, 128, '*', 44],
      body: [
        heads('', 'loom end', 'where', 'cavity and wire', 'by'),
        ...connections.map((connection): TableCell[] => [
          { text: connection.tag, bold: true },
          connection.end,
          { stack: [connection.place, { text: connection.how, color: '#5d6262', fontSize: 9 }] },
          {
            stack: connection.wires.map((wire): Content => ({
              columns: [
                { text: String(wire.cavity), font: 'Mono', width: 12 },
                { svg: swatch(wire.colour), width: 30 },
                { text: ` ${wire.name}, ${wire.does}`, width: '*' },
              ],
            })),
          },
          connection.by,
        ]),
      ],
    },
  }
}

function swatch(colour: WireColour): string {
  const stripe = colour.stripe ? `<rect x="0" y="4" width="22" height="3" fill="${colourHex[colour.stripe]}"/>` : ''
  return `<svg width="24" height="11"><rect x="0.5" y="0.5" width="22" height="10" fill="${colourHex[colour.base]}" stroke="#15181a" stroke-width="0.7"/>${stripe}</svg>`
}

function trimTable(trim: HandbackSheet['trim']): Content {
  return {
    layout: 'lightHorizontalLines',
    table: {
      headerRows: 1,
      widths: [50, ...trim.load.map(() => '*')],
      body: [
        [
          { text: 'rpm', style: 'head' },
          ...trim.load.map((load) => ({ text: String(load), style: 'figure', bold: true })),
        ],
        ...trim.rpm.map((rpm, r) => [
          { text: String(rpm), style: 'figure', bold: true },
          ...trim.pct[r].map((value) => ({ text: signedPct(value), style: 'figure' })),
        ]),
      ],
    },
  }
}
