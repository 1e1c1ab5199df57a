import { composeVariant, parseKit, parseMachine, type Kit, type Machine } from '../dossiers/index.ts'
import { shippedDossiers } from '../dossiers/shipped/index.ts'
import { asWritten, type Written } from '../shared/index.ts'
import type { Connection } from './model.ts'

/** The shipped quad and its kit, for tests and benches. */
export function gorseCase(variant?: string): { machine: Machine; kit: Kit } {
  const machine = parseMachine(shippedDossiers[0])
  const kit = parseKit(shippedDossiers[1])
  if (!machine.ok || !kit.ok) throw new Error('the shipped dossiers do not parse')
  const composed = composeVariant(machine.value, variant)
  if (!composed.ok) throw new Error(composed.problems[0].message)
  return { machine: composed.value, kit: kit.value }
}

/** Everything connected as planned on the base quad. */
export function rightConnections(): Connection[] {
  return asWritten<Connection[]>([
    ...['injector', 'coil', 'crank'].flatMap((id): Written<Connection>[] => [
      { kitEnd: id, to: { connector: id, side: 'factory' }, tugged: true },
      { kitEnd: id, to: { connector: id, side: 'device' }, tugged: true },
    ]),
    { kitEnd: 'throttle', to: { connector: 'throttle', cavity: 2 }, method: 'piercing screw tap', tugged: true },
    { kitEnd: 'ground', to: { stud: 'engine-strap' }, tugged: true },
    { kitEnd: 'speed', to: { closed: 'cap' } },
    { kitEnd: 'bus', to: { closed: 'terminator' } },
  ])
}
