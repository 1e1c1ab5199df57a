import type { RingEnd } from '../../dossiers/index.ts'
import type { Connection, FindingPlace } from '../model.ts'
import { targetWords } from '../places.ts'
import { plannedWords, type CheckScene } from '../scene.ts'
import { currentOf, groundFindings } from './supplyRules.ts'

/** A ring on a stud of its kind and size; a feed with its fuse, and something that lets the module sleep. */
export function ringFindings(scene: CheckScene, end: RingEnd, made: readonly Connection[]): void {
  const { say, machine, index, kit } = scene
  const remedyPlace = plannedWords(scene, end, 'the stud it wants')
  for (const { to } of made) {
    const stud = 'stud' in to ? index.studs.get(to.stud) : undefined
    const net = stud && index.nets.get(stud.net)
    if (!stud || !net) {
      say(
        'wrong-kind',
        { kitEnd: end.id },
        `${end.name} goes under a nut, not to ${targetWords(machine, to, kit)}.`,
        `Put it on the ${remedyPlace}.`,
      )
      continue
    }
    const at: FindingPlace = { kitEnd: end.id, stud: stud.id }
    if (end.wants.signal === 'supply-always') feedRing(scene, end, at, net.signal, stud.name, remedyPlace)
    else groundFindings(scene, end, { ...net, name: `${stud.name} (${net.name})` }, at, remedyPlace)
    if (end.holeMm < stud.threadMm)
      say(
        'ring-size',
        at,
        `The eye of ${end.holeMm} mm does not go over M${stud.threadMm}.`,
        'Crimp on an eye of the right size; do not drill it.',
      )
  }
}

function feedRing(
  scene: CheckScene,
  end: RingEnd,
  at: FindingPlace,
  signal: string,
  stud: string,
  remedyPlace: string,
): void {
  const { say, kit } = scene
  if (signal === 'power-ground' || signal === 'sensor-ground') {
    say(
      'feed-on-ground',
      at,
      `${end.name} is a feed, and ${stud} is ground: the fuse goes, or the lead burns.`,
      `Move it to the ${remedyPlace}.`,
    )
    return
  }
  if (end.fuseA === undefined)
    say(
      'feed-unfused',
      at,
      `${end.name} has no fuse: a rubbed-through lead burns the machine.`,
      'Fit a holder within 200 mm of the post; the fuse goes in last.',
    )
  if (!kit.module.sleeps && !hasRelay(scene))
    say(
      'feed-always-live',
      at,
      `${end.name} stays live with the key off and the ${kit.module.name} draws ${kit.module.idleMa} mA without ever sleeping${currentOf(scene, end) > 0 ? ': a flat battery within days' : ''}.`,
      'Let the relay switch it: its coil lead on a circuit that dies with the key.',
    )
}

/** Whether a relay stands in the feed: it lets go with the key, and while its coil is open it has not pulled at all. */
function hasRelay({ kit }: CheckScene): boolean {
  return kit.ends.some((end) => end.type === 'flying-lead' && end.wants.signal === 'supply-switched')
}
