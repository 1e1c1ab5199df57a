import { colourNames, type ColourName } from './colours.ts'

export const colourLanguages = ['en', 'de', 'fr', 'it', 'es', 'ja'] as const
export type ColourLanguage = (typeof colourLanguages)[number]

/**
 * Words for insulation colours: whole words first, then the short forms in use on sheets of that language.
 * Written without accents; `ß` as `ss`.
 */
const words: Record<ColourLanguage, Record<ColourName, string>> = {
  en: {
    black: 'black blk bk b',
    brown: 'brown brn bn br',
    red: 'red rd r',
    orange: 'orange org or o',
    yellow: 'yellow yel ye yl y',
    green: 'green grn gn gr g',
    'light green': 'lightgreen lime ltgreen lgn lg',
    blue: 'blue blu bu l',
    'light blue': 'lightblue skyblue sky ltblue lbu lb',
    violet: 'violet purple vio vlt vi pur ppl pu v',
    grey: 'grey gray gry gy',
    white: 'white wht wh w',
    pink: 'pink pnk pk p',
    natural: 'natural clear transparent nat nt',
  },
  de: {
    black: 'schwarz sw',
    brown: 'braun br',
    red: 'rot rt',
    orange: 'orange or',
    yellow: 'gelb ge',
    green: 'grun gruen gn',
    'light green': 'hellgrun hellgruen hgn',
    blue: 'blau bl',
    'light blue': 'hellblau hbl',
    violet: 'violett lila vi vio',
    grey: 'grau gr',
    white: 'weiss ws',
    pink: 'rosa rs',
    natural: 'natur nat',
  },
  fr: {
    black: 'noir no n',
    brown: 'marron brun ma mr',
    red: 'rouge ro r',
    orange: 'orange or',
    yellow: 'jaune ja j',
    green: 'vert ve v',
    'light green': 'vertclair vc',
    blue: 'bleu bl',
    'light blue': 'bleuclair bc',
    violet: 'violet vi mauve',
    grey: 'gris gr',
    white: 'blanc ba b',
    pink: 'rose rs',
    natural: 'incolore naturel',
  },
  it: {
    black: 'nero n ne',
    brown: 'marrone m ma',
    red: 'rosso r ro',
    orange: 'arancione arancio a ar',
    yellow: 'giallo g gi',
    green: 'verde v ve',
    'light green': 'verdechiaro vc',
    blue: 'blu bl',
    'light blue': 'azzurro celeste az',
    violet: 'viola vi z',
    grey: 'grigio h gr',
    white: 'bianco b bi',
    pink: 'rosa rs s',
    natural: 'naturale',
  },
  es: {
    black: 'negro ne n',
    brown: 'marron cafe ma',
    red: 'rojo ro r',
    orange: 'naranja na',
    yellow: 'amarillo am',
    green: 'verde ve',
    'light green': 'verdeclaro vc',
    blue: 'azul az',
    'light blue': 'azulclaro celeste ac',
    violet: 'violeta morado vi',
    grey: 'gris gr',
    white: 'blanco bl b',
    pink: 'rosa rs',
    natural: 'incoloro',
  },
  ja: {
    black: 'kuro kuroiro',
    brown: 'cha chairo',
    red: 'aka akairo',
    orange: 'daidai daidaiiro orenji',
    yellow: 'ki kiiro',
    green: 'midori midoriiro',
    'light green': 'kimidori wakakusa',
    blue: 'ao aoiro',
    'light blue': 'mizuiro mizu sorairo',
    violet: 'murasaki murasakiiro',
    grey: 'hai haiiro nezumi nezumiiro',
    white: 'shiro shiroiro',
    pink: 'momo momoiro pinku',
    natural: 'mushoku',
  },
}

/** Whole words as they are written, where they have more than their plain letters. */
const accented: Readonly<Record<string, string>> = {
  grun: 'grün',
  hellgrun: 'hellgrün',
  weiss: 'weiß',
  vertclair: 'vert clair',
  bleuclair: 'bleu clair',
  verdechiaro: 'verde chiaro',
  marron: 'marrón',
  verdeclaro: 'verde claro',
  azulclaro: 'azul claro',
}

/** A colour's whole word in a language. */
export function colourWord(colour: ColourName, language: ColourLanguage): string {
  const [word = colour] = words[language][colour].split(' ')
  if (language === 'en') return colour
  return word === 'marron' && language !== 'es' ? word : (accented[word] ?? word)
}

const readings = new Map<ColourLanguage, Map<string, ColourName>>()

function wordsOf(language: ColourLanguage): Map<string, ColourName> {
  const known = readings.get(language)
  if (known) return known
  const table = new Map<string, ColourName>()
  for (const colour of colourNames) for (const form of words[language][colour].split(' ')) table.set(form, colour)
  readings.set(language, table)
  return table
}

/**
 * Colours one word may mean, the surest first. The language asked for decides alone where it knows the word;
 * without one, English short forms count and a short form that is another colour elsewhere is doubtful.
 */
export function coloursOfWord(word: string, language?: ColourLanguage): ColourName[] {
  const plain = word
    .toLowerCase()
    .replaceAll('ß', 'ss')
    .normalize('NFD')
    .replaceAll(/[^a-z]/g, '')
  if (plain === '') return []
  if (language !== undefined) {
    const own = wordsOf(language).get(plain)
    if (own) return [own]
  }
  const found = colourLanguages.flatMap((other) => wordsOf(other).get(plain) ?? [])
  const first = wordsOf('en').get(plain)
  const all = [...new Set(first ? [first, ...found] : found)]
  // The trade's own English pairs of letters are what nearly every sheet means by them.
  return first !== undefined && /^(bk|br|bn|gn|bu|gy|vi|wh|pk|ye|rd|or|lg|lb|r|w|y|o)$/.test(plain) ? [first] : all
}
