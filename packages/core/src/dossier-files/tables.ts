import * as cell from './cells.ts'
import { column, listed, needed, type Table } from './table.ts'

const id = needed('id', cell.text)
const name = needed('name', cell.text)

/** Lists of a machine that stand in a table of their own. */
export const machineTables = {
  zones: {
    file: 'zones.csv',
    columns: [
      ...[id, name, listed('conditions', cell.idList)],
      ...[column('x', cell.number, 'at.x'), column('y', cell.number, 'at.y'), column('z', cell.number, 'at.z')],
      column('air_c', cell.number, 'airC'),
    ],
  },
  nets: {
    file: 'circuits.csv',
    columns: [
      ...[id, name, needed('signal', cell.text), needed('role', cell.text)],
      ...[column('cylinder', cell.number), column('row', cell.text), column('track', cell.number)],
      column('bank', cell.number),
      ...[
        column('spare_a', cell.number, 'spareA'),
        column('fuse_a', cell.number, 'fuseA'),
        column('electronic', cell.flag),
      ],
      column('high_voltage', cell.flag, 'highVoltage'),
      ...[column('source', cell.wireEnd), column('readings', cell.readings)],
    ],
  },
  connectors: {
    file: 'plugs.csv',
    columns: [
      ...[id, name, needed('device', cell.text), needed('zone', cell.text), needed('place', cell.text)],
      ...[needed('family', cell.text, 'shell.family'), needed('shell', cell.text, 'shell.colour')],
      ...[needed('outline', cell.text, 'shell.outline'), needed('key', cell.text, 'shell.key')],
      ...[needed('gender', cell.text), needed('cavities', cell.cavities)],
      ...[needed('lock', cell.text, 'lock.kind'), column('lock_colour', cell.text, 'lock.colour')],
      ...[needed('opens', cell.text, 'lock.opens'), column('up', cell.text)],
      ...[column('ecu', cell.flag), column('role', cell.text)],
      ...[column('ends_bus', cell.flag, 'endsBus'), column('mates', cell.text)],
      column('contacts', cell.contacts),
    ],
  },
  wires: {
    file: 'wires.csv',
    columns: [
      ...[id, needed('circuit', cell.text, 'net'), needed('from', cell.wireEnd), needed('to', cell.wireEnd)],
      ...[needed('colour', cell.wireColour), needed('mm2', cell.number, 'areaMm2')],
    ],
  },
  studs: {
    file: 'studs.csv',
    columns: [
      ...[id, name, needed('circuit', cell.text, 'net'), needed('zone', cell.text), needed('place', cell.text)],
      ...[needed('thread_mm', cell.number, 'threadMm'), column('role', cell.text)],
    ],
  },
  covers: {
    file: 'covers.csv',
    columns: [
      ...[id, name, column('x', cell.number, 'box.x'), column('y', cell.number, 'box.y')],
      ...[column('z', cell.number, 'box.z'), column('length', cell.number, 'box.length')],
      ...[column('width', cell.number, 'box.width'), column('height', cell.number, 'box.height')],
      ...[column('parts', cell.idList), listed('after', cell.idList)],
      ...[needed('off', cell.minutes), needed('on', cell.minutes), listed('fasteners', cell.fasteners)],
      ...[column('tools', cell.wordList), listed('saves', cell.wordList), column('helper', cell.flag)],
      ...[column('run', cell.flag), column('hot', cell.flag), column('opens_fuel', cell.flag, 'opensFuel')],
      ...[column('stuffed', cell.text), column('how', cell.text), column('caution', cell.text)],
    ],
  },
  places: {
    file: 'places.csv',
    columns: [
      ...[id, name, needed('zone', cell.text), needed('place', cell.text), column('use', cell.text)],
      ...[column('room_mm', cell.numbers, 'roomMm'), column('surface', cell.text)],
      ...[column('max_c', cell.number, 'maxC'), column('vibration', cell.text), column('wet', cell.flag)],
      ...[column('hidden', cell.flag), column('lamp_seen', cell.flag, 'lampSeen'), column('dash', cell.flag)],
    ],
  },
  ways: {
    file: 'ways.csv',
    columns: [
      ...[id, needed('to', cell.thing), needed('from', cell.text), listed('covers', cell.idList, 'needs')],
      ...[needed('minutes', cell.minutes), column('helper', cell.flag)],
      ...[column('note', cell.text), column('caution', cell.text)],
    ],
  },
  spots: {
    file: 'spots.csv',
    columns: [
      ...[id, name, needed('x', cell.number, 'at.x'), needed('y', cell.number, 'at.y')],
      ...[needed('z', cell.number, 'at.z'), listed('serves', cell.things)],
    ],
  },
  passages: {
    file: 'passages.csv',
    columns: [
      ...[id, name, needed('from', cell.text), needed('to', cell.text), column('length_m', cell.number, 'lengthM')],
      ...[listed('hazards', cell.hazards), column('free_mm2', cell.number, 'freeMm2')],
      ...[column('bulkhead', cell.text, 'bulkhead.kind'), column('bulkhead_minutes', cell.minutes, 'bulkhead.minutes')],
      ...[column('steering', cell.text), column('under', cell.idList), column('via', cell.points)],
    ],
  },
} satisfies Record<string, Table>

/** What of a machine's drawing is otherwise than its class has it. */
export const drawnParts: Table = {
  file: 'parts.csv',
  columns: [
    ...[id, column('dx', cell.number), column('dy', cell.number), column('dz', cell.number)],
    ...[column('size', cell.number), column('gone', cell.flag)],
  ],
}

/** How things are known, of a machine and a kit alike. */
export const knownTable: Table = {
  file: 'known.csv',
  columns: [
    ...[needed('of', cell.text), id, needed('how', cell.text)],
    ...[column('who', cell.text), column('on', cell.text), column('says', cell.text)],
  ],
}

/** Lists of a kit that stand in a table of their own. */
export const kitTables = {
  parts: {
    file: 'parts.csv',
    columns: [
      ...[id, name, needed('count', cell.number), needed('missing', cell.text)],
      ...[column('welded', cell.flag), column('instead', cell.text)],
    ],
  },
} satisfies Record<string, Table>
