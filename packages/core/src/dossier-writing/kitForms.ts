import { cells } from '../dossier-files/index.ts'
import {
  colourNames,
  keys,
  lampStates,
  outlines,
  placeUses,
  pairStands,
  readingFaults,
  settingRoles,
  socketStyles,
  stations,
  stepMarks,
  stepProofs,
  tapMethods,
  type Kit,
  type KitEnd,
} from '../dossiers/index.ts'
import { typed, type TypedField } from './typedField.ts'
import * as own from './writtenCells.ts'

const yes = { flag: true }

/** What there is once of a kit. */
export const kitHead: readonly TypedField[] = [
  typed('maker', 'Maker', cells.text),
  typed('model', 'Model', cells.text),
  typed('system', 'What it is', cells.text, { hint: 'pulse piggyback, four injectors' }),
  typed('source', 'Where this is from', cells.text, { hint: 'measured on the bench, sheet of the maker' }),
]

export const moduleFields: readonly TypedField[] = [
  typed('name', 'Module', cells.text, { at: 'module.name' }),
  typed('size', 'Length, width, height', own.figures, { at: 'module.sizeMm', unit: 'mm', hint: '112 78 30' }),
  typed('supply', 'Draws', own.figure('A'), { at: 'module.supplyA', unit: 'A' }),
  typed('idle', 'With the engine off', own.figure('mA'), { at: 'module.idleMa', unit: 'mA' }),
  typed('maxC', 'Warmest place', own.figure('°C'), { at: 'module.maxC', unit: '°C' }),
  typed('trunk', 'Trunk', own.millimetres, { at: 'trunkM', unit: 'mm' }),
  typed('terminators', 'Bus terminators', own.figure(''), { unit: '' }),
  typed('repeatable', 'Several at once on a machine', cells.flag, yes),
  typed('sleeps', 'Sleeps by itself', cells.flag, { at: 'module.sleeps', ...yes }),
  typed('sealed', 'Closed against water', cells.flag, { at: 'module.sealed', ...yes }),
  typed('shakeproof', 'Made to be shaken', cells.flag, { at: 'module.shakeproof', ...yes }),
  typed('seen', 'Seen and reached while driving', cells.flag, { at: 'module.seen', ...yes }),
]

export const trimFields: readonly TypedField[] = [
  typed('rpm', 'Engine speeds', own.figures, { at: 'trim.rpm', unit: 'rpm', hint: '2000 3500 5000 6500' }),
  typed('load', 'Throttle', own.figures, { at: 'trim.load', unit: '%', hint: '0 5 20 60 100' }),
  typed('bounds', 'From and to', own.figures, { at: 'trim.boundsPct', unit: '%', hint: '-20 25' }),
  typed('actsOn', 'Acts on', cells.text, { at: 'trim.actsOn', options: ['', 'fuel', 'pulse width'] }),
  typed('gain', 'Of what is measured it takes', own.figure(''), { at: 'trim.gain', hint: '0.7' }),
  typed('maxStep', 'Largest step', own.figure('%'), { at: 'trim.maxStepPct', unit: '%', hint: '5' }),
  typed('fullLoad', 'Full load from', own.figure('%'), { at: 'trim.fullLoadPct', unit: '%', hint: '80' }),
]

export const lastWords: readonly TypedField[] = [
  typed('cautions', 'Cautions, one a line', own.sentences, { lines: true, emptyIs: [] }),
  typed('returnToStock', 'Back to stock, one step a line', own.sentences, { lines: true, emptyIs: [] }),
]

export const partFields: readonly TypedField[] = [
  typed('name', 'Part', cells.text, { hint: 'Bus terminator' }),
  typed('count', 'Count', own.figure(''), { hint: '1' }),
  typed('missing', 'Missing, it is a', cells.text, { options: ['stop', 'note'] }),
  typed('instead', 'What does as well', cells.text, { hint: 'any tie of the same width' }),
  typed('welded', 'Welded', cells.flag, yes),
]

export const settingFields: readonly TypedField[] = [
  typed('name', 'Setting', cells.text, { hint: 'Cylinders' }),
  typed('choices', 'Choices', cells.wordList, { hint: 'stock; A; B' }),
  typed('low', 'From', own.figure('')),
  typed('high', 'To', own.figure('')),
  typed('unit', 'Unit', cells.text, { emptyIs: '' }),
  typed('shipped', 'Ships on', cells.text, { hint: 'stock' }),
  typed('role', 'Is for', cells.text, { options: ['', ...settingRoles] }),
  typed('follows', 'Agrees with, of other kits', own.ofOtherKits('setting'), { hint: 'kit: setting' }),
  typed('captured', 'Captured', cells.flag, yes),
  typed('why', 'Why it matters', cells.text, { hint: 'the unit ships on stock, and people forget' }),
]

