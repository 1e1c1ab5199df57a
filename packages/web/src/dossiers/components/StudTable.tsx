import { asId } from '@tidy-badger/core/shared'
import { idFrom, studRole, studRoles, type Machine, type Stud, withoutStud } from '@tidy-badger/core/dossiers'
import { Button } from '../../ui/Button.tsx'
import { asWords, ChoiceField, FigureField, TextField } from '../../ui/form/Fields.tsx'
import { figure, words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { KnownPick } from './KnownPick.tsx'
import { changeMachine } from '../draftStore.ts'

const stud = z.object({
  name: words(80),
  role: z.enum(studRoles),
  thread: figure('', 'The thread’s size, as in M6.', (size) => size > 0 && size <= 30),
})

/** Studs and posts an eye can go on. A name not known yet makes a power ground or battery circuit. */
export function StudTable({ machine }: { machine: Machine }) {
  const fields = useFields(stud, {
    start: { name: '', role: 'ground', thread: '6' },
    onSend: (asked) => changeMachine((before) => withStud(before, asked)),
  })
  return (
    <section>
      <h2 className="mb-1 text-title font-bold">Studs and posts</h2>
      <ul>
        {machine.studs.map((stud) => (
          <li key={stud.id} className="flex min-h-11 items-center justify-between gap-3">
            <span>
              {stud.name}{' '}
              <span className="text-quiet">
                M{stud.threadMm}, {studRole(machine, stud)}, {machine.nets.find((net) => net.id === stud.net)?.name}
              </span>
            </span>
            <span className="ml-auto">
              <KnownPick of="studs" id={stud.id} name={stud.name} />
            </span>
            <Button look="quiet" onClick={() => changeMachine((before) => withoutStud(before, stud.id))}>
              Take out
            </Button>
          </li>
        ))}
      </ul>
      <form onSubmit={fields.submit} className="flex flex-wrap items-end gap-2">
        <TextField of={fields} name="name" label="Stud" maxLength={80} hint="Battery negative" />
        <ChoiceField of={fields} name="role" label="Is" options={asWords(studRoles)} />
        <FigureField of={fields} name="thread" label="Thread, M" unit="" className="w-24" />
        <Button type="submit" disabled={!fields.ready}>
          Add the stud
        </Button>
      </form>
    </section>
  )
}

function withStud(before: Machine, { name, role, thread }: z.infer<typeof stud>): Machine {
  const grounds = role === 'ground' || role === 'engine ground' || role === 'battery negative'
  const signal = grounds ? 'power-ground' : 'supply-always'
  const known = before.nets.find((net) => net.signal === signal)
  const net = known ?? {
    id: idFrom(
      grounds ? 'power ground' : 'battery',
      before.nets.map((item) => item.id),
    ),
    name: grounds ? 'Power ground' : 'Battery 12 V',
    signal,
    role: grounds ? ('ground' as const) : ('supply' as const),
  }
  const made: Stud = {
    id: idFrom(
      name,
      before.studs.map((item) => item.id),
    ),
    name,
    net: net.id,
    zone: before.zones[0]?.id ?? asId('machine'),
    place: 'place not written down',
    threadMm: thread,
    role,
  }
  return {
    ...before,
    nets: known ? before.nets : [...before.nets, net],
    studs: [...before.studs, made],
    ...(role === 'battery negative' ? { batteries: [...(before.batteries ?? []), made.id] } : {}),
  }
}
