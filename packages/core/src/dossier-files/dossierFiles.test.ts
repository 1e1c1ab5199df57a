import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { parseDossier, type Dossier } from '../dossiers/index.ts'
import { contentHash } from '../shared/index.ts'
import { shippedKits, shippedMachines } from '../wiring/shippedCase.ts'
import { problemLine, readFolder, writeFolder, type FolderFiles } from './index.ts'

const shipped: readonly Dossier[] = [...shippedMachines, ...shippedKits]

/** What the files say, or what is wrong with them, a line each. */
function back(files: FolderFiles): Dossier | string[] {
  const read = readFolder(files)
  return read.ok ? read.value : read.problems.map(problemLine)
}

describe.each(shipped)('$id', (document) => {
  test('its files make it again, to the same hash', () => {
    const again = back(writeFolder(document))
    expect(again).toEqual(document)
    expect(contentHash(again)).toBe(contentHash(document))
  })
})

/** Words that a table or a YAML file could take for something else. */
const awkward = fc.oneof(
  fc.constantFrom(
    '=1+1',
    "'=x",
    '-',
    'none',
    '[1]',
    'yes',
    'null',
    '~',
    '2018',
    '1.5',
    '0x1F',
    ' # no',
    'a: b',
    '"',
    "''",
    '- x',
    '{}',
  ),
  fc.constantFrom(
    'a,b;c',
    'two\nlines',
    'cr\r\nlf',
    '\ttab',
    ' spaced ',
    '@x',
    '+3',
    '1/2/4',
    'ünï ✓',
    '&a *b',
    '!tag',
    '|',
    '>',
    '%',
    '---',
  ),
  fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 }),
)

/** Free texts of a document: where any words may stand. */
const free = new Set([
  'name',
  'place',
  'device',
  'text',
  'why',
  'caution',
  'how',
  'note',
  'opens',
  'family',
  'source',
  'says',
  'instead',
  'tag',
  'what',
])

/** The document with other words, other figures, and here and there something left out. */
function changed(value: unknown, words: () => string, draw: (most: number) => number, key = ''): unknown {
  if (Array.isArray(value)) {
    if (['saves', 'tools', 'cautions', 'returnToStock'].includes(key)) return value.map(() => words())
    return value.map((item) => changed(item, words, draw))
  }
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(
      Object.entries(value).flatMap(([name, inner]) =>
        ['note', 'caution', 'how', 'stuffed', 'via', 'airC', 'helper'].includes(name) && draw(3) === 0
          ? []
          : [[name, changed(inner, words, draw, name === 'place' && !('name' in value) ? '' : name)]],
      ),
    )
  if (typeof value === 'string' && free.has(key)) return draw(2) === 0 ? words() : value
  if (typeof value === 'number' && ['branchM', 'breakOutM', 'areaMm2', 'lengthM', 'freeMm2'].includes(key))
    return value === 0 ? 0 : Math.min(9.5, value * (1 + draw(1000) / 3333))
  return value
}

test('any document that parses is made again by its files', () => {
  let parsed = 0
  fc.assert(
    fc.property(
      fc.constantFrom(...shipped),
      fc.array(awkward, { minLength: 40, maxLength: 40 }),
      fc.nat(),
      (document, list, seed) => {
        let at = 0
        let state = seed
        const words = () => list[at++ % list.length] ?? 'x'
        const draw = (most: number) => (state = (state * 1103515245 + 12345) % 2147483648) % most
        const read = parseDossier(changed(document, words, draw))
        if (!read.ok) return
        parsed++
        expect(back(writeFolder(read.value))).toEqual(read.value)
      },
    ),
    { numRuns: 200 },
  )
  expect(parsed).toBeGreaterThan(100)
})
