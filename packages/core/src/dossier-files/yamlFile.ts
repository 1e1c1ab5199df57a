import { Document, isCollection, isMap, isNode, isScalar, isSeq, LineCounter, parseDocument, visit } from 'yaml'
import type { Problem } from '../shared/index.ts'

/** Deeper than any of ours; a file nested deeper is not read. */
const deepest = 24

/** A value as YAML: small things on one line, long ones below each other. */
export function writeYaml(value: unknown): string {
  const document = new Document(value, { aliasDuplicateObjects: false })
  visit(document, {
    Collection: (_, node) => {
      if (!isCollection(node) || node.items.length === 0) return
      const parts: unknown[] = isMap(node) ? node.items.map((pair) => pair.value) : isSeq(node) ? node.items : []
      const short = parts.every((part) => isScalar(part) && (typeof part.value !== 'string' || part.value.length <= 24))
      const fields = isMap(node) ? node.items.length <= 5 : node.items.length <= 16
      if (short && fields) node.flow = true
    },
  })
  return document.toString({ lineWidth: 120, flowCollectionPadding: true })
}

/** A YAML file that was read: its value, what is wrong, and where a field of it stands. */
export interface YamlReading {
  value: unknown
  problems: Problem[]
  /** @param field from the file's top inwards; the nearest that is there */
  placeOf: (field: readonly string[]) => { line: number; column: number }
}

/** Reads a YAML 1.2 file (JSON is one): no anchors, no tags, nothing that is not in the text. */
export function readYaml(file: string, text: string): YamlReading {
  const counter = new LineCounter()
  const nothing = { value: undefined, placeOf: () => ({ line: 1, column: 1 }) }
  const said = (code: string, line: number, column: number, message: string): Problem => ({
    ...{ code, path: file, file, line, column, message },
  })
  if (isTooDeep(text))
    return { ...nothing, problems: [said('too-deep', 1, 1, `${file} is nested deeper than any dossier.`)] }
  try {
    const document = parseDocument(text, {
      lineCounter: counter,
      prettyErrors: false,
      schema: 'core',
      uniqueKeys: true,
      stringKeys: true,
    })
    const faults = [...document.errors, ...document.warnings].map(({ message, pos: [at] }) => {
      const { line, col } = counter.linePos(at)
      return said('not-yaml', line, col, `${message.replace(/\.?$/, '.')}`)
    })
    if (faults.length > 0) return { ...nothing, problems: faults.slice(0, 20) }
    const value: unknown = document.toJS({ maxAliasCount: 0 })
    return {
      value,
      problems: [],
      placeOf: (field) => {
        for (let length = field.length; length >= 0; length--) {
          const node = document.getIn(
            field.slice(0, length).map((name) => (/^\d+$/.test(name) ? Number(name) : name)),
            true,
          )
          if (!isNode(node) || !node.range) continue
          const { line, col } = counter.linePos(node.range[0])
          return { line, column: col }
        }
        return { line: 1, column: 1 }
      },
    }
  } catch (fault) {
    const alias = fault instanceof ReferenceError
    const message = alias ? 'Anchors and aliases are not read: write it out.' : `${file} cannot be read.`
    return { ...nothing, problems: [said('not-yaml', 1, 1, message)] }
  }
}

/** Whether brackets, dashes or indents go deeper than any of ours; asked before anything is parsed. */
function isTooDeep(text: string): boolean {
  let depth = 0
  for (const sign of text) {
    if (sign === '[' || sign === '{') depth++
    else if (sign === ']' || sign === '}') depth = Math.max(0, depth - 1)
    if (depth > deepest) return true
  }
  return text.split('\n').some((line) => line.search(/[^ \-?:]/) > 6 * deepest)
}
