import { cavityKey, wireName, type FlyingLead, type TapMethod, type Wire, type Zone } from '../../dossiers/index.ts'
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
        `${end.name} joins a wire and cannot go to ${targetWords(machine, to, kit)}.`,
        belongsWords(scene, end),
      )
      continue
    }
    const at: FindingPlace = { kitEnd: end.id, connector: to.connector, cavity: to.cavity }
    const wire = index.wireInCavity.get(cavityKey(to.connector, to.cavity))
    const net = wire && index.nets.get(wire.net)
    sayVerdicts(scene, end, at, judgeLead(machine, kit, end, to))
    if (!wire || !net || end.intoSpare) continue
    const zone = index.zones.get(index.connectors.get(to.connector)?.zone ?? '')
    checkMethod(scene, end, method, wire, zone, at)
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
  end: FlyingLead,
  method: TapMethod | undefined,
  wire: Wire,
  zone: Zone | undefined,
  at: FindingPlace,
): void {
  const use = (suits: readonly string[]) => `Use ${suits.join(' or ') || 'another place'}.`
  const here = use(methodsFor(kit, wire.areaMm2, zone?.conditions, end.cut !== undefined))
  if (method === undefined) {
    say('method-missing', at, `Nobody wrote down how ${end.name} was joined.`, `Write it down. ${here}`)
    return
  }
  if (method === 'added pin') {
    say('pin-occupied', at, `A pin cannot be added where a wire is already.`, here)
    return
  }
  const tap = kit.taps.find((item) => item.method === method)
  if (!tap) {
    say(
      'method-not-in-kit',
      at,
      `${end.name} was joined by ${method}, which this kit has not: nobody says which wires and places it is good for.`,
      `${here} Or prove it with a tug and write down what it was.`,
    )
    return
  }
  if (wire.areaMm2 < tap.lowMm2 || wire.areaMm2 > tap.highMm2)
    say(
      'tap-size',
      at,
      `A ${tap.method} is for ${tap.lowMm2} to ${tap.highMm2} mm²; this wire has ${wire.areaMm2} mm².`,
      here,
    )
  const barred = tap.barred.find((condition) => zone?.conditions.includes(condition))
  if (zone && barred)
    say('tap-place', at, `A ${tap.method} should not be used here (${zone.name}: ${barred}): ${tap.why}.`, here)
}
