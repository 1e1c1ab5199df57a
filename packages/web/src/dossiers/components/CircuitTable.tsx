import {
  placeKey,
  signalKinds,
  signalRoles,
  sourceOf,
  surfacesOf,
  type Machine,
  type Net,
} from '@tidy-badger/core/dossiers'
import { netFields, sortText, textsOf, withSort, withTyped } from '@tidy-badger/core/dossier-writing'
import type { Outcome } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { Grid, type GridColumn } from '../../ui/Grid.tsx'
import { KnownPick } from './KnownPick.tsx'
import { changeMachine, keepMade, machineDrafting } from '../draftStore.ts'

/** What every circuit carries and what it is for; the unknown ones first. */
export function CircuitTable({ machine }: { machine: Machine }) {
  const unknown = (net: Net) => net.signal === 'unknown' || net.role === 'unknown'
  const nets = [...machine.nets.filter(unknown), ...machine.nets.filter((net) => !unknown(net))]
  const change = (id: string, next: Partial<Net>) =>
    changeMachine((before) => ({
      ...before,
      nets: before.nets.map((net) => (net.id === id ? { ...net, ...next } : net)),
    }))
  if (nets.length === 0) return null
  const columns: GridColumn<Net>[] = [
    {
      id: 'name',
      head: 'circuit',
      width: 'w-[18%]',
      text: (net) => net.name,
      cell: (net) => <span className="block px-1 pt-2">{net.name}</span>,
    },
    {
      id: 'signal',
      head: 'carries',
      cell: (net) => (
        <Pick
          label={`What ${net.name} carries`}
          value={net.signal}
          list={signalKinds}
          onPick={(signal) => change(net.id, { signal })}
        />
      ),
    },
    {
      id: 'role',
      head: 'is for',
      cell: (net) => (
        <Pick
          label={`What ${net.name} is for`}
          value={net.role}
          list={signalRoles}
          onPick={(role) => change(net.id, { role })}
        />
      ),
    },
    {
      id: 'words',
      head: 'in words',
      cell: (net) => (
        <Typed
          key={sortText(net)}
          label={`What ${net.name} is for, in words`}
          text={sortText(net)}
          keep={(words) => keepMade(machineDrafting, machine, (now) => withSort(now, net.id, words))}
        />
      ),
    },
    ...netFields.map((field): GridColumn<Net> => ({
      id: field.name,
      head: field.label,
      width: 'w-[8%]',
      cell: (net) => {
        const { [field.name]: text = '' } = textsOf(net, [field])
        return (
          <Typed
            key={text}
            label={`${field.label}, ${net.name}`}
            text={text}
            keep={(typed) =>
              keepMade(machineDrafting, machine, (now) => {
                const at = now.nets.findIndex(({ id }) => id === net.id)
                return withTyped('machine', now, ['nets', String(at)], [field], { [field.name]: typed })
              })
            }
          />
        )
      },
    })),
    {
      id: 'known',
      head: 'known',
      cell: (net) => <KnownPick of="nets" id={net.id} name={net.name} />,
    },
    {
      id: 'source',
      head: 'comes from',
      cell: (net) =>
        net.signal.startsWith('supply') && (
          <Source machine={machine} net={net} onPick={(source) => change(net.id, { source })} />
        ),
    },
  ]
  return (
    <section>
      <h2 className="mb-1 text-title font-bold">Circuits</h2>
      <div className="max-h-96 overflow-auto" tabIndex={0} role="group" aria-label="Circuits">
        <Grid
          label="Circuits of the machine"
          className="w-full min-w-[68rem] table-fixed [&_select]:w-full [&_select]:min-w-0 [&_select]:pr-1"
          rows={nets}
          idOf={(net) => net.id}
          columns={columns}
          rowClass={(net) => `border-l-[5px] ${unknown(net) ? 'border-lamp' : 'border-transparent'}`}
        />
      </div>
    </section>
  )
}

/** Words typed in a cell, kept when it is left; what does not read stays, with its reason. */
function Typed({ label, text, keep }: { label: string; text: string; keep: (text: string) => Outcome<Machine> }) {
  const [typed, setTyped] = useState(text)
  const [wrong, setWrong] = useState('')
  const store = () => {
    if (typed.trim() === text.trim()) return setWrong('')
    const made = keep(typed)
    setWrong(made.ok ? '' : (made.problems[0]?.message ?? ''))
  }
  return (
    <>
      <input
        aria-label={label}
        aria-invalid={wrong !== ''}
        className="w-full min-w-0"
        autoComplete="off"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={store}
        onKeyDown={(event) => event.key === 'Enter' && store()}
      />
      {wrong !== '' && (
        <span role="alert" className="text-small text-stop">
          {wrong}
        </span>
      )}
    </>
  )
}

function Pick<Item extends string>({
  label,
  value,
  list,
  onPick,
}: {
  label: string
  value: Item
  list: readonly Item[]
  onPick: (value: Item) => void
}) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onPick(list.find((item) => item === event.target.value) ?? value)}
    >
      {list.map((item) => (
        <option key={item} value={item}>
          {item.replaceAll('-', ' ')}
        </option>
      ))}
    </select>
  )
}

/** Where a supply comes from: one of its own studs and cavities; as found by its plugs until somebody says it. */
function Source({ machine, net, onPick }: { machine: Machine; net: Net; onPick: (source: Net['source']) => void }) {
  const places = surfacesOf(machine, net).flatMap((place) => ('splice' in place ? [] : [place]))
  const found = sourceOf(machine, net, places)
  const name = (place: (typeof places)[number]) =>
    'stud' in place
      ? (machine.studs.find(({ id }) => id === place.stud)?.name ?? place.stud)
      : `${machine.connectors.find(({ id }) => id === place.connector)?.name ?? place.connector}, ${place.cavity}`
  return (
    <select
      aria-label={`Where ${net.name} comes from`}
      value={found ? placeKey(found) : ''}
      onChange={(event) => onPick(places.find((place) => placeKey(place) === event.target.value))}
    >
      {places.length === 0 && <option value="">nothing joined yet</option>}
      {places.map((place) => (
        <option key={placeKey(place)} value={placeKey(place)}>
          {name(place)}
        </option>
      ))}
    </select>
  )
}
