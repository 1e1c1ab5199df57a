import { colourLanguages, coloursWritten } from '@tidy-badger/core/dossiers'

/** Writes wires in a language; null for one that is not known. */
export function wireWords(wanted: string): ((text: string) => string) | null {
  const language = colourLanguages.find((one) => one === wanted)
  return language === undefined || language === 'en' ? null : coloursWritten(language)
}
