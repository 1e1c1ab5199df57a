import { cells } from '../dossier-files/index.ts'
import {
  idFrom,
  type Kit,
  type KitEnd,
  type KitEndId,
  type KitId,
  type KitClaim,
  type KitLevel,
  type KitPart,
  type KitSetting,
  type Socket,
} from '../dossiers/index.ts'
import { failure, success, type Outcome } from '../shared/index.ts'
import { endFor, sortOfEnd, usualEnd } from './ends.ts'
import * as forms from './kitForms.ts'
import { readSort, sortText } from './sortWords.ts'
import { textsOf, typed, withTyped, type Texts, type TypedField } from './typedField.ts'
import * as own from './writtenCells.ts'

/** Lists of a kit that are typed one row a thing, beside its ends. */
export const kitLists = [
  'parts',
  'settings',
  'taps',
  'sockets',
  'naming',
  'lamps',
  'levels',
  'claims',
  'units',
  'figures',
  'steps',
] as const
export type KitList = (typeof kitLists)[number]

/** Fields of such a row. */
export function kitListFields(kit: Kit, list: KitList): readonly TypedField[] {
  if (list === 'naming') return forms.namingFields(kit)
  if (list === 'steps') return forms.stepRow
  return listFields[list]
}

const listFields = {
  parts: forms.partFields,
  settings: forms.settingFields,
  taps: forms.tapFields,
  sockets: forms.socketFields,
  lamps: forms.lampFields,
  levels: forms.levelFields,
  claims: forms.claimFields,
  units: forms.unitFields,
  figures: forms.figureFields,
}

/** What a new row begins with. */
export const kitListBegins: Record<KitList, object> = {
  parts: { count: 1, missing: 'stop' } satisfies Partial<KitPart>,
  settings: { unit: '' } satisfies Partial<KitSetting>,
  taps: { method: 'crimp and sealed sleeve', barred: [] },
  sockets: { style: 'socket' } satisfies Partial<Socket>,
  naming: { kind: 'colour', ends: [] },
  figures: { unit: '', answers: [] },
  lamps: { colour: 'green', state: 'steady', rhythmMs: [] },
  levels: { gate: { coolantC: 65, rpm: 1400, load: 0.3 } } satisfies Partial<KitLevel>,
  claims: { at: 'engine', kind: 'peak' } satisfies Partial<KitClaim>,
  units: {},
  steps: { station: 'lay-loom' },
}

/** Lists whose things have an id, made of this field when they are new. */
const named: Partial<Record<KitList, string>> = {
  parts: 'name',
  settings: 'name',
  sockets: 'name',
  naming: 'kind',
  lamps: 'means',
  steps: 'text',
}

/** The kit with a row as it is typed; a new one for `index` null. Fields that are not among the texts stay. */
export function withKitRow(kit: Kit, list: KitList, index: number | null, texts: Texts): Outcome<Kit> {
  const fields = list === 'steps' ? [...forms.stepRow, ...forms.stepFields] : kitListFields(kit, list)
  const items: readonly object[] = kit[list] ?? []
  const from = named[list]
  const taken = [...kit.ends, ...(kit[list] ?? [])].flatMap((item) => ('id' in item ? [item.id] : []))
  const begin = {
    ...(from === undefined ? {} : { id: idFrom((texts[from] ?? list).split(' ').slice(0, 5).join(' '), taken) }),
    ...kitListBegins[list],
  }
  return withTyped('kit', kit, [list, String(index ?? items.length)], fields, texts, begin)
}

/** Kinds of ends in the words they are picked by. */
const kindWords: readonly (readonly [string, KitEnd['type']])[] = [
  ['pair', 'inline-pair'],
  ['lead', 'flying-lead'],
  ['ring', 'ring'],
  ['plug', 'plug'],
  ['port', 'port'],
  ['vent', 'vent'],
]

const baseFields: readonly TypedField[] = [
  typed('tag', 'Tag', cells.text, { hint: 'L1' }),
  typed('name', 'End', cells.text, { hint: 'Injector pair 1' }),
  typed('breakOut', 'Leaves at, mm', own.millimetres, { at: 'breakOutM', hint: '850' }),
  typed('branch', 'Branch, mm', own.millimetres, { at: 'branchM', hint: '300' }),
  typed('needed', 'Needed', cells.flag, { flag: true, emptyIs: false }),
]

/** Fields of an end's row: what every end has, its kind, and what it is there for. */
export const endRowFields: readonly TypedField[] = [
  baseFields[0],
  baseFields[1],
  typed('kind', 'Is a', cells.text, { options: kindWords.map(([word]) => word) }),
  typed('wants', 'For', own.sort, { hint: 'injector 1' }),
  ...baseFields.slice(2),
]

/** An end as its row is typed. */
export function endRow(end: KitEnd): Texts {
  const sort = sortOfEnd(end)
  return {
    ...textsOf(end, baseFields),
    kind: kindWords.find(([, type]) => type === end.type)?.[0] ?? '',
    wants: sort ? sortText(sort) : '',
  }
}

