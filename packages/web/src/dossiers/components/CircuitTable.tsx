import {
  placeKey,
  signalKinds,
  signalRoles,
  sourceOf,
  surfacesOf,
  type Machine,
  type Net,
} from '@tidy-badger/core/dossiers'
import { changeDraft } from '../draftStore.ts'

/** What every circuit carries and what it is for; the unknown ones first. */
export function CircuitTable({ machine }: { machine: Machine }) {
  const unknown = (net: Net) => net.signal === 'unknown' || net.role === 'unknown'
  const nets = [...machine.nets.filter(unknown), ...machine.nets.filter((net) => !unknown(net))]
  const change = (id: string, next: Partial<Net>) =>
    changeDraft((before) => ({
      ...before,
      nets: before.nets.map((net) => (net.id === id ? { ...net, ...next } : net)),
    }))
  if (nets.length === 0) return null
  return (
    <section>
      <h2 className="mb-1 text-title font-bold">Circuits</h2>
      <div className="max-h-96 overflow-y-auto" tabIndex={0} role="group" aria-label="Circuits">
        <table className="w-full table-fixed [&_select]:w-full [&_select]:min-w-0 [&_select]:pr-1">
          <thead>
            <tr className="text-left text-small">
              <th className="w-[22%]">circuit</th>
              <th>carries</th>
              <th>is for</th>
              <th>comes from</th>
            </tr>
          </thead>
          <tbody>
            {nets.map((net) => (
              <tr
                key={net.id}
                className={unknown(net) ? 'border-l-[5px] border-lamp' : 'border-l-[5px] border-transparent'}
              >
                <td className="px-2">{net.name}</td>
                <td className="p-0.5">
                  <select
                    aria-label={`What ${net.name} carries`}
                    value={net.signal}
                    onChange={(event) =>
                      change(net.id, { signal: signalKinds.find((kind) => kind === event.target.value) ?? net.signal })
                    }
                  >
                    {signalKinds.map((kind) => (
                      <option key={kind} value={kind}>
                        {kind.replaceAll('-', ' ')}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="p-0.5">
                  <select
                    aria-label={`What ${net.name} is for`}
                    value={net.role}
                    onChange={(event) =>
                      change(net.id, { role: signalRoles.find((role) => role === event.target.value) ?? net.role })
                    }
                  >
                    {signalRoles.map((role) => (
                      <option key={role} value={role}>
                        {role.replaceAll('-', ' ')}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="p-0.5">
                  {net.signal.startsWith('supply') && (
                    <Source machine={machine} net={net} onPick={(source) => change(net.id, { source })} />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
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
