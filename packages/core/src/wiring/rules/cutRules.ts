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
    say('cut-open', at, { end: end.name, partner: partner?.name ?? cut.partner })
    return
  }
  if ('cavity' in here.to && here.to.half !== undefined && here.to.half !== cut.half)
    say('cut-swapped', at, { end: end.name, partner: partner?.name ?? cut.partner, half: here.to.half })
  const netOf = (to: Connection['to']) => ('cavity' in to ? wireAt(machine, to.connector, to.cavity)?.net : undefined)
  if (netOf(here.to) !== netOf(there.to) && cut.half === 'device')
    say('cut-split', at, {
      end: end.name,
      partner: partner?.name ?? cut.partner,
      here: targetWords(machine, here.to),
      there: targetWords(machine, there.to),
    })
  if (here.method === 'piercing screw tap' || here.method === 'displacement tap' || here.method === 'added pin')
    say('cut-method', at, { method: here.method })
}
