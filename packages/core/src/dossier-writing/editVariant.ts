import { composeVariant, idFrom, variantLists, type Machine, type Variant, type VariantId } from '../dossiers/index.ts'
import { sameValue } from '../shared/index.ts'

/** The machine as it is written on: itself, or with a variant composed in. An unknown variant is the machine itself. */
export function editedAs(machine: Machine, variant: VariantId | null): Machine {
  if (variant === null) return machine
  const composed = composeVariant(machine, variant)
  if (!composed.ok) return machine
  // What it was composed as is no part of what is written.
  const { asVariant: _composed, ...written } = composed.value
  return written
}

/**
 * The document after `next` was made of it as that variant: what of its lists is otherwise than the machine's goes into the variant, the
 * rest of the document into the machine.
 */
export function withEdited(machine: Machine, variant: VariantId | null, next: Machine): Machine {
  const known = machine.variants.find(({ id }) => id === variant)
  if (!known) return next
  const own = next.variants.find(({ id }) => id === variant) ?? known
  const lists = Object.fromEntries(variantLists.flatMap((list) => (machine[list] ? [[list, machine[list]]] : [])))
  const { connectors, nets, wires, studs, zones, steps } = machine
  const rest = { ...next, ...lists, connectors, nets, wires, studs, zones, steps }
  for (const list of variantLists) if (machine[list] === undefined) delete rest[list]
  return {
    ...rest,
    variants: next.variants.map((one) => (one.id === variant ? variantOf(machine, next, own) : one)),
  }
}

/** What makes a machine of another, under the name of a variant. */
function variantOf(base: Machine, next: Machine, { id, name, tells }: Pick<Variant, 'id' | 'name' | 'tells'>): Variant {
  const otherwise = <Item extends { id: string }>(before: readonly Item[] = [], now: readonly Item[] = []): Item[] => {
    const known = new Map(before.map((item) => [item.id, item]))
    return now.filter((item) => !sameValue(known.get(item.id), item))
  }
  const remove = variantLists.flatMap((list) => {
    const before: readonly { id: string }[] = base[list] ?? []
    const now = new Set<string>((next[list] ?? []).map((item) => item.id))
    return before.flatMap((item) => (now.has(item.id) ? [] : [{ list, id: item.id }]))
  })
  return {
    ...{ id, name, tells, remove },
    connectors: otherwise(base.connectors, next.connectors),
    nets: otherwise(base.nets, next.nets),
    wires: otherwise(base.wires, next.wires),
    studs: otherwise(base.studs, next.studs),
    zones: otherwise(base.zones, next.zones),
    steps: otherwise(base.steps, next.steps),
    covers: otherwise(base.covers, next.covers),
    places: otherwise(base.places, next.places),
    ways: otherwise(base.ways, next.ways),
    spots: otherwise(base.spots, next.spots),
    passages: otherwise(base.passages, next.passages),
  }
}

/** The machine with a variant that is like it so far. */
export function withVariant(machine: Machine, name: string, tells: string): { machine: Machine; variant: VariantId } {
  const variant = idFrom<VariantId>(
    name,
    machine.variants.map(({ id }) => id),
  )
  const made = variantOf(machine, machine, { id: variant, name, tells })
  return { machine: { ...machine, variants: [...machine.variants, made] }, variant }
}

/** How much a variant changes, by the lists it touches. */
export function variantChanges(variant: Variant): { list: string; count: number }[] {
  return variantLists.flatMap((list) => {
    const count = (variant[list]?.length ?? 0) + variant.remove.filter((item) => item.list === list).length
    return count > 0 ? [{ list, count }] : []
  })
}
