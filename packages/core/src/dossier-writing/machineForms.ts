import { cells } from '../dossier-files/index.ts'
import { bodyForms, idFrom, type Machine } from '../dossiers/index.ts'
import { partsOf } from '../drawing/index.ts'
import { success, type Outcome } from '../shared/index.ts'
import { stepFields, stepRow } from './kitForms.ts'
import { readSort } from './sortWords.ts'
import { typed, withTyped, type Texts, type TypedField } from './typedField.ts'
import * as own from './writtenCells.ts'

/** What a machine is. */
export const machineHead: readonly TypedField[] = [
  typed('maker', 'Maker', cells.text),
  typed('model', 'Model', cells.text),
  typed('class', 'Class', cells.text, { hint: 'trail motorcycle, petrol hatchback, diesel pickup' }),
  typed('years', 'Years', cells.text, { hint: '2014 on' }),
  typed('source', 'Where this is from', cells.text, { hint: 'measured at the machine, sheet of the maker' }),
]

export const engineFields: readonly TypedField[] = [
  typed('cylinders', 'Cylinders', own.figure(''), { at: 'engine.cylinders' }),
  typed('cooling', 'Cooled by', cells.text, { at: 'engine.cooling', options: ['liquid', 'air'] }),
  typed('powerKw', 'Power on stock', own.figure('kW'), { at: 'engine.output.powerKw', unit: 'kW' }),
  typed('powerAt', 'Has it at', own.figure('1/min'), { at: 'engine.output.atRpm', unit: '1/min' }),
  typed('litres', 'Displacement', own.figure('l'), { at: 'engine.output.litres', unit: 'l' }),
  typed('railIdle', 'Rail at idle', own.figure('MPa'), { at: 'engine.output.railMPa.idle', unit: 'MPa' }),
  typed('railFull', 'Rail at full load', own.figure('MPa'), { at: 'engine.output.railMPa.full', unit: 'MPa' }),
  typed('relief', 'Its relief opens at', own.figure('MPa'), { at: 'engine.output.railMPa.relief', unit: 'MPa' }),
  typed('boost', 'Boost at full load', own.figure('kPa'), { at: 'engine.output.boostKPa', unit: 'kPa' }),
  typed('boostCode', 'Code from boost of', own.figure('kPa'), { at: 'engine.output.boostCodeKPa', unit: 'kPa' }),
  typed('pressureRatio', 'Compressor, most', own.figure(''), { at: 'engine.output.pressureRatio', hint: '3.2' }),
  typed('gearbox', 'The gearbox bears', own.figure('N·m'), { at: 'engine.output.gearboxNm', unit: 'N·m' }),
  typed('strokes', 'Strokes', own.figure(''), { at: 'engine.strokes', options: ['', '2', '4'] }),
  typed('fuel', 'Fuel', cells.text, { at: 'engine.fuel', hint: 'petrol' }),
  typed('stoich', 'Mixture at lambda 1', own.figure(''), { at: 'engine.stoichAfr', unit: 'to 1', hint: '14.6' }),
  typed('idle', 'Idle', own.figure('rpm'), { at: 'engine.idleRpm', unit: 'rpm' }),
  typed('limiter', 'Limiter', own.figure('rpm'), { at: 'engine.limiterRpm', unit: 'rpm' }),
]

export const powerFields: readonly TypedField[] = [
  typed('battery', 'Battery', own.figure('Ah'), { at: 'power.batteryAh', unit: 'Ah' }),
  typed('chemistry', 'Chemistry', cells.text, { at: 'power.chemistry', options: ['', 'lead', 'lithium'] }),
  typed('idleMa', 'Draws with the key off', own.figure('mA'), { at: 'power.idleMa', unit: 'mA' }),
  typed('sleep', 'Sleeps after', own.figure('min'), { at: 'power.sleepMinutes', unit: 'min' }),
  typed('prime', 'Draws as the key goes on', own.figure('A'), { at: 'power.primePeakA', unit: 'A' }),
  typed('charging', 'Charges from and to', own.figures, { at: 'power.chargingV', unit: 'V', hint: '13.8 14.4' }),
]

export const bodyFields: readonly TypedField[] = [
  typed('form', 'Drawn as a', cells.text, { at: 'body.form', options: ['', ...bodyForms] }),
  typed('length', 'Length', own.millimetres, { at: 'body.lengthM', unit: 'mm' }),
  typed('width', 'Width', own.millimetres, { at: 'body.widthM', unit: 'mm' }),
  typed('height', 'Height', own.millimetres, { at: 'body.heightM', unit: 'mm' }),
  typed('wheelbase', 'Wheelbase', own.millimetres, { at: 'body.wheelbaseM', unit: 'mm' }),
  typed('wheel', 'Wheel', own.millimetres, { at: 'body.wheelM', unit: 'mm' }),
]

export const mixtureFields: readonly TypedField[] = [
  typed('rpm', 'Engine speeds', own.figures, { at: 'target.rpm', unit: 'rpm', hint: '1500 3000 5000 7000' }),
  typed('load', 'Throttle', own.figures, { at: 'target.load', unit: '%', hint: '0 20 50 100' }),
  typed('afr', 'Mixture wanted, a line for each speed', own.table, {
    at: 'target.afr',
    lines: true,
    hint: '14.4 14.2 13.6 13',
  }),
]

