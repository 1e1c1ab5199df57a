import { inSentence, type Kit, type Machine, type KitEndId } from '../dossiers/index.ts'
import { currentOf, targetWords, type Match } from '../wiring/index.ts'
import { ampacityA, chooseFuse, fuseOverLoad, fuseWithinMm, judgeFuse } from './chooseFuse.ts'
import { airAtEnd, netOfMatch, supplyOf } from './supplyOf.ts'
import { atMost, dropLimitsV, type Verdict } from './verdict.ts'
import { runResistanceOhm } from './wireRun.ts'

/** A joint on the way of the current, or the wire to it. */
export interface LineJoint {
  id: string
  what: 'source' | 'fuse' | 'relay' | 'joint' | 'module' | 'ground'
  name: string
  /** Against battery negative, V. */
  volts: number
  amps: number
  /** The wire that leads here. */
  wire?: { lengthM: number; areaMm2: number; resistanceOhm: number; dropV: number; conductorC: number }
  note?: string
}

export interface SupplyLine {
  joints: LineJoint[]
  checks: Verdict[]
  /** What the coil of a relay draws from the switched circuit. */
  coil?: { net: string; amps: number; spareA: number | null }
}

/** A rested battery, V. */
const batteryV = 12.8
const referenceV = 5
/** Contact of a relay and of a fuse with its holder, Ω. */
const contactOhm = 0.01
const fuseOhm = 0.012
/** Insulation of thin-walled vehicle wire, °C. */
export const insulationC = 105

/**
 * How warm a conductor gets, °C: its place, and 50 K at the current its area carries in free air, by the square of the current.
 * @returns infinite where the place alone is as warm as the insulation bears
 */
export function conductorTemperatureC(currentA: number, areaMm2: number, ambientC: number, bundled: boolean): number {
  const carries = ampacityA(areaMm2, 30, bundled)
  return carries > 0 ? ambientC + 50 * (currentA / carries) ** 2 : Infinity
}

/**
 * The way of the current from its source through fuse and relay to the module and back by its ground, with volts and amps at each
 * joint. Wire lengths are the loom's own: break-out, branch, extension.
 * @param extensionM of each end, from the route
 */
