import type { Kit, Machine } from '../dossiers/index.ts'
import { asWritten, type Written } from '../shared/index.ts'
import type { Connection } from './model.ts'
import { shippedKit, shippedMachine } from './shippedCase.ts'

/** The shipped quad and its kit, for tests and benches. */
export function gorseCase(variant?: string): { machine: Machine; kit: Kit } {
  return { machine: shippedMachine('pellick-gorse-430', variant), kit: shippedKit('quernby-p1') }
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
