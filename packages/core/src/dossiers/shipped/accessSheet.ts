import { bodyForms, wayFroms, type Body, type Minutes } from '../accessModel.ts'
import { readFasteners, readMinutes } from '../readFasteners.ts'
import { fields, linesOf, oneOf } from './sheetLines.ts'
import type { AccessWay, Cover, MountPlace, WayTarget } from './written.ts'

/** What must come off a machine, as it is written down in the yard. */
export interface AccessSheet {
  /** `form length width height wheelbase wheel`, m */
  body: string
  /** `id | x y z`: the middle of every zone, m */
  at: string
  /**
   * `id | name | x y z length width height | after | minutes off, on | fasteners | saves; … | options; …`
   * options: `helper`, `run`, `hot`, `fuel` (its line is opened), `stuff …` (put into openings), `tool …`, `how …`, `! caution`
   */
  covers: string
  /** `id | name | zone | place` */
  places: string
  /** `zone:…, plug:…, stud:… or place:… | from | needs | minutes | note, or ! caution` */
  ways: string
}

export interface AccessParts {
  body: Body
  at: Map<string, { x: number; y: number; z: number }>
  covers: Cover[]
  places: MountPlace[]
  ways: AccessWay[]
}

/** @throws with the line that cannot be read */
export function readAccessSheet(sheet: AccessSheet): AccessParts {
  const [form, ...sizes] = sheet.body
    .split('|')
    .flatMap((part, i) => (i === 0 ? [part.trim()] : part.trim().split(/\s+/)))
  const [lengthM, widthM, heightM, wheelbaseM, wheelM] = sizes.map(Number)
  return {
    body: { form: oneOf(bodyForms, form, sheet.body), lengthM, widthM, heightM, wheelbaseM, wheelM },
    at: new Map(
      linesOf(sheet.at).map((line) => {
        const [id, place] = fields(line, 2)
        const [x, y, z] = place.split(/\s+/).map(Number)
        return [id, { x, y, z }]
      }),
    ),
    covers: linesOf(sheet.covers).map(readCover),
    places: linesOf(sheet.places).map((line): MountPlace => {
      const [id, name, zone, place] = fields(line, 4)
      return { id, name, zone, place }
    }),
    ways: linesOf(sheet.ways).map(readWay),
  }
}

function words(text: string, separator: string): string[] {
  return text
    .split(separator)
    .map((part) => part.trim())
    .filter((part) => part !== '')
}

function minutesOf(text: string, line: string): Minutes {
  const read = readMinutes(text)
  if (!read.ok) throw new Error(`sheet: ${read.problems[0].message} In "${line}"`)
  return read.value
}

function readCover(line: string): Cover {
  const [id, name, block, after, times, fastenerText, saves, optionText] = fields(line, 8)
  const [x, y, z, length, width, height] = block.split(/\s+/).map(Number)
  const [off, on = off] = words(times, ',').map((text) => minutesOf(text, line))
  const fasteners = readFasteners(fastenerText)
  if (!fasteners.ok) throw new Error(`sheet: ${fasteners.problems[0].message} In "${line}"`)
  const cover: Cover = {
    id,
    name,
    box: { x, y, z, length, width, height },
    after: words(after, ' '),
    off,
    on,
    fasteners: fasteners.value,
    saves: words(saves, ';'),
  }
  const tools: string[] = []
  for (const option of words(optionText, ';')) {
    if (option === 'helper') cover.helper = true
    else if (option === 'run') cover.run = true
    else if (option === 'hot') cover.hot = true
    else if (option === 'fuel') cover.opensFuel = true
    else if (option.startsWith('stuff ')) cover.stuffed = option.slice(6)
    else if (option.startsWith('tool ')) tools.push(option.slice(5))
    else if (option.startsWith('how ')) cover.how = option.slice(4)
    else if (option.startsWith('! ')) cover.caution = option.slice(2)
    else throw new Error(`sheet: option "${option}" is not understood in "${line}"`)
  }
  if (tools.length > 0) cover.tools = tools
  return cover
}

function readWay(line: string): AccessWay {
  const [target, from, needs, times, note] = fields(line, 5)
  const [kind, id] = target.split(':')
  const targets: Record<string, WayTarget | undefined> = {
    zone: { zone: id },
    plug: { connector: id },
    stud: { stud: id },
    place: { place: id },
  }
  const to = targets[kind]
  if (!to || !id) throw new Error(`sheet: "${target}" is no place in "${line}"`)
  const helper = /^helper\b[.,; ]*/.exec(note)
  const text = note.slice(helper?.[0].length ?? 0)
  return {
    id: `${kind}-${id}-${from}`,
    to,
    from: oneOf(wayFroms, from, line),
    needs: words(needs, ' '),
    minutes: minutesOf(times, line),
    ...(helper ? { helper: true } : {}),
    ...(text.startsWith('! ') ? { caution: text.slice(2) } : text === '' ? {} : { note: text }),
  }
}
