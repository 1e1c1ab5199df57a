import { wireAt, type FlyingLead } from '../../dossiers/index.ts'
import type { Connection } from '../model.ts'
import { targetWords } from '../places.ts'
import type { CheckScene } from '../scene.ts'

/** A wire that is cut must lead through the module: both halves joined, on the same wire, by a joint that carries. */
export function cutFindings(scene: CheckScene, end: FlyingLead, made: readonly Connection[]): void {
  const { cut } = end
  if (!cut) return
  const { say, machine, kit, connections } = scene
  const at = { kitEnd: end.id }
  const here = made.find(({ to }) => 'cavity' in to)
  const partner = kit.ends.find((other) => other.id === cut.partner)
  const there = connections.find(({ kitEnd, to }) => kitEnd === cut.partner && 'cavity' in to)
  if (!here) return
  if (!there) {
    say(
      'cut-open',
      at,
      `The wire is cut for ${end.name}, but ${partner?.name ?? cut.partner} does not take its other half: nothing gets through.`,
      `Join ${partner?.name ?? cut.partner} to the other half, or join the cut ends again.`,
    )
    return
  }
  if ('cavity' in here.to && here.to.half !== undefined && here.to.half !== cut.half)
    say(
      'cut-swapped',
      at,
      `${end.name} is on the half ${here.to.half === 'ecu' ? 'to the control unit' : 'from the device'}; it takes the other one: the signal runs through the module backwards.`,
      `Change it over with ${partner?.name ?? cut.partner}.`,
    )
  const netOf = (to: Connection['to']) => ('cavity' in to ? wireAt(machine, to.connector, to.cavity)?.net : undefined)
  if (netOf(here.to) !== netOf(there.to) && cut.half === 'device')
    say(
      'cut-split',
      at,
      `${end.name} is at ${targetWords(machine, here.to)}, ${partner?.name ?? cut.partner} at ${targetWords(machine, there.to)}: two different wires.`,
      'Both take the halves of one cut wire. Join what was cut wrongly again.',
    )
  if (here.method === 'piercing screw tap' || here.method === 'displacement tap' || here.method === 'added pin')
    say(
      'cut-method',
      at,
      `A ${here.method} does not hold a cut end.`,
      'Solder and sleeve where it is still, crimp and sealed sleeve where it shakes.',
    )
}
