import { deepestJson, findUnclean } from '@tidy-badger/core/shared'
import type { Readable } from 'node:stream'
import parserStream, { type parser } from 'stream-json'
import { Refusal, refusal } from './errors.ts'

export type JsonPath = readonly (string | number)[]
/** Takes the text of one string, piece by piece, instead of the document. */
export type TextTaker = (text: AsyncIterable<string>) => Promise<void>

/**
 * Reads a JSON document as it arrives. Strings that `taker` wants are handed over in pieces and stand in the document as '';
 * all else is put together in memory, up to `mostChars`.
 * @throws Refusal when it is no JSON, too large, too deep, or holds what cannot be kept
 */
export async function readJsonStream(
  body: Readable,
  taker: (path: JsonPath) => TextTaker | null,
  mostChars: number,
): Promise<unknown> {
  let bytes = 0
  body.on('data', (chunk: Buffer) => (bytes += chunk.length))
  const tokens = body
    .on('error', (error) => tokens.destroy(error))
    .pipe(
      parserStream({
        packKeys: true,
        streamKeys: false,
        packStrings: false,
        streamStrings: true,
        packNumbers: true,
        streamNumbers: false,
      }),
    )
  try {
    const value = await build(tokens[Symbol.asyncIterator](), taker, mostChars)
    const unclean = findUnclean(value)
    if (unclean) throw new Refusal('malformed', unclean)
    return value
  } catch (error) {
    if (error instanceof Refusal) throw error
    if (bytes === 0) throw refusal('malformed', 'body-empty', 'The file is empty.')
    if (error instanceof Error && /Parser/.test(error.message))
      throw refusal('malformed', 'not-json', 'The file is not JSON, or only the beginning of it.')
    throw error
  } finally {
    tokens.destroy()
  }
}

interface Open {
  value: Record<string, unknown> | unknown[]
  /** Name of the value that is read now; a list counts its own. */
  key: string
}

async function build(
  tokens: AsyncIterator<parser.Token>,
  taker: (path: JsonPath) => TextTaker | null,
  mostChars: number,
): Promise<unknown> {
  const open: Open[] = []
  let root: unknown
  let chars = 0
  const count = (more: number) => {
    chars += more
    if (chars > mostChars)
      throw refusal('too-large', 'body-too-large', 'Journal and dossiers in the file are larger than this place takes.')
  }
  const put = (value: unknown) => {
    const inner = open.at(-1)
    if (!inner) root = value
    else if (Array.isArray(inner.value)) {
      inner.value.push(value)
    } else {
      count(8)
      Object.defineProperty(inner.value, inner.key, { value, enumerable: true, configurable: true, writable: true })
    }
  }
  async function* rest(): AsyncGenerator<string> {
    for (let next = await tokens.next(); !next.done; next = await tokens.next()) {
      if (next.value.name === 'endString') return
      yield textOf(next.value)
    }
  }
  for (let next = await tokens.next(); !next.done; next = await tokens.next()) {
    const { name } = next.value
    switch (name) {
      case 'startObject':
      case 'startArray': {
        if (open.length >= deepestJson)
          throw refusal('malformed', 'too-deep', `The document is nested more than ${deepestJson} deep.`)
        const inner: Open = name === 'startArray' ? { value: [], key: '' } : { value: {}, key: '' }
        put(inner.value)
        open.push(inner)
        break
      }
      case 'endObject':
      case 'endArray':
        open.pop()
        break
      case 'keyValue': {
        const inner = open.at(-1)
        const key = textOf(next.value)
        count(key.length)
        if (inner) inner.key = key
        break
      }
      case 'startString': {
        const take = taker(pathOf(open))
        if (take) {
          await take(rest())
          put('')
        } else {
          const pieces: string[] = []
          for await (const piece of rest()) {
            count(piece.length)
            pieces.push(piece)
          }
          put(pieces.join(''))
        }
        break
      }
      case 'numberValue':
        put(Number(textOf(next.value)))
        break
      case 'trueValue':
      case 'falseValue':
        put(name === 'trueValue')
        break
      case 'nullValue':
        put(null)
        break
      default:
        break
    }
  }
  return root
}

/** Where the value that is read now stands. */
function pathOf(open: readonly Open[]): JsonPath {
  return open.map(({ value, key }, i) => (Array.isArray(value) ? value.length - (i < open.length - 1 ? 1 : 0) : key))
}

/** What a token of a text or number carries. */
function textOf(token: parser.Token): string {
  return 'value' in token && typeof token.value === 'string' ? token.value : ''
}
