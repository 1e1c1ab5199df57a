import { createRequire } from 'node:module'
import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js'

const require = createRequire(import.meta.url)
const face = (family: string, weight: number) =>
  require.resolve(`@fontsource/${family}/files/${family}-latin-${weight}-normal.woff`)
const text = 'atkinson-hyperlegible-next'
const mono = 'sometype-mono'

pdfmake.setFonts({
  Text: { normal: face(text, 400), bold: face(text, 700) },
  Mono: { normal: face(mono, 400), bold: face(mono, 700) },
})
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path: string) => path.endsWith('.woff'))

/** A PDF with the fonts that ship. The maker writes into what it is given: hand it nothing that is used elsewhere. */
export function makePdf(document: TDocumentDefinitions): Promise<Buffer> {
  return pdfmake.createPdf(document).getBuffer()
}
