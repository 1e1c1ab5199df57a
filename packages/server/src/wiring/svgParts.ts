import { colourHex, type WireColour } from '@tidy-badger/core/dossiers'
import { escapedXml } from '@tidy-badger/core/shared'

/** A wire with its base colour, an edge that shows on paper, and the stripe as a broken line. */
export function wirePath(d: string, { base, stripe }: WireColour, width = 6): string {
  const line = (colour: string, wide: number, more = '') =>
    `<path d="${d}" fill="none" stroke="${colour}" stroke-width="${wide}"${more}/>`
  return [
    line('#5d6262', width + 1.6),
    line(colourHex[base], width),
    ...(stripe ? [line(colourHex[stripe], width * 0.36, ' stroke-dasharray="11 6"')] : []),
  ].join('')
}

export function words(x: number, y: number, text: string, more = ''): string {
  return `<text x="${x}" y="${y}"${more}>${escapedXml(text)}</text>`
}

export function document(width: number, height: number, title: string, parts: readonly string[]): string {
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="sans-serif" font-size="13" fill="#15181a">`,
    `<title>${escapedXml(title)}</title>`,
    `<rect width="${width}" height="${height}" fill="#ffffff"/>`,
    ...parts,
    '</svg>',
  ].join('\n')
}
