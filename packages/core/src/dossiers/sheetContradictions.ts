import type { Problem } from '../shared/index.ts'
import type { MachineId } from './ids.ts'
import type { Kit } from './kitModel.ts'
import type { Machine } from './model.ts'

/** Machines that a kit's own sheet says something of. */
export function machinesOnSheet(kit: Kit): ReadonlySet<MachineId> {
  return new Set([
    ...kit.ends.flatMap((end) => (end.type === 'ring' ? end.sheet.map(({ machine }) => machine) : [])),
    ...(kit.places ?? []).map(({ machine }) => machine),
  ])
}

/**
 * What a kit's own sheet says of a machine that this machine has not, in none of its variants.
 * @param machine uncomposed
 */
export function sheetContradictions(kit: Kit, machine: Machine): Problem[] {
  const all = [machine, ...machine.variants]
  const studs = new Set(all.flatMap((one) => one.studs.map(({ id }) => id)))
  const places = new Set(all.flatMap((one) => (one.places ?? []).map(({ id }) => id)))
  return [
    ...kit.ends.flatMap((end, i): Problem[] =>
      end.type === 'ring'
        ? end.sheet.flatMap((entry, j) =>
            entry.machine === machine.id && !studs.has(entry.stud)
              ? [
                  {
                    code: 'unknown-stud',
                    path: `ends.${i}.sheet.${j}.stud`,
                    message: `The ${machine.model} has no stud "${entry.stud}".`,
                  },
                ]
              : [],
          )
        : [],
    ),
    ...(kit.places ?? []).flatMap((entry, i): Problem[] =>
      entry.machine === machine.id && !places.has(entry.place)
        ? [
            {
              code: 'unknown-place',
              path: `places.${i}.place`,
              message: `The ${machine.model} has no mount place "${entry.place}".`,
            },
          ]
        : [],
    ),
  ]
}
