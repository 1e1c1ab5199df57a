import type { Fastener, Minutes } from './accessModel.ts'

/** More than one of a kind. */
export function plural(kind: string): string {
  return /(sh|ch|s)$/.test(kind) ? `${kind}es` : `${kind}s`
}

/** The same in words, for people; what it says is read back by `readFasteners`. */
export function fastenerWords(fastener: Fastener): string {
  const { count, kind, threadMm, lengthMm, drive, torqueNm, threadlock, note } = fastener
  return [
    `${count} ${count === 1 ? kind : plural(kind)}`,
    threadMm === undefined ? '' : `M${threadMm}${lengthMm === undefined ? '' : `×${lengthMm}`}`,
    drive ? `${drive.kind}${drive.size === undefined ? '' : ` ${drive.size}`}` : '',
    torqueNm === undefined ? '' : `${torqueNm} N·m`,
    threadlock ? 'threadlock' : '',
    note ? `(${note})` : '',
  ]
    .filter((word) => word !== '')
    .join(' ')
}

/** The tool a fastener is turned with; undefined when it is opened by hand. */
export function toolOf(fastener: Fastener): string | undefined {
  const { drive, threadMm, kind } = fastener
  if (drive) return `${drive.kind}${drive.size === undefined ? '' : ` ${drive.size}`}`
  if (kind === 'clamp') return 'slot'
  if ((kind === 'nut' || kind === 'stud nut') && threadMm !== undefined) return `hex head ${acrossFlats(threadMm)}`
  return undefined
}

/** Width across flats of a hexagon, mm (ISO 4032 and 4017, as commonly fitted). */
export function acrossFlats(threadMm: number): number {
  const table: [number, number][] = [
    [4, 7],
    [5, 8],
    [6, 10],
    [8, 13],
    [10, 17],
    [12, 19],
    [14, 22],
    [16, 24],
  ]
  return table.find(([thread]) => threadMm <= thread)?.[1] ?? Math.round(threadMm * 1.5)
}

export function minutesText({ best, likely, worst }: Minutes): string {
  return best === likely && likely === worst ? String(likely) : `${best}/${likely}/${worst}`
}
