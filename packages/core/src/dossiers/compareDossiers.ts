import type { ConnectorId } from './ids.ts'
import { sameValue } from '../shared/index.ts'
import { wireName } from './colours.ts'
import { thingKey } from './howKnown.ts'
import { minutesText } from './fastenerWords.ts'
import type { Kit } from './kitModel.ts'
import type { Dossier } from './document.ts'
import type { Machine, Net, Wire } from './model.ts'

export interface DossierChange {
  what: 'added' | 'taken out' | 'changed'
  /** What kind of thing: "Plug", "Wire", "Cover"; "Figure" for what there is once. */
  of: string
  /** One line a person reads. */
  says: string
}

/** What is different in a later version, in the order of the document. */
export function compareDossiers(before: Dossier, after: Dossier): DossierChange[] {
  const facts = [...factsOf(before, after), ...knownChanges(before, after)]
  if (before.kind === 'machine' && after.kind === 'machine') {
    const { told, says } = newlyStated(before, after)
    return [...facts, ...says, ...machineChanges(told, after)]
  }
  if (before.kind === 'kit' && after.kind === 'kit') return [...facts, ...kitChanges(before, after)]
  return facts
}

function factsOf(before: Dossier, after: Dossier): DossierChange[] {
  return (['maker', 'model', 'source'] as const).flatMap((field) =>
    before[field] === after[field]
      ? []
      : [{ what: 'changed' as const, of: 'Figure', says: `${field}: "${before[field]}" is now "${after[field]}"` }],
  )
}

/** How things are known is counted: what it is said of is there as it was. */
function knownChanges(before: Dossier, after: Dossier): DossierChange[] {
  const was = new Map((before.known ?? []).map((known) => [thingKey(known), known]))
  const now = new Map((after.known ?? []).map((known) => [thingKey(known), known]))
  const count = [...new Set([...was.keys(), ...now.keys()])].filter(
    (key) => !sameValue(was.get(key), now.get(key)),
  ).length
  return count === 0
    ? []
    : [{ what: 'changed', of: 'Figure', says: `How ${many(count, 'thing')} ${count === 1 ? 'is' : 'are'} known` }]
}

/** What is only stated where nothing was said before is counted, not listed. @returns the version before as if it had stated it */
function newlyStated(before: Machine, after: Machine): { told: Machine; says: DossierChange[] } {
  const counts = { connectors: 0, studs: 0, nets: 0 }
  const adopt = <T extends { id: string }, K extends keyof T>(
    list: keyof typeof counts,
    items: readonly T[],
    next: readonly T[],
    fields: readonly K[],
  ): T[] => {
    const now = new Map(next.map((item) => [item.id, item]))
    return items.map((item) => {
      const later = now.get(item.id)
      const fresh = fields.filter((field) => later?.[field] !== undefined && item[field] === undefined)
      if (!later || fresh.length === 0) return item
      counts[list]++
      return { ...item, ...Object.fromEntries(fresh.map((field) => [field, later[field]])) }
    })
  }
  const told: Machine = {
    ...before,
    connectors: adopt('connectors', before.connectors, after.connectors, ['role', 'endsBus']),
    studs: adopt('studs', before.studs, after.studs, ['role']),
    nets: adopt('nets', before.nets, after.nets, ['source']),
  }
  const parts = [
    counts.connectors > 0 ? `what ${many(counts.connectors, 'plug')} sit on` : '',
    counts.studs > 0 ? `what ${many(counts.studs, 'stud')} are for` : '',
    counts.nets > 0 ? `where ${many(counts.nets, 'circuit')} come from` : '',
  ].filter((part) => part !== '')
  return {
    told,
    says: parts.length === 0 ? [] : [{ what: 'changed', of: 'Figure', says: `Stated now: ${parts.join(', ')}` }],
  }
}

const many = (count: number, word: string) => `${count} ${word}${count === 1 ? '' : 's'}`