export const filterFields: readonly TypedField[] = [
  typed('cold', 'Cold below', own.figure('°C'), { at: 'filters.coldBelowC', unit: '°C' }),
  typed('cranking', 'Cranking below', own.figure('rpm'), { at: 'filters.crankingBelowRpm', unit: 'rpm' }),
  typed('overrun', 'Overrun below', own.figure('%'), { at: 'filters.overrunThrottlePct', unit: '% throttle' }),
  typed('rate', 'Throttle moves too fast above', own.figure('%'), { at: 'filters.throttleRatePctPerS', unit: '%/s' }),
  typed('range', 'Mixture read from and to', own.figures, { at: 'filters.afrRange', hint: '9 20' }),
]

export const machineCautions: readonly TypedField[] = [
  typed('cautions', 'Cautions, one a line', own.sentences, { lines: true, emptyIs: [] }),
]

/** A plug's cavities, and what its device joins. */
export const faceFields: readonly TypedField[] = [
  typed('cavities', 'Cavities', cells.cavities, { hint: '6 in 2; blank 3; double 5' }),
  typed('contacts', 'Joins when it works, as a fuse or relay', cells.contacts, { hint: '30>87' }),
]

/** What of a circuit is typed. */
export const netFields: readonly TypedField[] = [
  typed('spareA', 'To spare, A', own.figure('A'), { hint: '2' }),
  typed('fuseA', 'Fuse, A', own.figure('A'), { hint: '15' }),
]

/** The machine with what a circuit is for, in words: `injector 2 lower`, `oxygen bank 2`. */
export function withSort(machine: Machine, net: string, words: string): Outcome<Machine> {
  const read = readSort(words)
  if (!read.ok) return read
  return success({
    ...machine,
    nets: machine.nets.map((one) => {
      if (one.id !== net) return one
      const { cylinder: _c, row: _r, track: _t, bank: _b, ...rest } = one
      return { ...rest, ...read.value }
    }),
  })
}

const zoneFields: readonly TypedField[] = [
  typed('name', 'Zone', cells.text, { hint: 'Under the tank' }),
  typed('conditions', 'It is', cells.idList, { hint: 'hot wet vibration', emptyIs: [] }),
  typed('air', 'Air, °C', own.figure('°C'), { at: 'airC', hint: '70' }),
]

/** Lists of a machine that are typed one row a thing by its fields alone. */
export const machineLists = ['zones', 'steps'] as const
export type MachineList = (typeof machineLists)[number]

export function machineListFields(list: MachineList): readonly TypedField[] {
  return list === 'zones' ? zoneFields : stepRow
}

export const machineListBegins: Record<MachineList, object> = {
  zones: { conditions: [] },
  steps: { station: 'take-in' },
}

/** The machine with a row as it is typed; new for `index` null. */
export function withMachineRow(
  machine: Machine,
  list: MachineList,
  index: number | null,
  texts: Texts,
): Outcome<Machine> {
  const items: readonly { id: string }[] = machine[list]
  const words = (texts['name'] ?? texts['text'] ?? list).split(' ').slice(0, 5).join(' ')
  const begin = {
    id: idFrom(
      words,
      [...items, ...(list === 'zones' ? (machine.spots ?? []) : [])].map(({ id }) => id),
    ),
    ...machineListBegins[list],
  }
  const fields = list === 'zones' ? zoneFields : [...stepRow, ...stepFields]
  return withTyped('machine', machine, [list, String(index ?? items.length)], fields, texts, begin)
}

/** What of the drawing may be put elsewhere. */
export function drawnPartFields(machine: Machine): readonly TypedField[] {
  return [
    typed('id', 'Part', cells.text, { options: ['', ...drawnPartIds(machine)] }),
    typed('dx', 'To the rear, mm', own.shift, { hint: '-40' }),
    typed('dy', 'To the right, mm', own.shift),
    typed('dz', 'Up, mm', own.shift),
    typed('size', 'Times as large', own.figure(''), { hint: '1.2' }),
    typed('gone', 'Not there', cells.flag, { flag: true }),
  ]
}

function drawnPartIds(machine: Machine): string[] {
  if (!machine.body) return []
  // What is taken out is no part any more, and may come back.
  const { parts = [], ...plain } = machine.body
  const all = partsOf({ ...machine, body: plain }).map(({ id }): string => id)
  return [...new Set([...all, ...parts.map(({ id }): string => id)])].sort()
}

/** The machine with a part of its drawing as typed; new for `index` null. */
export function withDrawnPart(machine: Machine, index: number | null, texts: Texts): Outcome<Machine> {
  const at = ['body', 'parts', String(index ?? machine.body?.parts?.length ?? 0)]
  return withTyped('machine', machine, at, drawnPartFields(machine), texts, {})
}

/** The machine with a part of its drawing as its class has it again. */
export function withoutDrawnPart(machine: Machine, index: number): Machine {
  if (!machine.body?.parts) return machine
  const { parts, ...body } = machine.body
  const left = parts.filter((_, i) => i !== index)
  return { ...machine, body: left.length > 0 ? { ...body, parts: left } : body }
}
