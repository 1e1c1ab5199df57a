import { parseDossier, type Dossier } from '../dossiers/index.ts'
import { failure, success, type Outcome, type Problem } from '../shared/index.ts'
import { besides, photoFolder, variantFolder, type FolderFiles } from './folder.ts'
import { drawnParts, kitTables, knownTable, machineTables } from './tables.ts'
import { lengthened } from './shortForms.ts'
import { readTable, type Table } from './table.ts'
import { readYaml } from './yamlFile.ts'

/** As many problems as anybody reads at a time. */
const mostProblems = 100

type Place = { file: string; line?: number; column?: number }

/** Where a field of the document stands in the files. */
type Locate = (field: readonly string[]) => Place

/** What was read so far: fields of the document, what is wrong, and where each stands. */
class Reading {
  readonly document: Record<string, unknown> = {}
  readonly problems: Problem[] = []
  readonly known = new Set<string>()
  private readonly places = new Map<string, Locate>()

  constructor(private readonly files: FolderFiles) {}

  /** The names of all files. */
  all(): Iterable<string> {
    return this.files.keys()
  }

  /** The text of a file; a needed one that is not there is a problem. */
  text(file: string, needed: boolean): string | undefined {
    this.known.add(file)
    const text = this.files.get(file)
    if (text === undefined && needed)
      this.problems.push({ code: 'file-missing', path: file, file, message: `There is no ${file}.` })
    return text
  }

  yaml(file: string, needed = true): { value: unknown; locate: Locate } | null {
    const text = this.text(file, needed)
    if (text === undefined) return null
    const { value, problems, placeOf } = readYaml(file, text)
    this.problems.push(...problems)
    if (problems.length > 0) return null
    const locate: Locate = (field) => ({ file, ...placeOf(field) })
    return { value: lengthened(value, locate, this.problems), locate }
  }

  /** A table's items, with where each stands; null where there is no such file. */
  table(table: Table, needed: boolean): { items: unknown[]; locate: Locate } | null {
    const text = this.text(table.file, needed)
    if (text === undefined) return null
    const { items, problems, placeOf } = readTable(table, text)
    this.problems.push(...problems)
    return {
      items,
      locate: ([row, ...field]) => ({ file: table.file, ...(row === undefined ? {} : placeOf(Number(row), field)) }),
    }
  }

  /** A field of the document, and where it stands. */
  set(name: string, value: unknown, locate: Locate): void {
    this.document[name] = value
    this.places.set(name, locate)
  }

  placeOf(path: string, head: string): Place {
    const [name = '', ...field] = path.split('.')
    return this.places.get(name)?.(field) ?? this.places.get('')?.([name, ...field]) ?? { file: head }
  }

  /** Fields that nothing of its own says, by the file they stand in. */
  setRest(locate: Locate): void {
    this.places.set('', locate)
  }
}

/**
 * The document that a folder's files make.
 * @param files by their names within the folder; texts
 * @returns problems with file, line and column: first those of the files, or else those of the document they make
 */
export function readFolder(files: FolderFiles): Outcome<Dossier> {
  const kind = files.has('machine.yaml') ? 'machine' : files.has('kit.yaml') ? 'kit' : null
  if (!kind)
    return failure({
      code: 'no-dossier',
      path: '',
      message: 'A dossier has a machine.yaml or a kit.yaml. Neither is here: is this the folder itself?',
    })
  const reading = new Reading(files)
  const head = `${kind}.yaml`
  readHead(reading, head, kind)
  if (kind === 'machine') readMachine(reading)
  else readKit(reading)
  for (const name of files.keys())
    if (!reading.known.has(name) && !besides.has(name) && !name.startsWith(photoFolder))
      reading.problems.push({
        code: 'unknown-file',
        path: name,
        file: name,
        message: `${name} is no file of a ${kind}. It has: ${[...reading.known].filter((known) => !known.includes('/')).join(', ')}.`,
      })
  if (reading.problems.length > 0) return failure(...reading.problems.slice(0, mostProblems))
  const parsed = parseDossier({ kind, ...reading.document })
  if (parsed.ok) return success(parsed.value)
  return failure(
    ...parsed.problems
      .slice(0, mostProblems)
      .map((problem) => ({ ...problem, ...reading.placeOf(problem.path, head) })),
  )
}

