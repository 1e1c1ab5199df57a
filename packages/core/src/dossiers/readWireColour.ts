import type { WireColour } from './model.ts'
import type { ColourName } from './colours.ts'
import { wireName } from './colours.ts'
import { coloursOfWord, type ColourLanguage } from './colourWords.ts'

/** Which of the two colours a sheet writes first. */
export type ColourOrder = 'base first' | 'stripe first'

export type ColourReading =
  | { kind: 'read'; colour: WireColour; says: string }
  | { kind: 'doubtful'; choices: WireColour[]; message: string }
  | { kind: 'unread'; message: string }

const fillers = /\b(with|and|mit|und|et|avec|con|no|stripe|striped|tracer|streifen|rayure|riga|raya)\b/gi
/** Short for with and and; letters of colours as well, so they fall away only between two written-out words. */
const shortFillers = ['w', 'y', 'e', 'a']

/**
 * Reads a wire's colours as people write them: `bk/pk`, `VIO/GRY`, `violet-grey`, `violett/grau`, `BrW`, `azul claro`,
 * `grey with violet stripe`.
 * @param order which colour stands first; the other is the stripe
 * @param language decides what a short form means; without it a form that means two colours is doubtful
 */
export function readWireColour(
  text: string,
  order: ColourOrder = 'base first',
  language?: ColourLanguage,
): ColourReading {
  const parts = partsOf(text, language)
  if (parts.length === 0) return { kind: 'unread', message: 'No colour given.' }
  if (parts.length > 2)
    return {
      kind: 'unread',
      message: `"${text.trim()}" names ${parts.length} colours; a wire has a base and one stripe.`,
    }
  const choices = parts.map((part) => coloursOfWord(part, language))
  const unknown = choices.findIndex((list) => list.length === 0)
  if (unknown >= 0)
    return {
      kind: 'unread',
      message: `"${parts[unknown]}" is no colour. Try bk, br, rd, or, ye, gn, bu, vi, gy, wh, pk.`,
    }
  const [first, second = [undefined]] = choices
  const wires = first.flatMap((one) => second.map((two) => wireOf(one, two, order)))
  if (wires.length > 1)
    return {
      kind: 'doubtful',
      choices: wires,
      message: `"${text.trim()}" may be ${wires.map(wireName).join(' or ')}. Write it out, or say which language the sheet is in.`,
    }
  const [colour] = wires
  if (colour.base === colour.stripe)
    return {
      kind: 'unread',
      message: `A ${colour.base} stripe on ${colour.base} cannot be seen. Leave the stripe out.`,
    }
  return { kind: 'read', colour, says: wireName(colour) }
}

function wireOf(first: ColourName, second: ColourName | undefined, order: ColourOrder): WireColour {
  if (second === undefined) return { base: first }
  return order === 'base first' ? { base: first, stripe: second } : { base: second, stripe: first }
}

function partsOf(text: string, language: ColourLanguage | undefined): string[] {
  const joined = text
    .trim()
    .replaceAll(/\b(light|lt|hell|pale)[\s.-]*(?=[a-zü])/gi, (_, word: string) =>
      /^hell/i.test(word) ? 'hell' : 'light',
    )
    .replaceAll(/[\s.-]*\b(clair|chiaro|claro|clara)\b/gi, (_, word: string) =>
      word.toLowerCase().replace('clara', 'claro'),
    )
    .replaceAll(/\b(plain|solid|uni)\b/gi, ' ')
  const bySign = split(joined, /[/\\,+|;:-]/)
  if (bySign.length > 1) return bySign.map((part) => part.replaceAll(fillers, ' ').trim()).filter((part) => part !== '')
  const tokens = split(joined.replaceAll(fillers, ' '), /\s+/)
  const written = (token: string | undefined) => token !== undefined && token.length > 2
  const bySpace = tokens.filter(
    (token, i) => !(shortFillers.includes(token.toLowerCase()) && written(tokens[i - 1]) && written(tokens[i + 1])),
  )
  if (bySpace.length !== 1) return bySpace
  const [word] = bySpace
  if (coloursOfWord(word, language).length > 0) return [word]
  const capitals = word.match(/^([A-Z][a-z]{0,2})([A-Z][a-z]{0,2})$/)
  if (capitals) return [capitals[1], capitals[2]]
  for (const at of [2, 3, 1]) {
    const halves = [word.slice(0, at), word.slice(at)]
    if (word.length <= 6 && halves.every((half) => half !== '' && coloursOfWord(half, language).length > 0))
      return halves
  }
  return [word]
}

function split(text: string, at: RegExp): string[] {
  return text
    .split(at)
    .map((part) => part.trim())
    .filter((part) => part !== '')
}