function machineChanges(before: Machine, after: Machine): DossierChange[] {
  return [
    ...listed('Zone', before.zones, after.zones, (zone) => zone.name),
    ...listed(
      'Plug',
      before.connectors,
      after.connectors,
      (plug) => plug.name,
      (a, b) =>
        [
          a.cavities.length === b.cavities.length ? '' : `${a.cavities.length} cavities are now ${b.cavities.length}`,
          a.place === b.place ? '' : `place is now "${b.place}"`,
          a.shell.colour === b.shell.colour && a.shell.key === b.shell.key && a.shell.outline === b.shell.outline
            ? ''
            : `shell is now ${b.shell.colour}, ${b.shell.outline}, key ${b.shell.key}`,
          a.lock.kind === b.lock.kind ? '' : `lock is now ${b.lock.kind}`,
          a.up === b.up ? '' : `sits ${b.up ?? 'either way up'}`,
          a.role === b.role ? '' : `sits on: ${b.role ?? 'not said'}`,
          a.endsBus === b.endsBus ? '' : b.endsBus ? 'ends the bus' : 'does not end the bus any more',
        ].filter((part) => part !== ''),
    ),
    ...listed(
      'Circuit',
      before.nets,
      after.nets,
      (net) => net.name,
      (a, b) =>
        [
          a.signal === b.signal ? '' : `${a.signal} is now ${b.signal}`,
          a.role === b.role ? '' : `${a.role} is now ${b.role}`,
          sameValue(a.source, b.source) ? '' : `comes from ${sourceWords(after, b)}`,
          a.spareA === b.spareA ? '' : `${a.spareA ?? 0} A to spare are now ${b.spareA ?? 0}`,
        ].filter((part) => part !== ''),
    ),
    ...listed(
      'Wire',
      before.wires,
      after.wires,
      (wire) => wireWords(after, wire),
      (a, b) =>
        [
          wireName(a.colour) === wireName(b.colour) ? '' : `${wireName(a.colour)} is now ${wireName(b.colour)}`,
          a.areaMm2 === b.areaMm2 ? '' : `${a.areaMm2} mm² is now ${b.areaMm2} mm²`,
          a.net === b.net ? '' : `carried ${a.net}, carries ${b.net} now`,
        ].filter((part) => part !== ''),
    ),
    ...listed(
      'Stud',
      before.studs,
      after.studs,
      (stud) => stud.name,
      (a, b) => (a.role === b.role ? [] : [`is for: ${b.role ?? 'not said'}`]),
    ),
    ...listed('Cover', before.covers ?? [], after.covers ?? [], (cover) => cover.name),
    ...listed('Place', before.places ?? [], after.places ?? [], (place) => place.name),
    ...listed('Passage', before.passages ?? [], after.passages ?? [], (passage) => passage.name),
    ...counted('way', before.ways ?? [], after.ways ?? []),
    ...counted('point', before.spots ?? [], after.spots ?? []),
    ...listed('Step', before.steps, after.steps, (step) => step.text),
    ...counted('photo', photosAs(before), photosAs(after)),
    ...listed('Variant', before.variants, after.variants, (variant) => variant.name),
  ]
}

function kitChanges(before: Kit, after: Kit): DossierChange[] {
  return [
    ...listed('End', before.ends, after.ends, (end) => `${end.tag}, ${end.name}`),
    ...listed('Part', before.parts, after.parts, (part) => part.name),
    ...listed('Setting', before.settings, after.settings, (setting) => setting.name),
    ...listed('Step', before.steps, after.steps, (step) => step.text),
    ...listed('Rule', before.naming ?? [], after.naming ?? [], (rule) => rule.says),
  ]
}

const photosAs = ({ photos = [] }: Machine) => photos.map(({ photo, ...rest }) => ({ id: photo, ...rest }))

