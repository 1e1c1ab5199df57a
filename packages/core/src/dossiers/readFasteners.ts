import { failure, success, type Outcome, type Problem } from '../shared/index.ts'
import { driveKinds, fastenerKinds, type Fastener, type Minutes } from './accessModel.ts'
import { plural } from './fastenerWords.ts'

const perUnit: [RegExp, number][] = [
  [/^N\s?[·.*]?\s?m$/i, 1],
  [/^(lbf?[·.-]?\s?ft|ft[·.-]?\s?lbf?)$/i, 1.35582],
  [/^kgf?[·.]?\s?m$/i, 9.80665],
]
const torqueText = /(\d+(?:[.,]\d+)?)\s*(N\s?[·.*]?\s?m|lbf?[·.-]?\s?ft|ft[·.-]?\s?lbf?|kgf?[·.]?\s?m)\b/i

/**
 * What holds a cover, typed in one line: `4 screws M6x20 hex socket 5 9 N·m threadlock (long ones in front); 2 pegs`.
 * Torque in N·m, lbf·ft or kgf·m, kept in N·m. Empty text is no fastener.
 * @returns problems that say which part is not understood and how it is written
 */
export function readFasteners(text: string, path = 'fasteners'): Outcome<Fastener[]> {
  const parts = text
    .split(';')
    .map((part) => part.trim())
    .filter((part) => part !== '')
  const problems: Problem[] = []
  const fasteners = parts.flatMap((part): Fastener[] => {
    const read = readOne(part)
    if (typeof read !== 'string') return [read]
    problems.push({ code: 'fastener-unread', path, message: read })
    return []
  })
  return problems.length > 0 ? failure(...problems) : success(fasteners)
}

/** Words for drives and fasteners as people say them, in ours. */
const spoken: [RegExp, string][] = [
  [/\bstar\b(?! ?washer)/gi, 'six-lobe'],
  [/\bT(\d{1,2})\b/g, 'six-lobe $1'],
  [/\ballen\b|\bhex key\b/gi, 'hex socket'],
  [/\bphillips\b|\bcross-?head\b/gi, 'cross'],
  [/\bPH(\d)\b/g, 'cross $1'],
  [/\bhex(?:agon)?\b(?! (?:head|socket))/gi, 'hex head'],
  [/\bsix-lobe six-lobe\b/g, 'six-lobe'],
  [/\bcross cross\b/g, 'cross'],
  [/\bpush[ -]?pins?\b/gi, 'pegs'],
  [/\b(?:zip|cable)[ -]?ties?\b/gi, 'straps'],
  [/\bbolts?\b/gi, 'screws'],
]

function readOne(part: string): Fastener | string {
  let rest = spoken.reduce((text, [pattern, ours]) => text.replace(pattern, ours), part)
  const take = (pattern: RegExp): RegExpExecArray | null => {
    const found = pattern.exec(rest)
    if (found) rest = `${rest.slice(0, found.index)} ${rest.slice(found.index + found[0].length)}`.trim()
    return found
  }
  const note = take(/\(([^)]*)\)/)?.[1].trim()
  const count = take(/^(\d+)\s*[x×]?\s*(?=\D)/)?.[1]
  if (count === undefined || Number(count) < 1)
    return `"${part}": say how many first, as in "4 screws M6x20 hex socket 5".`
  const torque = take(torqueText)
  const thread = take(/\bM(\d+(?:\.\d+)?)(?:\s*[x×]\s*(\d+))?\b/i)
  const drive = take(new RegExp(`\\b(${driveKinds.join('|')})\\b\\s*(\\d+(?:\\.\\d+)?)?`, 'i'))
  const threadlock = take(/\bthread-?lock\b/i) !== null
  const bare = take(/\btorque\b\s*\d*|\b\d+(?:[.,]\d+)?\b/)
  if (bare) return `"${part}": a figure without a unit ("${bare[0].trim()}"). A torque is written as 9 N·m or 7 lbf·ft.`
  const word = rest.replaceAll(',', ' ').trim().toLowerCase()
  const kind =
    fastenerKinds.find((known) => word === known || word === plural(known)) ??
    (word === '' && thread ? 'screw' : undefined)
  if (!kind) return `"${part}": "${rest.trim()}" is none of ${fastenerKinds.join(', ')}.`
  return {
    count: Number(count),
    kind,
    ...(thread ? { threadMm: Number(thread[1]) } : {}),
    ...(thread?.[2] ? { lengthMm: Number(thread[2]) } : {}),
    ...(drive ? { drive: { kind: driveOf(drive[1]), ...(drive[2] ? { size: Number(drive[2]) } : {}) } } : {}),
    ...(torque ? { torqueNm: newtonMetres(torque[1], torque[2]) } : {}),
    ...(threadlock ? { threadlock } : {}),
    ...(note ? { note } : {}),
  }
}

function driveOf(word: string) {
  return driveKinds.find((kind) => kind === word.toLowerCase()) ?? 'hex socket'
}

function newtonMetres(figure: string, unit: string): number {
  const factor = perUnit.find(([pattern]) => pattern.test(unit))?.[1] ?? 1
  return Math.round(Number(figure.replace(',', '.')) * factor * 10) / 10
}

/**
 * Minutes typed as `8`, or best/likely/worst as `3/6/12`; one figure is enough.
 */
export function readMinutes(text: string, path = 'minutes'): Outcome<Minutes> {
  const say = (code: string, message: string) => failure<Minutes>({ code, path, message })
  const figures = text
    .trim()
    .split(/\s*\/\s*|\s+/)
    .map((part) => Number(part.replace(',', '.')))
  if (text.trim() === '' || figures.some((figure) => !Number.isFinite(figure)) || ![1, 3].includes(figures.length))
    return say('minutes-unread', `"${text}": type one figure of minutes, or three as best/likely/worst, like 3/6/12.`)
  if (figures.some((figure) => figure < 0)) return say('minutes-negative', `"${text}": minutes cannot be negative.`)
  const [best, likely, worst] = figures.length === 1 ? [figures[0], figures[0], figures[0]] : figures
  if (best > likely || likely > worst)
    return say('minutes-order', `"${text}": the first figure is the best time, the last the worst.`)
  return success({ best, likely, worst })
}
