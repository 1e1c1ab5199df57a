import { colourNames, type ColourName } from './colours.ts'
import { colourWord, type ColourLanguage } from './colourWords.ts'

const any = [...colourNames].sort((a, b) => b.length - a.length).join('|')
/** A wire as our texts name it: "grey with violet stripe", "plain white", "grey/violet". */
const wires = new RegExp(`\\b(?:(${any}) with (${any}) stripe|plain (${any})|(${any})/(${any}))\\b`, 'g')

const isColour = (word: string | undefined): word is ColourName => colourNames.some((name) => name === word)

/**
 * Writes the wires in a text with the colour words of a language, base first: "grau/violett". What names no wire stays as it is: a
 * shell is no wire, and a word of a sentence is not either.
 */
export function coloursWritten(language: ColourLanguage): (text: string) => string {
  return (text) =>
    text.replace(wires, (...found: (string | undefined)[]) => {
      const [whole = '', ...names] = found.slice(0, 6)
      const [base, stripe] = names.filter(isColour)
      if (base === undefined) return whole
      return [base, ...(stripe === undefined ? [] : [stripe])].map((name) => colourWord(name, language)).join('/')
    })
}
