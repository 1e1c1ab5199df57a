import { wireName } from './colours.ts'
import type { Kit } from './kitModel.ts'
import type { Dossier } from './document.ts'
import type { Machine, Wire } from './model.ts'

export interface DossierChange {
  what: 'added' | 'taken out' | 'changed'
  /** One line a person reads. */
  says: string
}

/** What is different in a later version, in the order of the document. */
export function compareDossiers(before: Dossier, after: Dossier): DossierChange[] {
  const facts = factsOf(before, after)
  if (before.kind === 'machine' && after.kind === 'machine') return [...facts, ...machineChanges(before, after)]
  if (before.kind === 'kit' && after.kind === 'kit') return [...facts, ...kitChanges(before, after)]
  return facts
}

function factsOf(before: Dossier, after: Dossier): DossierChange[] {
  return (['maker', 'model', 'source'] as const).flatMap((field) =>
    before[field] === after[field]
      ? []
      : [{ what: 'changed' as const, says: `${field}: "${before[field]}" is now "${after[field]}"` }],
  )
}

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
    ...listed('Stud', before.studs, after.studs, (stud) => stud.name),
    ...listed('Cover', before.covers ?? [], after.covers ?? [], (cover) => cover.name),
    ...listed('Place', before.places ?? [], after.places ?? [], (place) => place.name),
    ...listed('Passage', before.passages ?? [], after.passages ?? [], (passage) => passage.name),
    ...counted('way', before.ways ?? [], after.ways ?? []),
    ...counted('point', before.spots ?? [], after.spots ?? []),
    ...listed('Step', before.steps, after.steps, (step) => step.text),
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

/** Things without a name of their own are counted. */
function counted(kind: string, before: readonly { id: string }[], after: readonly { id: string }[]): DossierChange[] {
  const changes = listed(kind, before, after, (item) => item.id).length
  return changes === 0 ? [] : [{ what: 'changed', says: `${changes} ${changes === 1 ? kind : `${kind}s`} changed` }]
}

function wireWords(machine: Machine, wire: Wire): string {
  const net = machine.nets.find((item) => item.id === wire.net)?.name ?? wire.net
  const place = [wire.from, wire.to].find((item) => 'connector' in item)
  return place && 'connector' in place
    ? `${net} at ${machine.connectors.find((item) => item.id === place.connector)?.name ?? place.connector}, cavity ${place.cavity}`
    : net
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
      if (!was) return [{ what: 'added', says: `${kind} added: ${name(item)}` }]
      if (JSON.stringify(was) === JSON.stringify(item)) return []
      const found = details(was, item)
      return [{ what: 'changed', says: `${kind} ${name(item)}: ${found.join('; ') || 'changed'}` }]
    }),
    ...before.flatMap((item): DossierChange[] =>
      kept.has(item.id) ? [] : [{ what: 'taken out', says: `${kind} taken out: ${name(item)}` }],
    ),
  ]
}