export function supplyLine(
  machine: Machine,
  kit: Kit,
  matches: readonly Match[],
  extensionM: ReadonlyMap<KitEndId, number> = new Map(),
): SupplyLine {
  const supply = supplyOf(kit)
  const { feed, ground, continuousA, inrushA } = supply
  const joints: LineJoint[] = []
  const checks: Verdict[] = []
  const targetOf = (end: { id: KitEndId }) => matches.find((match) => match.kitEnd === end.id)?.target ?? null
  const ambientOf = (end: { id: KitEndId }) => airAtEnd(machine, matches, end.id)
  const wireTo = (end: { id: KitEndId; breakOutM: number; branchM: number; areaMm2: number }, amps: number) => {
    const lengthM = end.breakOutM + end.branchM + (extensionM.get(end.id) ?? 0)
    const conductorC = conductorTemperatureC(amps, end.areaMm2, ambientOf(end), true)
    const resistanceOhm = runResistanceOhm(lengthM, end.areaMm2, Math.min(conductorC, insulationC))
    return { lengthM, areaMm2: end.areaMm2, resistanceOhm, dropV: resistanceOhm * amps, conductorC }
  }
  let volts = supply.kind === 'reference' ? referenceV : batteryV
  const add = (joint: LineJoint) => joints.push({ ...joint, volts: Math.round(joint.volts * 1000) / 1000 })
  const fedBy = feed && netOfMatch(machine, matches, feed.id)
  const sourceName = feed
    ? (targetOf(feed) && targetWords(machine, targetOf(feed) ?? { closed: 'cap' }, kit)) || 'not joined yet'
    : supply.kind === 'socket'
      ? 'the socket it is put into'
      : supply.kind === 'injectors'
        ? "the injectors' own feed"
        : supply.kind === 'reference'
          ? 'the 5 V of the plug it sits in'
          : supply.kind === 'none'
            ? 'nothing in this loom brings any'
            : "the control unit's plug"
  add({ id: 'source', what: 'source', name: `${fedBy?.name ?? 'Feed'}: ${sourceName}`, volts, amps: continuousA })
  if (feed && (supply.kind === 'battery ring' || supply.kind === 'relay')) {
    const line = { continuousA, areaMm2: feed.areaMm2, ambientC: ambientOf(feed), bundled: true }
    const chosen = fuseOf('fuseA' in feed ? feed.fuseA : undefined, line)
    volts -= fuseOhm * continuousA
    add({
      id: 'fuse',
      what: 'fuse',
      name: chosen.fuseA === null ? 'No fuse fits' : `Fuse ${chosen.fuseA} A`,
      volts,
      amps: continuousA,
      note: `${chosen.why} Holder within ${fuseWithinMm} mm of the post.${inrushNote(chosen.fuseA, inrushA)}`,
    })
    checks.push(
      atMost(
        'Load against the fuse, 1.35 times',
        continuousA * fuseOverLoad,
        chosen.fuseA ?? 0,
        'A',
        'a blade fuse carries 1 / 1.35 of its rating for good',
      ),
    )
  }
  if (supply.kind === 'relay' && supply.coil) {
    const coilNet = netOfMatch(machine, matches, supply.coil.id)
    const coilA = currentOf(kit, supply.coil)
    volts -= contactOhm * continuousA
    add({
      id: 'relay',
      what: 'relay',
      name: 'Relay with diode',
      volts,
      amps: continuousA,
      note: `Coil ${coilA} A from ${coilNet ? inSentence(coilNet.name) : 'the switched circuit'}.`,
    })
    if (coilNet?.spareA !== undefined)
      checks.push(atMost('Coil against the spare of its circuit', coilA, coilNet.spareA, 'A', "the machine's dossier"))
  }
  if (feed) {
    const wire = wireTo(feed, continuousA)
    volts -= wire.dropV
    checks.push(
      atMost(
        `Drop of the feed, ${feed.areaMm2} mm² over ${wire.lengthM.toFixed(2)} m`,
        batteryV - volts,
        dropLimitsV.feed,
        'V',
        'general practice: a feed loses less than 0.3 V',
      ),
      atMost('Warmth of the feed wire', wire.conductorC, insulationC, '°C', 'thin-walled vehicle wire, 105 °C'),
    )
    if (supply.kind === 'switched lead' && fedBy?.spareA !== undefined)
      checks.push(
        atMost('Load against the spare of its circuit', continuousA, fedBy.spareA, 'A', "the machine's dossier"),
      )
    add({ id: 'module', what: 'module', name: kit.module.name, volts, amps: continuousA, wire })
  } else add({ id: 'module', what: 'module', name: kit.module.name, volts, amps: continuousA })
  if (ground) {
    const wire = wireTo(ground, continuousA)
    checks.push(
      atMost(
        `Drop of the ground, ${ground.areaMm2} mm² over ${wire.lengthM.toFixed(2)} m`,
        wire.dropV,
        dropLimitsV['power ground'],
        'V',
        'general practice: a power ground loses less than 0.1 V',
      ),
      atMost('Warmth of the ground wire', wire.conductorC, insulationC, '°C', 'thin-walled vehicle wire, 105 °C'),
    )
    const target = targetOf(ground)
    add({
      id: 'ground',
      what: 'ground',
      name: target ? targetWords(machine, target, kit) : 'ground, not joined yet',
      volts: 0,
      amps: continuousA,
      wire,
      note: `The module's own ground stands ${Math.round(wire.dropV * 1000)} mV above it.`,
    })
  }
  const coilNet = supply.coil && netOfMatch(machine, matches, supply.coil.id)
  return {
    joints,
    checks,
    ...(supply.coil && coilNet
      ? { coil: { net: coilNet.name, amps: currentOf(kit, supply.coil), spareA: coilNet.spareA ?? null } }
      : {}),
  }
}

/** The fuse of a lead: the kit's own where it has one and it is right, else the smallest that is. */
export function fuseOf(
  kitA: number | undefined,
  line: { continuousA: number; areaMm2: number; ambientC: number; bundled: boolean },
): { fuseA: number | null; why: string } {
  if (kitA !== undefined) {
    const own = judgeFuse(kitA, line)
    return {
      fuseA: own.kind === 'right' ? kitA : null,
      why: own.kind === 'right' ? `The kit's own ${own.why}` : own.why,
    }
  }
  const chosen = chooseFuse(line)
  return chosen.ok ? chosen.value : { fuseA: null, why: chosen.problems[0].message }
}

/** A blade fuse holds 1.1 of its rating for hours, 1.35 for about half a minute at the least, 2 for a fraction of a second (ISO 8820-3). */
export function inrushNote(fuseA: number | null, inrushA: number): string {
  if (fuseA === null || inrushA <= fuseA * 1.1) return ''
  return inrushA <= fuseA * 1.35
    ? ` Cold it draws ${inrushA} A for half a minute, which the fuse only just bears.`
    : ` Cold it draws ${inrushA} A: more than the fuse bears for half a minute.`
}