export const figureFields: readonly TypedField[] = [
  typed('column', 'Column or name', cells.text, { hint: 'RPM' }),
  typed('unit', 'Unit', cells.text, { hint: 'rpm', emptyIs: '' }),
  typed('answers', 'Answers the readings', cells.wordList, { hint: 'idle speed; idle speed before', emptyIs: [] }),
  typed('factor', 'Times', cells.number, { hint: '1' }),
  typed('offset', 'Plus', cells.number, { hint: '0' }),
]

export const tapFields: readonly TypedField[] = [
  typed('method', 'Joint', cells.text, { options: tapMethods }),
  typed('low', 'From, mm²', own.area, { at: 'lowMm2', hint: '0.3' }),
  typed('high', 'To, mm²', own.area, { at: 'highMm2', hint: '1' }),
  typed('barred', 'Not where it is', cells.wordList, { hint: 'wet; hot; vibration', emptyIs: [] }),
  typed('why', 'Because', cells.text, { hint: 'the pierced hole lets water in' }),
]

export const socketFields: readonly TypedField[] = [
  typed('name', 'Socket', cells.text, { hint: 'Dial socket, nearest the lamp' }),
  typed('style', 'Is a', cells.text, { options: [...socketStyles] }),
  typed('givesA', 'Gives other kits', own.figure('A'), { unit: 'A' }),
  typed('colour', 'Colour', cells.wireColour, { hint: 'blue' }),
]

export const lampFields: readonly TypedField[] = [
  typed('colour', 'Lamp', cells.text, { options: colourNames }),
  typed('state', 'Does', cells.text, { options: lampStates }),
  typed('rhythm', 'On, off, on, off, ms', own.figures, { at: 'rhythmMs', hint: '200 800', emptyIs: [] }),
  typed('means', 'Means', cells.text, { hint: 'no engine speed is seen' }),
  typed('next', 'Then', cells.text, { hint: 'look at the crank pair' }),
  typed('right', 'In order with', cells.wordList, { at: 'rightAt', hint: 'key on; running' }),
]

export const unitFields: readonly TypedField[] = [
  typed('part', 'Number on the unit', cells.text, { hint: 'CR-34-2' }),
  typed('machine', 'Made for', cells.text, { hint: 'id of the machine' }),
  typed('variant', 'Its variant', cells.text, { hint: 'all of them' }),
]

export const claimFields: readonly TypedField[] = [
  typed('machine', 'On', cells.text, { hint: 'id of the machine; any' }),
  typed('power', 'Power, kW more', own.figure('kW'), { at: 'powerKw' }),
  typed('torque', 'Torque, N·m more', own.figure('N·m'), { at: 'torqueNm' }),
  typed('at', 'At', cells.text, { options: ['wheel', 'engine'] }),
  typed('kind', 'As', cells.text, { options: ['peak', 'largest-gain'] }),
]

export const levelFields: readonly TypedField[] = [
  typed('level', 'Level', own.figure(''), { hint: '1' }),
  typed('name', 'Name', cells.text, { hint: 'Tow' }),
  typed('rail', 'Rail, MPa', own.figure('MPa'), { at: 'railMPa', hint: '4' }),
  typed('boost', 'Boost, kPa', own.figure('kPa'), { at: 'boostKPa' }),
  typed('fuel', 'Fuel, %', own.figure('%'), { at: 'fuelPct' }),
  typed('coolant', 'From coolant, °C', own.figure('°C'), { at: 'gate.coolantC', hint: '65' }),
  typed('rpm', 'From rpm', own.figure('rpm'), { at: 'gate.rpm', hint: '1400' }),
  typed('load', 'From load, 0 to 1', own.figure(''), { at: 'gate.load', hint: '0.3' }),
]

export function namingFields(kit: Kit): readonly TypedField[] {
  return [
    typed('kind', 'Told by', cells.text, { options: ['colour', 'length', 'interchangeable', 'strict order'] }),
    typed('ends', 'Ends', own.tags(kit), { hint: 'L1, L2', emptyIs: [] }),
    typed('says', 'Says', cells.text, { hint: 'pink is the lower row, the stripe counts the cylinders' }),
  ]
}

/** What of a step stands in its row. */
export const stepRow: readonly TypedField[] = [
  typed('station', 'Station', cells.text, { options: stations }),
  typed('text', 'What is done', cells.text, { hint: 'Set the module under the hump, lamp upwards' }),
  typed('minutes', 'Minutes', cells.minutes, { hint: '2/4/10' }),
]

