import { failure, success, type Outcome } from '../shared/index.ts'
import type { Machine } from './model.ts'

/**
 * The machine as one of its variants: removed items gone, items with a known id replaced, the others added at the end.
 * @param variantId undefined for the base machine
 */
export function composeVariant(machine: Machine, variantId: string | undefined): Outcome<Machine> {
  if (variantId === undefined) return success(machine)
  const known = composed.get(machine) ?? new Map<string, Outcome<Machine>>()
  composed.set(machine, known)
  const variant = known.get(variantId) ?? compose(machine, variantId)
  if (variant.ok) known.set(variantId, variant)
  return variant
}
/** So that all jobs on one variant work with one machine. */
const composed = new WeakMap<Machine, Map<string, Outcome<Machine>>>()

function compose(machine: Machine, variantId: string): Outcome<Machine> {
  const variant = machine.variants.find((candidate) => candidate.id === variantId)
  if (!variant)
    return failure({
      code: 'unknown-variant',
      path: 'variant',
      message: `${machine.model} has no variant "${variantId}". It has: ${machine.variants.map((known) => known.id).join(', ') || 'none'}.`,
    })
  for (const { list, id } of variant.remove)
    if (!machine[list]?.some((item) => item.id === id))
      return failure({
        code: 'nothing-to-remove',
        path: `variants.${variantId}.remove`,
        message: `Variant "${variantId}" removes "${id}" from ${list}, which is not there.`,
      })
  return success({
    ...machine,
    asVariant: variant.id,
    connectors: merged(machine.connectors, variant.connectors, removedFrom('connectors')),
    nets: merged(machine.nets, variant.nets, removedFrom('nets')),
    wires: merged(machine.wires, variant.wires, removedFrom('wires')),
    studs: merged(machine.studs, variant.studs, removedFrom('studs')),
    zones: merged(machine.zones, variant.zones, removedFrom('zones')),
    steps: merged(machine.steps, variant.steps, removedFrom('steps')),
    ...optional('covers'),
    ...optional('places'),
    ...optional('ways'),
    ...optional('spots'),
    ...optional('passages'),
  })

  function optional<L extends 'covers' | 'places' | 'ways' | 'spots' | 'passages'>(list: L): Pick<Machine, L> | object {
    const base: readonly { id: string }[] | undefined = machine[list]
    const change: readonly { id: string }[] | undefined = variant?.[list]
    return base || change ? { [list]: merged(base ?? [], change ?? [], removedFrom(list)) } : {}
  }

  function removedFrom(list: string): Set<string> {
    return new Set(variant?.remove.filter((item) => item.list === list).map((item) => item.id))
  }
}

function merged<T extends { id: string }>(base: readonly T[], change: readonly T[], removed: Set<string>): T[] {
  const changed = new Map(change.map((item) => [item.id, item]))
  const known = new Set(base.map((item) => item.id))
  return [
    ...base.filter((item) => !removed.has(item.id)).map((item) => changed.get(item.id) ?? item),
    ...change.filter((item) => !known.has(item.id)),
  ]
}
