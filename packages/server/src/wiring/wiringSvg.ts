import {
  wireAt,
  machineIndex,
  wireName,
  wireShort,
  type KitEnd,
  type WireColour,
  type ConnectorId,
} from '@tidy-badger/core/dossiers'
import type { JobDossiers, JobState } from '@tidy-badger/core/jobs'
import { connectionPlan, targetWords, type ConnectionTarget } from '@tidy-badger/core/wiring'
import { document, wirePath, words } from './svgParts.ts'

const lineHeight = 22

interface Row {
  end: KitEnd
  target: ConnectionTarget
  built: boolean
  lines: { colour: WireColour; says: string; factory?: WireColour; cut: boolean }[]
}

/** The wiring of a job as one drawing: module, trunk, every branch with its wires, and where each meets the machine. */
export function wiringSvg(dossiers: JobDossiers, state: JobState, title: string): string {
  const { machine, kit } = dossiers
  const plan = connectionPlan(dossiers, state)
  const rows = kit.ends.map((end): Row => {
    const made = state.connections.find((connection) => connection.kitEnd === end.id)
    const target = made?.to ?? plan.find((match) => match.kitEnd === end.id)?.target ?? { closed: 'cap' as const }
    return { end, target, built: made !== undefined, lines: linesOf(dossiers, end, target) }
  })
  const heights = rows.map((row) => Math.max(1, row.lines.length) * lineHeight + 34)
  const total = heights.reduce((sum, height) => sum + height, 0)
  const top = 76
  const middle = top + total / 2
  let y = top
  const parts = rows.flatMap((row, i) => {
    const from = y
    y += heights[i]
    return drawRow(dossiers, row, from, heights[i], middle)
  })
  return document(980, top + total + 30, `Wiring of ${title}`, [
    words(20, 30, title, ' font-size="20" font-weight="700"'),
    words(
      20,
      52,
      `${machine.maker} ${machine.model} with ${kit.maker} ${kit.model}. Solid: connected. Broken: as planned.`,
      ' fill="#5d6262"',
    ),
    `<rect x="20" y="${middle - 44}" width="120" height="88" rx="10" fill="#15181a"/>`,
    words(
      80,
      middle - 2,
      kit.model.split(',')[0],
      ' fill="#f4f4ef" text-anchor="middle" font-size="16" font-weight="700"',
    ),
    words(80, middle + 20, 'module', ' fill="#f4f4ef" text-anchor="middle"'),
    `<path d="M140 ${middle}h80" stroke="#4a4f52" stroke-width="22"/>`,
    ...parts,
  ])
}

function linesOf({ machine }: JobDossiers, end: KitEnd, target: ConnectionTarget): Row['lines'] {
  const { nets } = machineIndex(machine)
  const at = (connector: ConnectorId, cavity: number) => wireAt(machine, connector, cavity)
  if (end.type === 'inline-pair' && 'connector' in target)
    return end.lines.map((line) => {
      const wire = at(target.connector, line.cavity)
      const does = line.does === 'interrupt' ? 'through the module' : line.does === 'tap' ? 'read' : 'straight through'
      return {
        colour: line.colour,
        factory: wire?.colour,
        cut: line.does === 'interrupt',
        says: `${line.cavity}  ${wire ? `${wireShort(wire.colour)}, ${nets.get(wire.net)?.name ?? wire.net}` : 'empty'}: ${does}`,
      }
    })
  const colour = 'colour' in end && end.colour ? end.colour : { base: 'grey' as const }
  if (end.type === 'flying-lead' && 'cavity' in target) {
    const wire = at(target.connector, target.cavity)
    const says = wire ? `${wireName(wire.colour)}, ${nets.get(wire.net)?.name ?? wire.net}` : 'empty cavity'
    return [
      {
        colour,
        factory: wire?.colour,
        cut: end.cut !== undefined,
        says: end.cut ? `${says}, cut: half to the ${end.cut.half === 'ecu' ? 'ECU' : 'device'}` : says,
      },
    ]
  }
  return [{ colour, cut: false, says: '' }]
}

function drawRow({ machine, kit }: JobDossiers, row: Row, y: number, height: number, middle: number): string[] {
  const centre = y + height / 2
  const dash = row.built ? '' : ' stroke-dasharray="5 6"'
  return [
    `<path d="M220 ${middle}C290 ${middle} 270 ${centre} 330 ${centre}" fill="none" stroke="#4a4f52" stroke-width="7"${dash}/>`,
    `<rect x="330" y="${y + 5}" width="52" height="${height - 10}" rx="6" fill="#f4f4ef" stroke="#15181a" stroke-width="2"${dash}/>`,
    words(356, centre + 5, row.end.tag, ' text-anchor="middle" font-weight="700"'),
    ...row.lines.flatMap((line, i) => {
      const at = centre + 9 + (i - (row.lines.length - 1) / 2) * lineHeight
      return [
        wirePath(`M382 ${at}h70`, line.colour),
        ...(line.factory ? [wirePath(`M${line.cut ? 462 : 452} ${at}h60`, line.factory)] : []),
        ...(line.cut ? [`<path d="M455 ${at - 8}l4 16" stroke="#15181a" stroke-width="2"/>`] : []),
        words(530, at + 5, line.says),
      ]
    }),
    words(530, y + 20, `${row.end.name}: ${targetWords(machine, row.target, kit)}`, ' font-weight="700"'),
    `<path d="M330 ${y + height}h630" stroke="#d9d9d2"/>`,
  ]
}
