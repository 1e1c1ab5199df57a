import { machineIndex, type Kit, type KitEnd, type Machine, type PlaceUse } from '../dossiers/index.ts'
import { failure, success, type Outcome, type Problem } from '../shared/index.ts'
import type { Match } from '../wiring/index.ts'
import { branchWires } from './bundles.ts'
import type { LoomEnd } from './model.ts'

/** What stays free at an end so that it can be pulled and mated again, m. */
const loopM: Record<KitEnd['type'], number> = {
  'inline-pair': 0.06,
  'flying-lead': 0.04,
  ring: 0.03,
  plug: 0.1,
  port: 0,
  vent: 0,
}

/** Places chosen for what hangs on leads of its own. */
export type FarPlaces = Partial<Record<Exclude<PlaceUse, 'module'>, string>>

/** Places of a machine for a use, in its order. */
export function placesFor(machine: Machine, use: PlaceUse) {
  return (machine.places ?? []).filter((place) => (place.use ?? 'module') === use)
}

/**
 * The branches of a loom with where each is to end. Leads of one cable (`far`) are one branch; plugs into the module's own
 * sockets and ports have none.
 * @returns problems for a break-out beyond the trunk and for a needed end without a branch
 */
export function loomEnds(
  machine: Machine,
  kit: Kit,
  matches: readonly Match[],
  far: FarPlaces = {},
): Outcome<LoomEnd[]> {
  const { connectors, studs } = machineIndex(machine)
  const problems: Problem[] = []
  const cables = new Map<string, LoomEnd>()
  const ends: LoomEnd[] = []
  kit.ends.forEach((end, i) => {
    const plain = {
      id: end.id,
      tag: end.tag,
      name: end.name,
      breakOutM: end.breakOutM,
      branchM: end.branchM,
      loopM: end.type === 'inline-pair' && !end.deviceHalf ? 0 : loopM[end.type],
      areasMm2: branchWires(end),
      never: end.type === 'inline-pair' && !end.deviceHalf && end.branchM < 0.1 ? 'it sits on the module itself' : null,
    }
    if (end.breakOutM > kit.trunkM + 1e-9)
      problems.push({
        code: 'beyond-trunk',
        path: `kit.ends.${i}.breakOutM`,
        message: `${end.name} leaves the trunk at ${end.breakOutM} m, but the trunk is only ${kit.trunkM} m long. Measure from the module.`,
      })
    if (end.type === 'plug') {
      if (!end.far) return
      const known = cables.get(end.far)
      if (known) {
        known.areasMm2.push(...plain.areasMm2)
        known.tag = `${known.tag.replace(/–.*/, '')}–${end.tag}`
        return
      }
      const place =
        placesFor(machine, end.far).find((item) => item.id === far[end.far ?? 'dial']) ?? placesFor(machine, end.far)[0]
      const cable: LoomEnd = {
        ...plain,
        name: end.far === 'sensor' ? 'Sensor lead' : plain.name,
        never: end.far === 'sensor' ? 'a wideband lead is never lengthened' : null,
        far: end.far,
        target: place ? { kind: 'place', id: place.id, name: place.name } : null,
      }
      cables.set(end.far, cable)
      ends.push(cable)
      return
    }
    const target =
      end.type === 'port' || end.type === 'vent'
        ? null
        : (matches.find((match) => match.kitEnd === end.id)?.target ?? null)
    if (target !== null && end.branchM <= 0)
      problems.push({
        code: 'no-branch',
        path: `kit.ends.${i}.branchM`,
        message: `The loom has no branch for ${end.name}: its length is ${end.branchM} m. Measure from the trunk to the end.`,
      })
    const connector = target && 'connector' in target ? connectors.get(target.connector) : undefined
    const stud = target && 'stud' in target ? studs.get(target.stud) : undefined
    ends.push({
      ...plain,
      target: connector
        ? { kind: 'connector', id: connector.id, name: connector.name }
        : stud
          ? { kind: 'stud', id: stud.id, name: stud.name }
          : null,
    })
  })
  return problems.length > 0 ? failure(...problems) : success(ends)
}
