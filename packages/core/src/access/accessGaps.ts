import { machineIndex, toolOf, type Machine, type ConnectorId, type CoverId, type StudId } from '../dossiers/index.ts'
import { findTarget, waysTo } from './compileAccess.ts'

/** Something the access part of a dossier does not say yet. */
export interface AccessGap {
  at: { connector?: ConnectorId; stud?: StudId; place?: string; cover?: CoverId }
  path: string
  says: string
  remedy: string
}

/** Plugs, studs and places nobody can reach by the dossier, and fasteners without a tool. */
export function accessGaps(machine: Machine): AccessGap[] {
  const { connectors, studs } = machineIndex(machine)
  const things = [
    ...[...connectors.keys()].map((id) => ({ list: 'connectors', kind: 'connector' as const, id })),
    ...[...studs.keys()].map((id) => ({ list: 'studs', kind: 'stud' as const, id })),
    ...(machine.places ?? []).map(({ id }) => ({ list: 'places', kind: 'place' as const, id })),
  ]
  const ways = things.flatMap(({ list, kind, id }, i): AccessGap[] => {
    const target = findTarget(machine, `${kind}:${id}`)
    if (!target || waysTo(machine, target).length > 0) return []
    return [
      {
        at: { [kind]: id },
        path: `${list}.${things.filter((thing, t) => thing.list === list && t < i).length}`,
        says: `How ${target.name} is reached is not written down.`,
        remedy: `Add a way to it, or one to its zone "${target.zone}".`,
      },
    ]
  })
  const tools = (machine.covers ?? []).flatMap((cover, i) =>
    cover.fasteners.flatMap((fastener, j): AccessGap[] =>
      fastener.threadMm === undefined || toolOf(fastener) !== undefined
        ? []
        : [
            {
              at: { cover: cover.id },
              path: `covers.${i}.fasteners.${j}.drive`,
              says: `What turns the M${fastener.threadMm} of ${cover.name} is not written down.`,
              remedy: 'Add its drive, as in "hex socket 5", so that the tool is laid out.',
            },
          ],
    ),
  )
  return [...ways, ...tools]
}