/** And the rest of it. */
export const stepFields: readonly TypedField[] = [
  typed('why', 'Why', cells.text),
  typed('caution', 'Caution, beside the step', cells.text, { lines: true }),
  typed('needsPower', 'Battery has to be', cells.text, { at: 'needs.power', options: ['', 'on', 'off'] }),
  typed('unstarted', 'Only before the engine ran', cells.flag, { at: 'needs.unstarted', ...yes }),
  typed('power', 'Turns the battery', cells.text, { options: ['', 'on', 'off'] }),
  typed('engine', 'The engine', cells.text, { options: ['', 'runs', 'off'] }),
  typed('asks', 'What is written down', cells.text, { at: 'asks.words' }),
  typed('quantity', 'What is measured', cells.text, { at: 'reading.quantity' }),
  typed('unit', 'In', cells.text, { at: 'reading.unit' }),
  typed('low', 'From', own.figure(''), { at: 'reading.low' }),
  typed('high', 'To', own.figure(''), { at: 'reading.high' }),
  typed('off', 'Outside it is a', cells.text, { at: 'reading.off', options: ['', ...readingFaults] }),
  typed('wait', 'Then wait', own.figure('min'), { at: 'wait.minutes', unit: 'min' }),
  typed('waitWhy', 'Waiting for', cells.text, { at: 'wait.why', hint: 'until the adhesive carries' }),
  typed('marks', 'Settles', cells.text, { options: ['', ...stepMarks] }),
  typed('proof', 'Proves', cells.text, { options: ['', ...stepProofs] }),
]

const shellFields = (half: 'factoryHalf' | 'deviceHalf', of: string): TypedField[] => [
  typed(`${half}Family`, `${of}: shell`, cells.text, { at: `${half}.shell.family`, hint: 'sealed two-way' }),
  typed(`${half}Colour`, `${of}: colour`, cells.text, { at: `${half}.shell.colour`, options: ['', ...colourNames] }),
  typed(`${half}Outline`, `${of}: outline`, cells.text, { at: `${half}.shell.outline`, options: ['', ...outlines] }),
  typed(`${half}Key`, `${of}: key`, cells.text, { at: `${half}.shell.key`, options: ['', ...keys] }),
  typed(`${half}Gender`, `${of}: terminals`, cells.text, { at: `${half}.gender`, options: ['', 'female', 'male'] }),
]

/** Lines of an inline pair. */
export const lineFields: readonly TypedField[] = [
  typed('cavity', 'Cavity', own.figure(''), { hint: '1' }),
  typed('does', 'The module', cells.text, { options: ['pass', 'tap', 'interrupt'] }),
  typed('wants', 'Wire for', own.sort, { hint: 'injector 1' }),
  typed('colour', 'Colour', cells.wireColour, { hint: 'pk/bk' }),
  typed('area', 'mm²', own.area, { at: 'areaMm2', hint: '0.5' }),
]

const current = [
  typed('current', 'Draws', own.figure('A'), { at: 'currentA', unit: 'A' }),
  typed('cold', 'Draws cold', own.figure('A'), { at: 'coldA', unit: 'A' }),
]

const leadFields = [
  typed('wants', 'Wire for', own.sort),
  typed('colour', 'Colour', cells.wireColour),
  typed('area', 'Cross-section', own.area, { at: 'areaMm2', unit: 'mm²' }),
  ...current,
  typed('reference', 'Reference of something that measures', cells.flag, yes),
]

/** What is to be said of an end beyond its row, by its kind. */
export function endFields(kit: Kit, end: KitEnd): readonly TypedField[] {
  switch (end.type) {
    case 'inline-pair':
      return [
        typed('cavities', 'Cavities and rows', cells.cavities, { hint: '6 in 2' }),
        ...shellFields('factoryHalf', 'Factory side'),
        ...shellFields('deviceHalf', 'Device side'),
        typed('interchangeable', 'May change places within', cells.text, { hint: 'outer' }),
        typed('stands', 'On one plug with another kit it stands', cells.text, { options: ['', ...pairStands] }),
      ]
    case 'flying-lead':
      return [
        ...leadFields,
        typed('half', 'Takes a cut wire’s half at the', cells.text, { at: 'cut.half', options: ['', 'ecu', 'device'] }),
        typed('partner', 'Other half', own.tag(kit), { at: 'cut.partner', hint: 'tag of the other lead' }),
        typed('nearEcu', 'Joined at the control unit', cells.flag, yes),
        typed('intoSpare', 'A pin for an empty cavity', cells.flag, yes),
      ]
    case 'ring':
      return [
        ...leadFields,
        typed('hole', 'Hole', own.figure('mm'), { at: 'holeMm', unit: 'mm' }),
        typed('fuse', 'Fuse in it', own.figure('A'), { at: 'fuseA', unit: 'A' }),
      ]
    case 'port':
      return [
        typed('closedBy', 'Closed by a', cells.text, { options: ['terminator', 'cap'] }),
        typed('meets', 'Ports of other kits it is mated to', own.ofOtherKits('end'), { hint: 'kit: end; kit: end' }),
      ]
    case 'vent':
      return [typed('why', 'Why it stays open', cells.text)]
    case 'plug':
      return [
        typed('into', 'Goes into', own.socket(kit)),
        typed('enters', 'Its shape enters', own.sockets(kit), { hint: 'every socket, by semicolons' }),
        typed('telling', 'How the right one is known', cells.text),
        typed('far', 'On its other end', cells.text, { options: ['', ...placeUses.filter((use) => use !== 'module')] }),
        typed('colour', 'Colour', cells.wireColour),
      ]
  }
}
