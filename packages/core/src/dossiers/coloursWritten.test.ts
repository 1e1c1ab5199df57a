import { describe, expect, test } from 'vitest'
import { colourLanguages, colourNames, coloursWritten, readWireColour, wireName, wireShort } from './index.ts'

describe.each(colourLanguages)('wires written in %s', (language) => {
  const write = coloursWritten(language)
  test('read back as the same wire, whichever form they were in', () => {
    for (const base of colourNames)
      for (const stripe of [undefined, ...colourNames.filter((other) => other !== base)]) {
        const colour = stripe === undefined ? { base } : { base, stripe }
        const forms = stripe === undefined ? [wireName(colour)] : [wireName(colour), wireShort(colour)]
        for (const form of forms) {
          const read = readWireColour(write(form), 'base first', language)
          expect(read.kind === 'read' ? read.colour : read.message, `${form}: ${write(form)}`).toEqual(colour)
        }
      }
  })
})

test('what names no wire stays as it is', () => {
  const write = coloursWritten('de')
  for (const text of ['black shell', 'red', 'red lead', 'a red ring with two ribs', 'read/write', 'blackened/white'])
    expect(write(text)).toBe(text)
  expect(write('Cavity 7 holds grey with violet stripe, not plain white.')).toBe(
    'Cavity 7 holds grau/violett, not weiß.',
  )
  expect(write('light green/light blue')).toBe('hellgrün/hellblau')
})
