import {
  cavityKey,
  wireName,
  zoneOfPlace,
  type FlyingLead,
  type Net,
  type TapMethod,
  type Wire,
  type Zone,
} from '../../dossiers/index.ts'
import { wireConfusion } from '../colourDistance.ts'
import { methodsFor } from '../joinMethods.ts'
import { judgeLead } from '../judgePlace.ts'
import { wireLookalikes } from '../lookalikes.ts'
import type { Connection, FindingPlace } from '../model.ts'
import { targetWords } from '../places.ts'
import { belongsWords, sayVerdicts, type CheckScene } from '../scene.ts'

/** The right wire, a joint its size and place allow, and no dangerous circuit. */
export function leadFindings(scene: CheckScene, end: FlyingLead, made: readonly Connection[]): void {
  const { say, machine, index, kit } = scene
  for (const { to, method } of made) {
    if (!('connector' in to) || !('cavity' in to)) {
      say(
        'wrong-kind',
        { kitEnd: end.id },
        { end: end.name, is: 'lead', place: targetWords(machine, to, kit), belongs: belongsWords(scene, end) },
      )
      continue
    }
    const at: FindingPlace = { kitEnd: end.id, connector: to.connector, cavity: to.cavity }
    const wire = index.wireInCavity.get(cavityKey(to.connector, to.cavity))
    const net = wire && index.nets.get(wire.net)
    sayVerdicts(scene, end, at, judgeLead(machine, kit, end, to))
    if (!wire || !net || end.intoSpare) continue
    const zone = zoneOfPlace(machine, { connector: to.connector })
    checkMethod(scene, end, method, { wire, net, zone }, at)
    for (const lookalike of wireLookalikes(machine, wire))
      say('confusable-wire', at, {
        colour: wireName(wire.colour),
        other: wireName(lookalike.wire.colour),
        where: targetWords(machine, lookalike.where),
        telling: lookalike.telling,
      })
    const sheet = end.sheet.find((item) => item.machine === machine.id)
    if (sheet && net.role === end.wants.role && wireConfusion(sheet.colour, wire.colour) !== 'same')
      say('sheet-differs', at, { sheet: wireName(sheet.colour), colour: wireName(wire.colour) })
  }
}

function checkMethod(
  { say, kit }: CheckScene,
  end: FlyingLead,
  method: TapMethod | undefined,
  { wire, net, zone }: { wire: Wire; net: Net; zone: Zone | undefined },
  at: FindingPlace,
): void {
  const methods = methodsFor(kit, wire.areaMm2, zone?.conditions, end.cut !== undefined)
  if (method === undefined) {
    say('method-missing', at, { end: end.name, methods })
    return
  }
  if (method === 'added pin') {
    say('pin-occupied', at, { cavity: at.cavity ?? 0, circuit: net.name, methods })
    return
  }
  const tap = kit.taps.find((item) => item.method === method)
  if (!tap) {
    say('method-not-in-kit', at, { end: end.name, method, methods })
    return
  }
  if (wire.areaMm2 < tap.lowMm2 || wire.areaMm2 > tap.highMm2)
    say('tap-size', at, {
      method: tap.method,
      lowMm2: tap.lowMm2,
      highMm2: tap.highMm2,
      areaMm2: wire.areaMm2,
      methods,
    })
  const barred = tap.barred.find((condition) => zone?.conditions.includes(condition))
  if (zone && barred)
    say('tap-place', at, { method: tap.method, zone: zone.name, condition: barred, why: tap.why, methods })
}
