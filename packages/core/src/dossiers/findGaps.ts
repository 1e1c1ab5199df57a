import type { ConnectorId, StudId } from './ids.ts'
import type { Machine } from './model.ts'
import { machineIndex } from './machineIndex.ts'

/** What a half-finished machine document does not say yet. */
export interface DossierGap {
  at: { connector?: ConnectorId; cavity?: number; stud?: StudId }
  says: string
  remedy: string
}

/** Gaps of a document: circuits whose kind or purpose is unknown, plugs without a wire. Finished documents have none. */
export function machineGaps(machine: Machine): DossierGap[] {
  if (!machine.draft) return []
  const { placesOfNet, wiresOf } = machineIndex(machine)
  const nets = machine.nets.flatMap((net): DossierGap[] => {
    const places = placesOfNet.get(net.id) ?? []
    const [place] = places
    const at = place ? { connector: place.connector, cavity: place.cavity } : {}
    const alone = places.length === 1 && !machine.studs.some((stud) => stud.net === net.id)
    if (alone)
      return [
        {
          at,
          says: `Where ${net.name} goes from here is not written down.`,
          remedy: 'Enter the same circuit name at the plug of its other end.',
        },
      ]
    if (net.signal !== 'unknown' && net.role !== 'unknown') return []
    return [
      {
        at,
        says: `What ${net.name} carries is not known yet.`,
        remedy: 'Measure it and write it into the dossier; until then nothing checks a joint on it.',
      },
    ]
  })
  const plugs = machine.connectors.flatMap((connector): DossierGap[] =>
    wiresOf.has(connector.id)
      ? []
      : [
          {
            at: { connector: connector.id },
            says: `The wires of ${connector.name} are not written down.`,
            remedy: 'Count the cavities and enter their wires.',
          },
        ],
  )
  return [...nets, ...plugs]
}
