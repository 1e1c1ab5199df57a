import type { RingEnd } from '../../dossiers/index.ts'
import { judgeRing } from '../judgePlace.ts'
import type { Connection } from '../model.ts'
import { targetWords } from '../places.ts'
import { belongsWords, sayVerdicts, type CheckScene } from '../scene.ts'

/** A ring on a stud of its kind and size; a feed with its fuse, and something that lets the module sleep. */
export function ringFindings(scene: CheckScene, end: RingEnd, made: readonly Connection[]): void {
  const { say, machine, index, kit } = scene
  for (const { to, fuseA } of made) {
    const stud = 'stud' in to ? index.studs.get(to.stud) : undefined
    if (stud)
      sayVerdicts(scene, end, { kitEnd: end.id, stud: stud.id }, judgeRing(machine, kit, end, stud, fuseA ?? end.fuseA))
    else
      say(
        'wrong-kind',
        { kitEnd: end.id },
        { end: end.name, is: 'ring', place: targetWords(machine, to, kit), belongs: belongsWords(scene, end) },
      )
  }
}