/** What a new end's row begins with: it leaves at the trunk's end. */
export function emptyEndRow(kit: Kit): Texts {
  return {
    ...{ tag: '', name: '', kind: 'pair', wants: '', branch: '300', needed: 'yes' },
    breakOut: own.millimetres.write(kit.trunkM),
  }
}

/** The kit with an end as its row is typed; new for `id` null. Another kind makes it anew, with its name and place. */
export function withEnd(kit: Kit, id: KitEndId | null, texts: Texts): Outcome<Kit> {
  const index = id === null ? kit.ends.length : kit.ends.findIndex((end) => end.id === id)
  const known: KitEnd | undefined = kit.ends[index]
  const type = kindWords.find(([word]) => word === texts['kind'])?.[1] ?? known?.type ?? 'inline-pair'
  const wanted = texts['wants']?.trim() ?? ''
  const carries = type === 'inline-pair' || type === 'flying-lead' || type === 'ring'
  const sort = carries && wanted !== '' ? readSort(wanted) : success(null)
  if (!sort.ok) return failure(...sort.problems.map((problem) => ({ ...problem, path: 'wants' })))
  if (carries && !known && sort.value === null)
    return failure({
      code: 'unreadable',
      path: 'wants',
      message: 'Say what it is for: injector 1, throttle position, ground.',
    })
  const [first] = kit.sockets ?? []
  const begun = () => {
    const base = {
      id:
        known?.id ??
        idFrom<KitEndId>(
          texts['name'] || texts['tag'] || 'end',
          [...kit.ends, ...(kit.sockets ?? [])].map((item) => item.id),
        ),
      tag: known?.tag ?? texts['tag'] ?? '',
      name: known?.name ?? texts['name'] ?? '',
      breakOutM: known?.breakOutM ?? kit.trunkM,
      branchM: known?.branchM ?? 0.3,
      needed: known?.needed ?? true,
    }
    const made = usualEnd(type, sort.value, base)
    return made.type === 'plug' && first ? { ...made, into: first.id, enters: [first.id] } : made
  }
  const end = known?.type === type ? (sort.value ? endFor(known, sort.value) : known) : begun()
  const ends = [...kit.ends]
  ends[index] = end
  return withTyped('kit', { ...kit, ends }, ['ends', String(index)], baseFields, texts)
}

/** The kit with more of an end said than its row holds. */
export function withEndFields(kit: Kit, id: KitEndId, texts: Texts): Outcome<Kit> {
  const index = kit.ends.findIndex((end) => end.id === id)
  const end = kit.ends[index]
  return withTyped('kit', kit, ['ends', String(index)], forms.endFields(kit, end), texts)
}

/** The kit with a line of an inline pair as it is typed; new for `line` null. */
export function withLine(kit: Kit, id: KitEndId, line: number | null, texts: Texts): Outcome<Kit> {
  const index = kit.ends.findIndex((end) => end.id === id)
  const end = kit.ends[index]
  const count = end.type === 'inline-pair' ? end.lines.length : 0
  const at = ['ends', String(index), 'lines', String(line ?? count)]
  return withTyped('kit', kit, at, forms.lineFields, texts, { does: 'pass', areaMm2: 0.5 })
}

/** The kit without a line of a pair; the last one stays. */
export function withoutLine(kit: Kit, id: KitEndId, line: number): Kit {
  return {
    ...kit,
    ends: kit.ends.map((end) =>
      end.id === id && end.type === 'inline-pair' && end.lines.length > 1
        ? { ...end, lines: end.lines.filter((_, i) => i !== line) }
        : end,
    ),
  }
}

/** The kit without an end, and without what was said of it elsewhere. */
export function withoutEnd(kit: Kit, id: KitEndId): Kit {
  const naming = kit.naming
    ?.map((rule) => ({ ...rule, ends: rule.ends.filter((end) => end !== id) }))
    .filter((rule) => rule.ends.length > 0)
  const ends = kit.ends
    .filter((end) => end.id !== id)
    .map((end): KitEnd => {
      if (end.type !== 'flying-lead' || end.cut?.partner !== id) return end
      const { cut: _gone, ...whole } = end
      return whole
    })
  return { ...kit, ends, ...(naming ? { naming } : {}) }
}

/** Steps lengths are moved by, m. */
const lengthStepM = 0.01
const longestM = 10

/** The kit with a length of an end moved, in whole centimetres: where it leaves the trunk, or how far its branch goes. */
export function withLength(kit: Kit, id: KitEndId, which: 'breakOutM' | 'branchM', metres: number): Kit {
  const most = which === 'breakOutM' ? kit.trunkM : longestM
  const value = Math.min(most, Math.max(0, Math.round(metres / lengthStepM) * lengthStepM))
  const ends = kit.ends.map((end) => (end.id === id ? { ...end, [which]: Math.round(value * 1000) / 1000 } : end))
  return { ...kit, ends }
}

/** A copy under another name, to be varied. */
export function cloneKit(kit: Kit, id: KitId, model: string): Kit {
  return {
    ...structuredClone(kit),
    ...{ id, model, version: 1, draft: true },
    source: `Varied from ${kit.maker} ${kit.model}, version ${kit.version}.`,
  }
}
