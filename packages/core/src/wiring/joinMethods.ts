import { ownKit, wireAt, zoneOfPlace, type Kit, type Machine, type TapMethod, type Zone } from '../dossiers/index.ts'
import type { ConnectionTarget } from './model.ts'

/** Joints that hold a cut end. */
const carriesCut: readonly TapMethod[] = ['solder and sleeve', 'crimp and sealed sleeve']

/** Ways of joining that a wire's size and a place's conditions allow, in the kit's order. @param cut the wire is cut through */
export function methodsFor(kit: Kit, areaMm2: number, conditions: readonly string[] = [], cut = false): TapMethod[] {
  return kit.taps
    .filter(
      (tap) =>
        tap.method !== 'added pin' &&
        (!cut || carriesCut.includes(tap.method)) &&
        areaMm2 >= tap.lowMm2 &&
        areaMm2 <= tap.highMm2 &&
        !tap.barred.some((item) => conditions.includes(item)),
    )
    .map((tap) => tap.method)
}

/** How a person's school answers the question of joining; `by place` leaves it to the place. */
export const joinPractices = [
  'by place',
  ...(['piercing screw tap', 'solder and sleeve', 'crimp and sealed sleeve'] as const),
] as const
export type JoinPractice = (typeof joinPractices)[number]

export interface JoinAdvice {
  method: TapMethod
  why: string
  /** The school's own way does not suit this place, and another is proposed. */
  against?: string
}

/**
 * How to join a lead to a wire: an empty cavity takes a pin, a cut end solder or crimp, everything else by place:
 * dry and still a piercing screw tap, else a crimp with sealed sleeve; a school's own way where the place allows it.
 * @returns null when nothing in the kit suits
 */
export function adviseJoint(
  machine: Machine,
  kit: Kit,
  end: { id?: string; cut?: unknown; intoSpare?: boolean },
  target: ConnectionTarget,
  school: JoinPractice = 'by place',
): JoinAdvice | null {
  if (!('connector' in target) || !('cavity' in target)) return null
  const own = end.id === undefined ? kit : ownKit(kit, end.id)
  if (end.intoSpare)
    return { method: 'added pin', why: 'The cavity is empty: a pin with its seal, no wire is touched.' }
  const zone = zoneOfPlace(machine, { connector: target.connector })
  const wire = wireAt(machine, target.connector, target.cavity)
  if (!wire) return null
  const conditions = zone?.conditions ?? []
  const allowed = methodsFor(own, wire.areaMm2, conditions, end.cut !== undefined)
  const first = byPlace(allowed, conditions)
  if (!first) return null
  const reason = placeReason(zone, wire.areaMm2)
  const rough = conditions.some((condition) => condition !== 'dry')
  const wanted =
    end.cut && school === 'by place' && !rough && allowed.includes('solder and sleeve') ? 'solder and sleeve' : school
  const wished = allowed.find((method) => method === wanted)
  if (wished)
    return { method: wished, why: school === 'by place' ? `A cut end: staggered. ${reason}` : `Your school. ${reason}` }
  if (school === 'by place') return { method: first, why: reason }
  const tap = own.taps.find((item) => item.method === school)
  return {
    method: first,
    why: reason,
    against: `No ${school} here: ${tap?.why ?? 'a cut end needs a joint that carries'}.`,
  }
}

/** Wet, hot or shaking: a crimp with sealed sleeve before everything else, whatever the kit lists first. */
function byPlace(allowed: readonly TapMethod[], conditions: readonly string[]): TapMethod | undefined {
  const rough = conditions.some((condition) => condition !== 'dry')
  return rough && allowed.includes('crimp and sealed sleeve') ? 'crimp and sealed sleeve' : allowed[0]
}

function placeReason(zone: Zone | undefined, areaMm2: number): string {
  const bad = zone?.conditions.filter((condition) => condition !== 'dry') ?? []
  const size = `${areaMm2} mm²`
  return bad.length > 0
    ? `${zone?.name}: ${bad.join(', ')}; ${size}.`
    : `${zone?.name ?? 'Here'}: dry and still; ${size}.`
}
