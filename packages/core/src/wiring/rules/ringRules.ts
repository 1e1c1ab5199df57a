import type { KitEnd } from '../../dossiers/index.ts'
import type { CheckScene } from '../scene.ts'
import type { Connection } from '../model.ts'
import { targetWords } from '../places.ts'

type Ring = Extract<KitEnd, { type: 'ring' }>

/** A ring on a ground stud of its size. */
export function ringFindings({ say, machine, plan, kit }: CheckScene, end: Ring, made: readonly Connection[]): void {
  const match = plan.find((candidate) => candidate.kitEnd === end.id)
  const remedyPlace = match?.target ? targetWords(machine, match.target) : 'a power ground'
  for (const { to } of made) {
    const stud = 'stud' in to ? machine.studs.find((item) => item.id === to.stud) : undefined
    const net = stud && machine.nets.find((item) => item.id === stud.net)
    if (!stud || !net) {
      say(
        'wrong-kind',
        { kitEnd: end.id },
        `${end.name} goes under a nut, not to ${targetWords(machine, to, kit.ends)}.`,
        `Put it on the ${remedyPlace}.`,
      )
      continue
    }
    const at = { kitEnd: end.id, stud: stud.id }
    if (net.signal === 'supply-always' || net.signal === 'supply-switched')
      say(
        'ground-live',
        at,
        `${stud.name} is live: ${net.name}. A ground on it is a dead short.`,
        `Battery negative off now. Move the ring to the ${remedyPlace}.`,
      )
    else if (net.signal === 'sensor-ground')
      say(
        'ground-sensor',
        at,
        `${stud.name} is a sensor ground; the module's ${kit.module.supplyA} A would shift every reading.`,
        `Move the ring to the ${remedyPlace}.`,
      )
    if (end.holeMm < stud.threadMm)
      say(
        'ring-size',
        at,
        `The eye of ${end.holeMm} mm does not go over M${stud.threadMm}.`,
        'Crimp on an eye of the right size; do not drill it.',
      )
  }
}
