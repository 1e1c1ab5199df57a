import {
  cavityKey,
  inSentence,
  wireName,
  type FlyingLead,
  type Net,
  type TapMethod,
  type Wire,
  type Zone,
} from '../../dossiers/index.ts'
import { wireConfusion } from '../colourDistance.ts'
import { wireLookalikes } from '../lookalikes.ts'
import { sortParts } from '../matchCost.ts'
import { methodsFor } from '../joinMethods.ts'
import type { Connection, FindingPlace } from '../model.ts'
import { carriesAirbag } from '../pins.ts'
import { targetWords } from '../places.ts'
import { plannedWords, type CheckScene } from '../scene.ts'
import { feedFindings, groundFindings } from './supplyRules.ts'

/** The right wire, a joint its size and place allow, and no dangerous circuit. */
export function leadFindings(scene: CheckScene, end: FlyingLead, made: readonly Connection[]): void {
  const { say, machine, index } = scene
  const remedyPlace = plannedWords(scene, end, 'the wire it wants')
  for (const { to, method } of made) {
    if (!('connector' in to) || !('cavity' in to)) {
      say(
        'wrong-kind',
        { kitEnd: end.id },
        `${end.name} joins a wire and cannot go to ${targetWords(machine, to, scene.kit)}.`,
        `Join it to ${remedyPlace}.`,
      )
      continue
    }
    const at: FindingPlace = { kitEnd: end.id, connector: to.connector, cavity: to.cavity }
    const wire = index.wireInCavity.get(cavityKey(to.connector, to.cavity))
    const net = wire && index.nets.get(wire.net)
    const cavity = index.connectors.get(to.connector)?.cavities.find((item) => item.number === to.cavity)
    if (end.intoSpare && !wire && cavity && !cavity.blank) {
      if (cavity.spare !== end.wants.role)
        say(
          'no-wire',
          at,
          `Nothing reads cavity ${to.cavity} of ${targetWords(machine, { connector: to.connector })}.`,
          `Put the pin into ${remedyPlace}.`,
        )
      continue
    }
    if (!wire || !net) {
      say(
        'no-wire',
        at,
        `Cavity ${to.cavity} of ${targetWords(machine, { connector: to.connector })} has no wire.`,
        `Join it to ${remedyPlace}.`,
      )
      continue
    }
    if (end.intoSpare || method === 'added pin') {
      say(
        'pin-occupied',
        at,
        `Cavity ${to.cavity} holds ${inSentence(net.name)} already; a pin cannot be added there.`,
        end.intoSpare ? `Put the pin into ${remedyPlace}.` : `Join ${end.name} to the wire with a tap or sleeve.`,
      )
      continue
    }
    checkSignal(scene, end, wire, net, at, remedyPlace)
    if (net.role !== 'airbag' && carriesAirbag(machine, to.connector))
      say(
        'airbag-circuit',
        at,
        `${targetWords(machine, { connector: to.connector })} carries airbag circuits: nothing is joined in it, whatever the wire.`,
        `Key off, wait ten minutes, take ${end.name} off without touching the yellow sheath, and join it to ${remedyPlace}.`,
      )
    const zone = index.zones.get(index.connectors.get(to.connector)?.zone ?? '')
    checkMethod(scene, method, wire, zone, at)
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

function checkMethod(
  { say, kit }: CheckScene,
  method: TapMethod | undefined,
  wire: Wire,
  zone: Zone | undefined,
  at: FindingPlace,
): void {
  const tap = kit.taps.find((item) => item.method === method)
  if (!tap) return
  if (wire.areaMm2 < tap.lowMm2 || wire.areaMm2 > tap.highMm2)
    say(
      'tap-size',
      at,
      `A ${tap.method} is for ${tap.lowMm2} to ${tap.highMm2} mm²; this wire has ${wire.areaMm2} mm².`,
      `Use ${methodsFor(kit, wire.areaMm2).join(' or ') || 'another place'}.`,
    )
  const barred = tap.barred.find((condition) => zone?.conditions.includes(condition))
  if (zone && barred)
    say(
      'tap-place',
      at,
      `A ${tap.method} should not be used here (${zone.name}: ${barred}): ${tap.why}.`,
      `Use ${methodsFor(kit, wire.areaMm2, zone.conditions).join(' or ') || 'another place'}.`,
    )
}

function checkSignal(
  scene: CheckScene,
  end: FlyingLead,
  wire: Wire,
  net: Net,
  at: FindingPlace,
  remedyPlace: string,
): void {
  const { say, machine } = scene
  if (net.role === 'airbag') {
    say(
      'airbag-circuit',
      at,
      `${net.name} belongs to the airbag: it can fire in your face.`,
      'Key off, wait ten minutes, touch nothing more there, and have it looked at by the licensed workshop.',
    )
    return
  }
  if (net.signal === 'coil-drive' || net.signal === 'injector-drive' || net.highVoltage) {
    say(
      'barred-circuit',
      at,
      `${net.name} is never pierced: its drive swings far above battery voltage.`,
      `Mend the wire with a sealed sleeve and join ${end.name} to ${remedyPlace}.`,
    )
    return
  }
  if (feedFindings(scene, end, net, at, remedyPlace) || groundFindings(scene, end, net, at, remedyPlace)) return
  const parts = sortParts(end.wants, net)
  if (parts.length === 0 || net.signal === 'unknown' || net.role === 'unknown') return
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
  if (end.wants.track !== undefined && net.track !== end.wants.track && net.role === end.wants.role)
    say(
      'wrong-track',
      at,
      `This is ${inSentence(net.name)}; ${end.name} wants track ${end.wants.track}.`,
      `Open the joint, mend the wire, and join ${end.name} to ${remedyPlace}.`,
    )
  else
    say(
      'wrong-wire',
      at,
      `This wire carries ${inSentence(net.name)}; ${end.name} wants ${end.wants.role.replaceAll('-', ' ')}.`,
      `Open the joint, mend the wire, and join ${end.name} to ${remedyPlace}.`,
    )
}
