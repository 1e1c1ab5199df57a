import { readMachineSheet, type MachineSheet, type SheetParts } from './machineSheet.ts'
import { fields, linesOf } from './sheetLines.ts'
import { stateRoles } from './stateRoles.ts'
import type { Connector, Machine, Net, Stud, Variant, Wire, Zone } from './written.ts'

/** Years or markets of a machine, written as what differs in the sheet. */
export interface VariantSheet {
  id: string
  name: string
  tells: string
  /** Lines that replace those with the same id, or are new. */
  nets?: string
  plugs?: string
  studs?: string
  zones?: string
  covers?: string
  places?: string
  ways?: string
  /** More passages. */
  passages?: string
  /** Ids of lines that are not there. */
  without?: string[]
}

type Facts = Omit<
  Machine,
  | 'kind'
  | 'version'
  | 'zones'
  | 'connectors'
  | 'nets'
  | 'wires'
  | 'studs'
  | 'variants'
  | 'covers'
  | 'places'
  | 'ways'
  | 'spots'
  | 'passages'
  | 'steering'
  | 'power'
  | 'body'
>

/** A whole machine document from its sheet; variants are worked out by comparing whole looms. */
export function machineDocument(facts: Facts, sheet: MachineSheet, variants: readonly VariantSheet[] = []): Machine {
  const read = (whole: MachineSheet) => stateRoles(readMachineSheet(whole), facts.batteries)
  const base = read(sheet)
  return {
    kind: 'machine',
    version: 3,
    ...facts,
    ...base,
    variants: variants.map((variant) => difference(base, variant, read(changed(sheet, variant)))),
  }
}

function changed(sheet: MachineSheet, variant: VariantSheet): MachineSheet {
  const without = new Set(variant.without)
  const merge = (text: string, more: string | undefined) => {
    const lines = new Map(linesOf(text).map((line) => [idOf(line), line]))
    for (const line of linesOf(more ?? '')) lines.set(idOf(line), line)
    return [...lines].flatMap(([id, line]) => (without.has(id) ? [] : [line])).join('\n')
  }
  return {
    zones: merge(sheet.zones, variant.zones),
    nets: merge(sheet.nets, variant.nets),
    plugs: merge(sheet.plugs, variant.plugs),
    studs: merge(sheet.studs, variant.studs),
    access: {
      ...sheet.access,
      covers: merge(sheet.access.covers, variant.covers),
      places: merge(sheet.access.places, variant.places),
      ways: waysOf(merge(sheet.access.ways, variant.ways), without),
    },
    // Passages have no ids of their own in a sheet, and two may join the same points: what a variant has is added.
    routes: { ...sheet.routes, passages: `${sheet.routes.passages}\n${variant.passages ?? ''}` },
  }
}

function idOf(line: string): string {
  const [head, from] = fields(line, line.split('|').length)
  if (head.includes(':')) return `${head} ${from}`
  return head.replace(/^\*([a-z]\s+)?/, '').trim()
}

function difference(base: SheetParts, variant: VariantSheet, whole: SheetParts): Variant {
  const lists = [
    'zones',
    'connectors',
    'nets',
    'wires',
    'studs',
    'covers',
    'places',
    'ways',
    'spots',
    'passages',
  ] as const
  const differing = <T extends { id: string }>(before: readonly T[], after: readonly T[]) => {
    const known = new Map(before.map((item) => [item.id, JSON.stringify(item)]))
    return after.filter((item) => known.get(item.id) !== JSON.stringify(item))
  }
  return {
    id: variant.id,
    name: variant.name,
    tells: variant.tells,
    remove: lists.flatMap((list) => {
      const kept = new Set<string>(whole[list].map((item) => item.id))
      return base[list].filter((item) => !kept.has(item.id)).map((item) => ({ list, id: item.id }))
    }),
    zones: differing<Zone>(base.zones, whole.zones),
    connectors: differing<Connector>(base.connectors, whole.connectors),
    nets: differing<Net>(base.nets, whole.nets),
    wires: differing<Wire>(base.wires, whole.wires),
    studs: differing<Stud>(base.studs, whole.studs),
    steps: [],
    covers: differing(base.covers, whole.covers),
    places: differing(base.places, whole.places),
    ways: differing(base.ways, whole.ways),
    spots: differing(base.spots, whole.spots),
    passages: differing(base.passages, whole.passages),
  }
}

/** Ways to what a variant does not have are not there either. */
function waysOf(text: string, without: ReadonlySet<string>): string {
  return linesOf(text)
    .filter((line) => !without.has(line.split('|')[0].trim().split(':')[1]))
    .join('\n')
}

/** Lines made for each of several cylinders or sides. */
export function eachOf<T>(items: readonly T[], line: (item: T, i: number) => string): string {
  return items.map(line).join('\n')
}
