import { asId } from '@tidy-badger/core/shared'
import {
  idFrom,
  studRole,
  studRoles,
  type Machine,
  type Stud,
  type StudRole,
  withoutStud,
} from '@tidy-badger/core/dossiers'
import { useState, type FormEvent } from 'react'
import { Button } from '../../ui/Button.tsx'
import { changeDraft } from '../draftStore.ts'

/** Studs and posts an eye can go on. A name not known yet makes a power ground or battery circuit. */
export function StudTable({ machine }: { machine: Machine }) {
  const [name, setName] = useState('')
  const [role, setRole] = useState<StudRole>('ground')
  const [thread, setThread] = useState('6')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const threadMm = Number(thread)
    if (name.trim() === '' || !(threadMm > 0)) return
    changeDraft((before) => {
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
      const stud: Stud = {
        id: idFrom(
          name,
          before.studs.map((item) => item.id),
        ),
        name: name.trim(),
        net: net.id,
        zone: before.zones[0]?.id ?? asId('machine'),
        place: 'place not written down',
        threadMm,
        role,
      }
      return {
        ...before,
        nets: known ? before.nets : [...before.nets, net],
        studs: [...before.studs, stud],
        ...(role === 'battery negative' ? { batteries: [...(before.batteries ?? []), stud.id] } : {}),
      }
    })
    setName('')
  }
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
            <Button look="quiet" onClick={() => changeDraft((before) => withoutStud(before, stud.id))}>
              Take out
            </Button>
          </li>
        ))}
      </ul>
      <form onSubmit={submit} className="flex flex-wrap items-end gap-2">
        <label className="flex flex-col text-small font-semibold">
          Stud
          <input
            value={name}
            maxLength={80}
            placeholder="Battery negative"
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="flex flex-col text-small font-semibold">
          Is
          <select
            value={role}
            onChange={(event) => setRole(studRoles.find((item) => item === event.target.value) ?? role)}
          >
            {studRoles.map((item) => (
              <option key={item}>{item}</option>
            ))}
          </select>
        </label>
        <label className="flex flex-col text-small font-semibold">
          Thread, M
          <input
            inputMode="numeric"
            value={thread}
            onChange={(event) => setThread(event.target.value)}
            className="figures w-20"
          />
        </label>
        <Button type="submit" disabled={name.trim() === ''}>
          Add the stud
        </Button>
      </form>
    </section>
  )
}
