import { inSentence, wireAt, wireName, wireShort, type Kit, type KitEnd, type Machine } from '../dossiers/index.ts'
import type { Candidate } from './matchCost.ts'
import { currentOf } from './judgePlace.ts'
import { pinCount } from './pins.ts'

/** Why an end goes there, in the order a person would say it. */
export function reasonsFor(machine: Machine, kit: Kit, end: KitEnd, candidate: Candidate): string[] {
  if (candidate.kind === 'stud' && end.type === 'ring') {
    const { stud, net } = candidate
    const named = end.sheet.some((sheet) => sheet.machine === machine.id && sheet.stud === stud.id)
    const what = net.signal === 'power-ground' ? 'power ground' : inSentence(net.name)
    return [
      ...(named ? ["the kit's sheet names it"] : []),
      `${what}, ${end.holeMm} mm eye over M${stud.threadMm}`,
      stud.place,
    ]
  }
  if (candidate.kind === 'cavity' && end.type === 'flying-lead') {
    const sheet = end.sheet.find((item) => item.machine === machine.id)
    const { wire, net } = candidate
    return [
      `carries ${inSentence(net.name)}`,
      sheet && wireShort(sheet.colour) === wireShort(wire.colour)
        ? `${wireName(wire.colour)}, as the sheet says`
        : wireName(wire.colour),
      `${wire.areaMm2} mm² wire`,
      ...(end.wants.signal === 'supply-switched' && currentOf(kit, end) > 0
        ? [
            net.spareA === undefined
              ? `takes ${currentOf(kit, end)} A; what the circuit can spare is not written down`
              : `${net.spareA} A to spare for its ${currentOf(kit, end)} A`,
          ]
        : []),
    ]
  }
  if (candidate.kind === 'spare')
    return ['an empty cavity the control unit reads', `for the ${candidate.role.replaceAll('-', ' ')}`]
  if (candidate.kind === 'connector' && end.type === 'inline-pair') {
    const { connector } = candidate
    const roles = end.lines.map((line) => line.wants.signal.replaceAll('-', ' '))
    const colours = end.lines.flatMap((line) => {
      const wire = wireAt(machine, connector.id, line.cavity)
      return wire && wireShort(wire.colour) === wireShort(line.colour) ? [wireShort(wire.colour)] : []
    })
    return [
      `same signals: ${[...new Set(roles)].join(', ')}`,
      `${connector.cavities.length}-way in both, ${pinCount(connector)} of them with terminals`.replace(
        `, ${connector.cavities.length} of them with terminals`,
        '',
      ),
      `${connector.shell.colour} ${connector.shell.outline} shell, key: ${connector.shell.key}`,
      ...(colours.length > 0 ? [`wire colours agree: ${[...new Set(colours)].join(', ')}`] : []),
    ]
  }
  return []
}

export function closureReason(end: KitEnd, kit: Kit): string[] {
  if (end.type === 'plug') return [end.telling]
  if (end.type === 'vent') return [end.why]
  if (end.type === 'port' && end.closedBy === 'terminator')
    return [
      kit.terminators === undefined
        ? 'The bus needs its terminator here.'
        : `The bus needs ${kit.terminators === 1 ? 'one terminator' : `${kit.terminators} terminators`} on this loom.`,
    ]
  return ['Keeps water out.']
}