/** Things without a name of their own are counted. */
function counted(kind: string, before: readonly { id: string }[], after: readonly { id: string }[]): DossierChange[] {
  const changes = listed(kind, before, after, (item) => item.id).length
  return changes === 0
    ? []
    : [
        {
          what: 'changed',
          of: kind === 'way' ? 'Way' : kind === 'photo' ? 'Photo' : 'Point',
          says: `${many(changes, kind)} changed`,
        },
      ]
}

function sourceWords(machine: Machine, { source }: Net): string {
  if (!source) return 'where its plugs say'
  if ('stud' in source) return machine.studs.find(({ id }) => id === source.stud)?.name ?? source.stud
  return cavityWords(machine, source)
}

function cavityWords(
  { connectors }: Machine,
  { connector, cavity }: { connector: ConnectorId; cavity: number },
): string {
  return `${connectors.find(({ id }) => id === connector)?.name ?? connector}, cavity ${cavity}`
}

function wireWords(machine: Machine, wire: Wire): string {
  const net = machine.nets.find((item) => item.id === wire.net)?.name ?? wire.net
  const place = [wire.from, wire.to].find((item) => 'connector' in item)
  return place && 'connector' in place ? `${net} at ${cavityWords(machine, place)}` : net
}

function listed<T extends { id: string }>(
  kind: string,
  before: readonly T[],
  after: readonly T[],
  name: (item: T) => string,
  details: (a: T, b: T) => string[] = () => [],
): DossierChange[] {
  const old = new Map(before.map((item) => [item.id, item]))
  const kept = new Set(after.map((item) => item.id))
  return [
    ...after.flatMap((item): DossierChange[] => {
      const was = old.get(item.id)
      if (!was) return [{ what: 'added', of: kind, says: `${kind} added: ${name(item)}` }]
      if (sameValue(was, item)) return []
      const found = details(was, item)
      const told = found.length > 0 ? found : fieldsChanged(was, item)
      return [{ what: 'changed', of: kind, says: `${kind} ${name(item)}: ${told.join('; ')}` }]
    }),
    ...before.flatMap((item): DossierChange[] =>
      kept.has(item.id) ? [] : [{ what: 'taken out', of: kind, says: `${kind} taken out: ${name(item)}` }],
    ),
  ]
}

/** Fields in words a person has for them; the others as the document calls them. */
const fieldWords: Readonly<Record<string, string>> = {
  off: 'minutes off',
  on: 'minutes on',
  after: 'what comes off before',
  saves: 'what is saved',
  areaMm2: 'mm²',
  lengthM: 'length, m',
  freeMm2: 'room, mm²',
  at: 'where it is',
  box: 'where it is',
  airC: 'air, °C',
  branchM: 'branch, m',
  breakOutM: 'break-out, m',
}

/** Which fields of an item are otherwise, and what they are now where that is short. */
function fieldsChanged(before: object, after: object): string[] {
  const was = new Map<string, unknown>(Object.entries(before))
  const now = new Map<string, unknown>(Object.entries(after))
  return [...new Set([...was.keys(), ...now.keys()])].flatMap((field) => {
    const [old, next] = [was.get(field), now.get(field)]
    if (sameValue(old, next)) return []
    const word = fieldWords[field] ?? field
    if (field === 'name') return [`was called "${String(old)}"`]
    const shown = shortValue(next)
    return [shown === null ? `${word} changed` : old === undefined ? `${word}: ${shown}` : `${word} is now ${shown}`]
  })
}

/** A value as it stands in a line; null for what is too long for it. */
function shortValue(value: unknown): string | null {
  if (value === undefined) return 'not said'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return String(value)
  if (typeof value === 'string') return value.length <= 60 ? `"${value}"` : null
  const { best, likely, worst }: { best?: unknown; likely?: unknown; worst?: unknown } = { ...Object(value) }
  return typeof best === 'number' && typeof likely === 'number' && typeof worst === 'number'
    ? minutesText({ best, likely, worst })
    : null
}
