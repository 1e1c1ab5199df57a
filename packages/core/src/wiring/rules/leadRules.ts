import { inSentence, netAt, wireAt, wireName, type KitEnd, type Wire } from '../../dossiers/index.ts'
import type { CheckScene } from '../scene.ts'
import { wireConfusion } from '../colourDistance.ts'
import { wireLookalikes } from '../lookalikes.ts'
import type { Connection, FindingPlace } from '../model.ts'
import { targetWords } from '../places.ts'

type Lead = Extract<KitEnd, { type: 'flying-lead' }>

/** The right wire, a joint its size and place allow, and no dangerous circuit. */
export function leadFindings(scene: CheckScene, end: Lead, made: readonly Connection[]): void {
  const { say, machine, plan, kit } = scene
  const match = plan.find((candidate) => candidate.kitEnd === end.id)
  const remedyPlace = match?.target ? targetWords(machine, match.target, kit.ends) : 'the wire it wants'
  for (const { to, method } of made) {
    if (!('connector' in to) || !('cavity' in to)) {
      say(
        'wrong-kind',
        { kitEnd: end.id },
        `${end.name} joins a wire and cannot go to ${targetWords(machine, to)}.`,
        `Join it to ${remedyPlace}.`,
      )
      continue
    }
    const at: FindingPlace = { kitEnd: end.id, connector: to.connector, cavity: to.cavity }
    const wire = wireAt(machine, to.connector, to.cavity)
    const net = netAt(machine, to.connector, to.cavity)
    if (!wire || !net) {
      say(
        'no-wire',
        at,
        `Cavity ${to.cavity} of ${targetWords(machine, { connector: to.connector })} has no wire.`,
        `Join it to ${remedyPlace}.`,
      )
      continue
    }
    checkSignal(scene, end, wire, at, remedyPlace)
    const tap = kit.taps.find((item) => item.method === method)
    if (tap && (wire.areaMm2 < tap.lowMm2 || wire.areaMm2 > tap.highMm2))
      say(
        'tap-size',
        at,
        `A ${tap.method} is for ${tap.lowMm2} to ${tap.highMm2} mm²; this wire has ${wire.areaMm2} mm².`,
        `Use ${otherMethods(scene, wire)}.`,
      )
    const zone = machine.zones.find(
      (item) => item.id === machine.connectors.find((plug) => plug.id === to.connector)?.zone,
    )
    const barred = tap?.barred.find((condition) => zone?.conditions.includes(condition))
    if (tap && zone && barred)
      say(
        'tap-place',
        at,
        `A ${tap.method} should not be used here (${zone.name}: ${barred}): ${tap.why}.`,
        `Use ${otherMethods(scene, wire, zone.conditions)}.`,
      )
    for (const lookalike of wireLookalikes(machine, wire))
      say(
        'confusable-wire',
        at,
        `${wireName(wire.colour)} can be taken for ${wireName(lookalike.wire.colour)} (${targetWords(machine, lookalike.where)}).`,
        lookalike.telling,
      )
    const sheet = end.sheet.find((item) => item.machine === machine.id)
    if (sheet && net.role === end.wants.role && wireConfusion(sheet.colour, wire.colour) !== 'same')
      say(
        'sheet-differs',
        at,
        `The kit's sheet says ${wireName(sheet.colour)}; on this machine it is ${wireName(wire.colour)}.`,
        'Go by connector and cavity, and prove it with the meter.',
      )
  }
}

function checkSignal(
  { say, machine, kit }: CheckScene,
  end: Lead,
  wire: Wire,
  at: FindingPlace,
  remedyPlace: string,
): void {
  const net = machine.nets.find((item) => item.id === wire.net)
  if (!net || (net.signal === end.wants.signal && net.role === end.wants.role)) return
  if (net.signal === 'coil-drive' || net.signal === 'injector-drive') {
    say(
      'barred-circuit',
      at,
      `${net.name} is never pierced: its drive swings far above battery voltage.`,
      `Mend the wire with a sealed sleeve and join ${end.name} to ${remedyPlace}.`,
    )
    return
  }
  if (end.wants.signal === 'supply-switched' && net.signal === 'supply-always') {
    say(
      'feed-always-live',
      at,
      `${net.name} is live with the key off: the module would never sleep.`,
      `Join ${end.name} to a circuit that dies with the key: ${remedyPlace}.`,
    )
    return
  }
  if (end.wants.signal === 'power-ground' && net.signal === 'sensor-ground' && kit.module.supplyA > 0.02) {
    say(
      'ground-sensor',
      at,
      `${net.name} is the reference of the sensors; the module's ${kit.module.supplyA} A would shift every reading.`,
      `Join ${end.name} to a power ground.`,
    )
    return
  }
  const sheet = end.sheet.find((item) => item.machine === machine.id)
  if (sheet && wireConfusion(sheet.colour, wire.colour) === 'swapped') {
    say(
      'stripe-swapped',
      at,
      `This is ${wireName(wire.colour)}, ${inSentence(net.name)}. Wanted is ${wireName(sheet.colour)}: base and stripe are swapped.`,
      `Open the joint, mend the wire, and join ${end.name} to ${remedyPlace}.`,
    )
    return
  }
  say(
    'wrong-wire',
    at,
    `This wire carries ${inSentence(net.name)}; ${end.name} wants ${end.wants.role.replaceAll('-', ' ')}.`,
    `Open the joint, mend the wire, and join ${end.name} to ${remedyPlace}.`,
  )
}

function otherMethods({ kit }: CheckScene, wire: Wire, conditions: readonly string[] = []): string {
  const fitting = kit.taps.filter(
    (tap) =>
      wire.areaMm2 >= tap.lowMm2 &&
      wire.areaMm2 <= tap.highMm2 &&
      !tap.barred.some((item) => conditions.includes(item)),
  )
  return fitting.map((tap) => tap.method).join(' or ') || 'another place'
}
