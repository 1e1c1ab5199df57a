import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { decodeCase } from './decodeCase.ts'
import { sniffEncoding, textOf, utf16ToUtf8 } from './decodeBytes.ts'
import { numberOfText, scanned, scanNumber, splitLine } from './parseNumber.ts'

function scan(text: string, decimal: '.' | ',' = '.') {
  const bytes = new TextEncoder().encode(text)
  scanNumber(bytes, 0, bytes.length, decimal === ',' ? 59 : 44, decimal.charCodeAt(0))
  return { value: scanned.value, end: scanned.end }
}

describe('numbers from bytes', () => {
  test('any plain decimal is read to the last digit', () => {
    const digits = fc.tuple(fc.integer({ min: -999_999, max: 999_999 }), fc.integer({ min: 0, max: 6 }))
    fc.assert(
      fc.property(digits, ([whole, places]) => {
        const text = (whole / 10 ** places).toFixed(places)
        expect(scan(text).value).toBe(Number(text))
        expect(scan(text.replace('.', ','), ',').value).toBe(Number(text))
      }),
    )
  })

  test.each([
    ['12.5,7', 12.5, 4],
    ['  42 ,7', 42, 5],
    ['+3', 3, 2],
    ['.5', 0.5, 2],
    ['7.', 7, 2],
    ['-0.25\r', -0.25, 6],
  ])('"%s" is %d and ends at %i', (text, value, end) => {
    expect(scan(text)).toEqual({ value, end })
  })

  test('a blank is no reading', () => {
    expect(scan(',5').value).toBeNaN()
    expect(scan('').value).toBeNaN()
  })

  test.each(['1e3', 'abc', '1.2.3', '12:30', '--4', '12345678901234567'])('"%s" is left to the slow way', (text) => {
    expect(scan(text).end).toBe(-1)
  })
})

describe('the slow way', () => {
  test.each([
    ['1e3', 1000],
    ['01:02:03.5', 3723.5],
    ['2:30', 150],
    [' 4.25 ', 4.25],
  ])('"%s" is %d', (text, value) => {
    expect(numberOfText(text, '.')).toBe(value)
  })

  test.each(['abc', 'NaN', 'Infinity', '0x10', '1,5,2', '1 2'])('"%s" is no number', (text) => {
    expect(numberOfText(text, '.')).toBeNull()
  })

  test('decimal commas', () => {
    expect(numberOfText('3,75', ',')).toBe(3.75)
  })
})

describe('lines', () => {
  test.each([
    ['a,b,,d', ['a', 'b', '', 'd']],
    ['"a,b",c', ['a,b', 'c']],
    ['"say ""so""",x', ['say "so"', 'x']],
    ['', ['']],
    [' "q" ,r', ['q ', 'r']],
  ])('%s', (line, fields) => {
    expect(splitLine(line, ',')).toEqual(fields)
  })
})

describe('encodings', () => {
  test.each(['utf-16le', 'utf-16be'] as const)('%s goes to UTF-8 and back to text', (encoding) => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom('a', '9', ';', '°', 'é', 'λ', '€', '速') }), (text) => {
        expect(textOf(utf16ToUtf8(decodeCase(text, encoding), encoding))).toBe(text)
      }),
    )
  })

  test('marks are known', () => {
    expect(sniffEncoding(Uint8Array.of(0xff, 0xfe))).toEqual({ encoding: 'utf-16le', markBytes: 2 })
    expect(sniffEncoding(Uint8Array.of(0xfe, 0xff))).toEqual({ encoding: 'utf-16be', markBytes: 2 })
    expect(sniffEncoding(Uint8Array.of(0xef, 0xbb, 0xbf))).toEqual({ encoding: 'utf-8', markBytes: 3 })
    expect(sniffEncoding(Uint8Array.of(65))).toEqual({ encoding: 'utf-8', markBytes: 0 })
  })

  test('a byte that is no UTF-8 is Latin-1; a character outside the basic plane is a question mark', () => {
    expect(textOf(Uint8Array.of(0xb0, 67))).toBe('°C')
    expect(textOf(utf16ToUtf8(decodeCase('a😀b', 'utf-16le'), 'utf-16le'))).toBe('a?b')
  })
})
