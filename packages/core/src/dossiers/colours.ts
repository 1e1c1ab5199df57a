/** Insulation and shell colours with an sRGB value as seen on clean plastic in daylight. */
export const colourHex = {
  black: '#1a1a1a',
  brown: '#7a4a2b',
  red: '#c8281e',
  orange: '#e8781e',
  yellow: '#eac21a',
  green: '#2f8f45',
  'light green': '#8fd06a',
  blue: '#2a62b0',
  'light blue': '#7db9e6',
  violet: '#6f4a9e',
  grey: '#8d9292',
  white: '#f6f5ef',
  pink: '#e99aae',
  natural: '#dcd3bd',
} as const

export type ColourName = keyof typeof colourHex
export const colourNames: readonly [ColourName, ...ColourName[]] = [
  'black',
  'brown',
  'red',
  'orange',
  'yellow',
  'green',
  'light green',
  'blue',
  'light blue',
  'violet',
  'grey',
  'white',
  'pink',
  'natural',
]

/** "grey with violet stripe", or plain "grey". */
export function wireName(colour: { base: ColourName; stripe?: ColourName }): string {
  return colour.stripe ? `${colour.base} with ${colour.stripe} stripe` : `plain ${colour.base}`
}

/** Short form for tight places: base first, "grey/violet". */
export function wireShort(colour: { base: ColourName; stripe?: ColourName }): string {
  return colour.stripe ? `${colour.base}/${colour.stripe}` : colour.base
}

/** A name as it stands within a sentence: first letter small, units and abbreviations as they are. */
export function inSentence(name: string): string {
  return /^[A-Z][a-z]/.test(name) ? name[0].toLowerCase() + name.slice(1) : name
}

/** A phrase as it stands at the head of a sentence. */
export function asHeading(phrase: string): string {
  return phrase === '' ? phrase : phrase[0].toUpperCase() + phrase.slice(1)
}
