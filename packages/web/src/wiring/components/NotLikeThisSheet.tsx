import { wireAt, wireName, type KitEnd, type TapMethod } from '@tidy-badger/core/dossiers'
import type { EntryBody } from '@tidy-badger/core/jobs'
import type { ConnectionTarget } from '@tidy-badger/core/wiring'
import { useMemo, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { WireChip } from '../Wire.tsx'

/** What was really done with an end: where it is, that it is off, or a note. The check answers at once. */
export function NotLikeThisSheet({ open, onClose, end }: { open: boolean; onClose: () => void; end: KitEnd }) {
  const { write, state, dossiers } = useJob()
  const connected = state.connections.some((connection) => connection.kitEnd === end.id)
  const [text, setText] = useState('')
  const record = async (...bodies: EntryBody[]) => {
    if (await write(...bodies)) onClose()
  }
  /** What was there is taken off in the same batch, so that the journal tells one story. */
  const connect = (to: ConnectionTarget, method?: TapMethod) =>
    record(...(connected ? [{ kind: 'disconnected' as const, kitEnd: end.id }] : []), {
      kind: 'connected',
      kitEnd: end.id,
      to,
      ...(method ? { method } : {}),
    })
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title={`${end.name}: not as planned`}
      hint="Say what is there. If something speaks against it, it is said at once."
      wide
    >
      <div className="flex flex-col gap-6">
        {connected && (
          <Button onClick={() => void record({ kind: 'disconnected', kitEnd: end.id })}>It is taken off again</Button>
        )}
        {end.type === 'inline-pair' && (
          <section>
            <h3 className="mb-2 text-lg font-bold">The pair</h3>
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => void connect({ kitEnd: end.id })}>Its two halves are mated to each other</Button>
            </div>
            <h3 className="mt-5 mb-2 text-lg font-bold">It is on another plug</h3>
            <ul className="grid gap-2 sm:grid-cols-2">
              {dossiers.machine.connectors.map((connector) => (
                <li key={connector.id}>
                  <Button
                    className="w-full !justify-start text-left"
                    onClick={() => void connect({ connector: connector.id })}
                  >
                    {connector.name}{' '}
                    <span className="font-normal text-quiet">
                      {connector.cavities.length}-pin {connector.shell.colour}
                    </span>
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
        {end.type === 'flying-lead' && <WireFinder onPick={(to, method) => void connect(to, method)} />}
        {end.type === 'ring' && (
          <section>
            <h3 className="mb-2 text-lg font-bold">It is under another nut</h3>
            <ul className="flex flex-col gap-2">
              {dossiers.machine.studs.map((stud) => (
                <li key={stud.id}>
                  <Button className="w-full !justify-start text-left" onClick={() => void connect({ stud: stud.id })}>
                    {stud.name} <span className="font-normal text-quiet">{stud.place}</span>
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
        {end.type !== 'inline-pair' && (
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => void connect({ closed: 'cap' })}>It is capped</Button>
            {end.type === 'port' && (
              <Button onClick={() => void connect({ closed: 'terminator' })}>The terminator is in</Button>
            )}
          </div>
        )}
        <form
          className="flex flex-col gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (text.trim() !== '')
              void record({ kind: 'note', text: text.trim(), about: { kitEnd: end.id } }).then(() => setText(''))
          }}
        >
          <label className="flex flex-col gap-1 font-semibold">
            Something else
            <textarea
              rows={2}
              value={text}
              onChange={(event) => setText(event.target.value)}
              placeholder="Broken tab, plug upside down, another colour…"
            />
          </label>
          <Button type="submit" className="self-start" disabled={text.trim() === ''}>
            Write it down
          </Button>
        </form>
      </div>
    </Sheet>
  )
}

/** Any wire of the machine by colour, plug, cavity or signal. */
function WireFinder({ onPick }: { onPick: (to: ConnectionTarget, method: TapMethod) => void }) {
  const { dossiers } = useJob()
  const { machine, kit } = dossiers
  const [query, setQuery] = useState('')
  const [method, setMethod] = useState<TapMethod>(kit.taps[0].method)
  const places = useMemo(
    () =>
      machine.connectors.flatMap((connector) =>
        connector.cavities.flatMap((cavity) => {
          const wire = wireAt(machine, connector.id, cavity.number)
          if (!wire) return []
          const net = machine.nets.find((candidate) => candidate.id === wire.net)?.name ?? ''
          const words =
            `${connector.name} cavity ${cavity.number} ${wireName(wire.colour)} ${wire.colour.base}/${wire.colour.stripe ?? ''} ${net}`.toLowerCase()
          return [{ connector, cavity: cavity.number, wire, net, words }]
        }),
      ),
    [machine],
  )
  const terms = query.toLowerCase().split(/\s+/).filter(Boolean)
  const found = places.filter((place) => terms.every((term) => place.words.includes(term)))
  return (
    <section className="flex flex-col gap-3">
      <h3 className="text-lg font-bold">It is joined to another wire</h3>
      <label className="flex flex-col gap-1 font-semibold">
        Joined with
        <select
          value={method}
          onChange={(event) => setMethod(kit.taps.find((tap) => tap.method === event.target.value)?.method ?? method)}
        >
          {kit.taps.map((tap) => (
            <option key={tap.method}>{tap.method}</option>
          ))}
        </select>
      </label>
      <input
        aria-label="Find a wire"
        placeholder="Colour, plug, cavity or signal"
        value={query}
        onChange={(event) => setQuery(event.target.value)}
      />
      <ul aria-label="Wires found" tabIndex={0} className="flex max-h-72 flex-col gap-1.5 overflow-y-auto">
        {found.map((place) => (
          <li key={`${place.connector.id}-${place.cavity}`}>
            <button
              type="button"
              onClick={() => onPick({ connector: place.connector.id, cavity: place.cavity }, method)}
              className="flex min-h-11 w-full items-center gap-3 rounded-lg border-2 border-line bg-paper px-3 text-left font-text"
            >
              <WireChip colour={place.wire.colour} />
              <span className="min-w-0 flex-1">
                {wireName(place.wire.colour)} <span className="text-quiet">{place.net.toLowerCase()}</span>
              </span>
              <span className="text-[15px] text-quiet">
                {place.connector.name}, {place.cavity}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="text-quiet">No wire of that description.</p>}
    </section>
  )
}
