/** Fields of a machine's things that a fitter finds otherwise on the machine, by the columns of their tables, with what they are called. */
export const findFields = {
  connectors: {
    name: 'Called',
    place: 'Where it is',
    shell: 'Colour of the shell',
    outline: 'Outline',
    key: 'Key',
    cavities: 'Cavities',
    lock: 'Lock',
    lock_colour: 'Colour of the lock',
    opens: 'How it opens',
    up: 'Which way up',
  },
  wires: { colour: 'Colour', mm2: 'Size, mm²' },
  nets: { readings: 'What a meter shows', source: 'Comes from', spare_a: 'To spare, A' },
  studs: { place: 'Where it is', thread_mm: 'Thread, mm' },
  covers: {
    fasteners: 'Held by',
    off: 'Minutes off',
    on: 'Minutes on',
    tools: 'Tools',
    saves: 'To save',
    helper: 'Two people',
    how: 'How',
    caution: 'Caution',
  },
  ways: { covers: 'Behind', minutes: 'Minutes', note: 'Note', caution: 'Caution', helper: 'Two people' },
  places: { place: 'Where it is', room_mm: 'Room, mm', surface: 'Surface', max_c: 'Warmest, °C' },
  passages: { hazards: 'Dangers', length_m: 'Length, m', free_mm2: 'Free, mm²' },
  zones: { conditions: 'It is', air_c: 'Air, °C' },
} as const satisfies Record<string, Readonly<Record<string, string>>>
export type FindList = keyof typeof findFields

export const findLists = [
  'connectors',
  'wires',
  'nets',
  'studs',
  'covers',
  'ways',
  'places',
  'passages',
  'zones',
] as const satisfies readonly FindList[]

/** What a field of a list is called; undefined where it is none of them. */
export function findFieldName(of: FindList, field: string): string | undefined {
  return new Map(Object.entries(findFields[of])).get(field)
}
