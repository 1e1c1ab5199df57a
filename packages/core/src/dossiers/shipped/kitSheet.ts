import { gridCavities } from '../gridCavities.ts'
import { readShell, readSort, sheetColour } from './machineSheet.ts'
import { fields, linesOf, oneOf } from './sheetLines.ts'
import type { FlyingLead, KitEnd, PairLine, RingEnd } from './written.ts'

/**
 * Ends of a kit loom as they lie on the bench, one line each:
 * - `pair id | tag | name | break-out branch | shell | lines | options`; a line: `tap signal:role[:c1] colour area`
 * - `lead id | tag | name | break-out branch | colour area | signal role | options`
 * - `ring id | tag | name | break-out branch | colour area | signal role | hole | options`
 * - `port id | tag | name | break-out branch | terminator or cap`
 * - `vent id | tag | name | break-out branch | why it stays open`
 * - `plug id | tag | name | break-out branch | into [for dial, sensor or switch] | enters … | colour or - | telling`
 * @throws with the line that cannot be read
 */
export function readKitEnds(text: string): KitEnd[] {
  return linesOf(text).map((line): KitEnd => {
    const [type, rest] = [line.slice(0, line.indexOf(' ')), line.slice(line.indexOf(' ') + 1)]
    switch (type) {
      case 'pair':
        return readPair(rest)
      case 'lead':
        return readLead(rest)
      case 'ring':
        return readRing(rest)
      case 'port': {
        const [id, tag, name, reach, closure] = fields(rest, 5)
        return {
          type: 'port',
          ...base(id, tag, name, reach),
          closedBy: oneOf(['terminator', 'cap'] as const, closure, line),
        }
      }
      case 'vent': {
        const [id, tag, name, reach, why] = fields(rest, 5)
        return { type: 'vent', ...base(id, tag, name, reach), why }
      }
      case 'plug': {
        const [id, tag, name, reach, target, enters, colour, telling] = fields(rest, 8)
        const [into, far] = target.split(' for ')
        return {
          type: 'plug',
          ...base(id, tag, name, reach),
          into,
          ...(far ? { far: oneOf(['dial', 'sensor', 'switch'] as const, far, line) } : {}),
          enters: enters.split(/\s+/),
          ...(colour === '-' ? {} : { colour: sheetColour(colour, line) }),
          telling,
        }
      }
      default:
        throw new Error(`sheet: "${type}" is no kind of end in "${line}"`)
    }
  })
}

function base(id: string, tag: string, name: string, reach: string, needed = true) {
  const [breakOutM, branchM] = reach.split(/\s+/).map(Number)
  return { id, tag, name, breakOutM, branchM, needed }
}

/** The value after a word among comma-separated options, or undefined. */
function option(options: string, word: string): string | undefined {
  const found = options
    .split(',')
    .map((part) => part.trim())
    .find((part) => part === word || part.startsWith(`${word} `))
  return found?.slice(word.length).trim()
}

function readPair(line: string): KitEnd {
  const [id, tag, name, reach, shellText, cells, options] = fields(line, 7)
  const whole = option(options, 'face')?.match(/^(\d+) in (\d+)$/)
  const written = cells.split(';').map((cell) => cell.trim())
  const lines = written.flatMap((cell, i): PairLine[] => {
    if (cell === '-') return []
    const [, at, does, sort, colour, area] = /^(?:(\d+) )?(tap|pass|cut) (\S+) (\S+) ([\d.]+)$/.exec(cell) ?? []
    if (!does) throw new Error(`sheet: "${cell}" is no line of a pair in "${line}"`)
    return [
      {
        cavity: at ? Number(at) : i + 1,
        does: does === 'cut' ? 'interrupt' : does === 'tap' ? 'tap' : 'pass',
        wants: readSort(sort, line),
        colour: sheetColour(colour, line),
        areaMm2: Number(area),
      },
    ]
  })
  const rows = Number(option(options, 'rows') ?? 1)
  const cavities = whole ? gridCavities(Number(whole[1]), Number(whole[2])) : gridCavities(written.length, rows)
  if (!whole) written.forEach((cell, i) => cell === '-' && Object.assign(cavities[i], { blank: true }))
  const { shell } = readShell(shellText, cavities.filter((cavity) => !cavity.blank).length, line)
  const swap = option(options, 'swap')
  return {
    type: 'inline-pair',
    ...base(id, tag, name, reach, option(options, 'spare') === undefined),
    cavities,
    lines,
    factoryHalf: { shell, gender: 'male' },
    ...(option(options, 'one side') === undefined ? { deviceHalf: { shell, gender: 'female' as const } } : {}),
    ...(swap ? { interchangeable: swap } : {}),
  }
}

function wireOf(text: string, line: string) {
  const [colour, area] = text.split(/\s+/)
  return { colour: sheetColour(colour, line), areaMm2: Number(area) }
}

/** What the sheet says for each machine: machine and colour or stud. */
function sheets(options: string): { machine: string; says: string }[] {
  return options.split(',').flatMap((part) => {
    const [, machine, says] = /^sheet (\S+)=(\S+)$/.exec(part.trim()) ?? []
    return machine && says ? [{ machine, says }] : []
  })
}

function readLead(line: string): FlyingLead {
  const [id, tag, name, reach, wire, wants, options] = fields(line, 7)
  const draws = option(options, 'draws')
  const cold = option(options, 'cold')
  const cut = option(options, 'cut')?.split(' ')
  return {
    type: 'flying-lead',
    ...base(id, tag, name, reach, option(options, 'spare') === undefined),
    ...wireOf(wire, line),
    wants: readSort(wants, line),
    sheet: sheets(options).map(({ machine, says }) => ({ machine, colour: sheetColour(says, line) })),
    ...(draws ? { currentA: Number(draws) } : {}),
    ...(cold ? { coldA: Number(cold) } : {}),
    ...(option(options, 'reference') === undefined ? {} : { reference: true }),
    ...(cut ? { cut: { half: oneOf(['ecu', 'device'] as const, cut[0], line), partner: cut[1] } } : {}),
    ...(option(options, 'near ecu') === undefined ? {} : { nearEcu: true }),
    ...(option(options, 'pin') === undefined ? {} : { intoSpare: true }),
  }
}

function readRing(line: string): RingEnd {
  const [id, tag, name, reach, wire, wants, hole, options] = fields(line, 8)
  const draws = option(options, 'draws')
  const cold = option(options, 'cold')
  const fuse = option(options, 'fuse')
  return {
    type: 'ring',
    ...base(id, tag, name, reach, option(options, 'spare') === undefined),
    ...wireOf(wire, line),
    wants: readSort(wants, line),
    holeMm: Number(hole),
    sheet: sheets(options).map(({ machine, says }) => ({ machine, stud: says })),
    ...(draws ? { currentA: Number(draws) } : {}),
    ...(cold ? { coldA: Number(cold) } : {}),
    ...(fuse ? { fuseA: Number(fuse) } : {}),
    ...(option(options, 'reference') === undefined ? {} : { reference: true }),
  }
}