/** What there is once. */
function readHead(reading: Reading, head: string, kind: string): void {
  const read = reading.yaml(head)
  if (!read) return
  if (typeof read.value !== 'object' || read.value === null || Array.isArray(read.value)) {
    reading.problems.push({
      code: 'invalid-type',
      path: head,
      file: head,
      line: 1,
      message: `${head} holds names and their values.`,
    })
    return
  }
  const elsewhere: Record<string, string> = kind === 'machine' ? ownFilesOfMachine : ownFilesOfKit
  for (const [name, value] of Object.entries(read.value)) {
    const file = Object.hasOwn(elsewhere, name) ? elsewhere[name] : undefined
    const at = read.locate([name])
    if (file !== undefined)
      reading.problems.push({ code: 'elsewhere', path: name, ...at, message: `"${name}" stands in ${file}, not here.` })
    else if (name === 'kind' && value !== kind)
      reading.problems.push({
        code: 'unknown-kind',
        path: name,
        ...at,
        message: `${head} is that of a ${kind}; it says it is ${JSON.stringify(value)}.`,
      })
    else reading.set(name, value, (field) => read.locate([name, ...field]))
  }
  reading.setRest(read.locate)
}

const ownFilesOfMachine: Record<string, string> = {
  ...Object.fromEntries(Object.entries(machineTables).map(([list, { file }]) => [list, file])),
  steps: 'steps.yaml',
  known: knownTable.file,
}
const ownFilesOfKit: Record<string, string> = {
  ends: 'loom.yaml',
  parts: kitTables.parts.file,
  settings: 'settings.yaml',
  steps: 'steps.yaml',
  known: knownTable.file,
}

/** Lists a machine may do without altogether. */
const optionalLists: ReadonlySet<string> = new Set(['covers', 'places', 'ways', 'spots', 'passages'])

function readMachine(reading: Reading): void {
  for (const [list, table] of Object.entries(machineTables)) {
    const read = reading.table(table, !optionalLists.has(list))
    if (read) reading.set(list, read.items, read.locate)
  }
  readSteps(reading)
  readKnown(reading)
  const parts = reading.table(drawnParts, false)
  const { body } = reading.document
  if (parts && typeof body === 'object' && body !== null) {
    const inHead = (field: readonly string[]) => reading.placeOf(['', 'body', ...field].join('.'), 'machine.yaml')
    reading.set('body', { ...body, parts: parts.items }, ([name, ...field]) =>
      name === 'parts' ? parts.locate(field) : inHead([...(name === undefined ? [] : [name]), ...field]),
    )
  } else if (parts)
    reading.problems.push({
      code: 'no-body',
      path: drawnParts.file,
      file: drawnParts.file,
      message: `${drawnParts.file} changes a drawing that there is none of: machine.yaml has no body.`,
    })
  readVariants(reading)
}

/** Variants in the order machine.yaml names them; those it does not name come after, by their names. */
function readVariants(reading: Reading): void {
  const named: unknown = reading.document['variants'] ?? []
  const files = [...reading.all()].filter((name) => name.startsWith(variantFolder) && name.endsWith('.yaml'))
  if (!Array.isArray(named) || !named.every((name) => typeof name === 'string')) {
    reading.problems.push({
      ...{ code: 'invalid-type', path: 'variants', message: '"variants" lists the ids of variants; each has a file.' },
      ...reading.placeOf('variants', 'machine.yaml'),
    })
    return
  }
  const ordered = [...new Set([...named.map((name) => `${variantFolder}${name}.yaml`), ...files.sort()])]
  const read = ordered.map((file) => reading.yaml(file))
  reading.set(
    'variants',
    read.map((one) => one?.value),
    ([i, ...field]) => read[Number(i)]?.locate(field) ?? { file: ordered[Number(i)] ?? 'machine.yaml' },
  )
}

function readSteps(reading: Reading): void {
  const steps = reading.yaml('steps.yaml')
  if (steps) reading.set('steps', steps.value, steps.locate)
}

function readKnown(reading: Reading): void {
  const known = reading.table(knownTable, false)
  if (known) reading.set('known', known.items, known.locate)
}

function readKit(reading: Reading): void {
  const ends = reading.yaml('loom.yaml')
  if (ends) reading.set('ends', ends.value, ends.locate)
  const parts = reading.table(kitTables.parts, true)
  if (parts) reading.set('parts', parts.items, parts.locate)
  const settings = reading.yaml('settings.yaml')
  if (settings) reading.set('settings', settings.value, settings.locate)
  readSteps(reading)
  readKnown(reading)
}
