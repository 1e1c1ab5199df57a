import { describe, expect, test } from 'vitest'
import { colourNames } from './colours.ts'
import { readWireColour } from './readWireColour.ts'

describe('one wire, many spellings', () => {
  test.each([
    ['bk/pk', 'black', 'pink'],
    ['VIO/GRY', 'violet', 'grey'],
    ['violet-grey', 'violet', 'grey'],
    ['violett/grau', 'violet', 'grey'],
    ['Violett Grau', 'violet', 'grey'],
    ['violet et gris', 'violet', 'grey'],
    ['viola/grigio', 'violet', 'grey'],
    ['violeta con gris', 'violet', 'grey'],
    ['murasaki/hai', 'violet', 'grey'],
    ['grey with violet stripe', 'grey', 'violet'],
    ['GY/VI', 'grey', 'violet'],
    ['schwarz-weiß', 'black', 'white'],
    ['noir/jaune', 'black', 'yellow'],
    ['rojo/amarillo', 'red', 'yellow'],
    ['aka-shiro', 'red', 'white'],
    ['BrW', 'brown', 'white'],
    ['gnws', 'green', 'white'],
    ['light blue/black', 'light blue', 'black'],
    ['azul claro/negro', 'light blue', 'black'],
    ['hellgrün/rot', 'light green', 'red'],
    ['vert clair', 'light green', undefined],
    ['plain red', 'red', undefined],
    ['R', 'red', undefined],
  ])('%s', (text, base, stripe) => {
    expect(readWireColour(text)).toMatchObject({
      kind: 'read',
      colour: stripe === undefined ? { base } : { base, stripe },
    })
  })
})

test('the sheet says which colour is the base', () => {
  expect(readWireColour('vi/gy', 'stripe first')).toEqual({
    kind: 'read',
    colour: { base: 'grey', stripe: 'violet' },
    says: 'grey with violet stripe',
  })
})

test('a short form that means two colours is asked about, unless the language is known', () => {
  const reading = readWireColour('gr/rt')
  expect(reading.kind).toBe('doubtful')
  if (reading.kind === 'doubtful') expect(reading.choices.map((choice) => choice.base)).toEqual(['green', 'grey'])
  expect(readWireColour('bl')).toMatchObject({ kind: 'doubtful' })
  expect(readWireColour('bl', 'base first', 'de')).toMatchObject({ kind: 'read', colour: { base: 'blue' } })
  expect(readWireColour('bl', 'base first', 'es')).toMatchObject({ kind: 'read', colour: { base: 'white' } })
})

test.each([
  ['', 'No colour given.'],
  ['mud', '"mud" is no colour'],
  ['red/green/blue', 'names 3 colours'],
  ['red/red', 'cannot be seen'],
])('%s is refused with a sentence', (text, sentence) => {
  const reading = readWireColour(text)
  expect(reading.kind).toBe('unread')
  if (reading.kind === 'unread') expect(reading.message).toContain(sentence)
})

test('every colour can be written in full, alone and as a stripe', () => {
  for (const name of colourNames) {
    expect(readWireColour(name)).toMatchObject({ kind: 'read', colour: { base: name } })
    const base = name === 'black' ? 'white' : 'black'
    expect(readWireColour(`${base}/${name}`)).toMatchObject({ kind: 'read', colour: { base, stripe: name } })
  }
})

test.each([
  ['R/W', 'red', 'white'],
  ['BK/W', 'black', 'white'],
  ['Y/E', null, null],
  ['GN/Y', 'green', 'yellow'],
  ['W', 'white', undefined],
  ['Y', 'yellow', undefined],
  ['grey w violet', 'grey', 'violet'],
  ['rojo y verde', 'red', 'green'],
] as const)('a single letter is a colour, not a filler: %s', (text, base, stripe) => {
  const read = readWireColour(text, 'base first', text.startsWith('rojo') ? 'es' : 'en')
  if (base === null) expect(read.kind).not.toBe('read')
  else expect(read).toMatchObject({ kind: 'read', colour: stripe === undefined ? { base } : { base, stripe } })
})
