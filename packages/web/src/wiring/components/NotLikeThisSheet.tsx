import { tapMethods } from '@tidy-badger/core/dossiers'
import type { KitEnd, RingEnd, TapMethod } from '@tidy-badger/core/dossiers'
import { bladeFusesA } from '@tidy-badger/core/electrical'
import { thingsOfEnd, type EntryBody } from '@tidy-badger/core/jobs'
import { type ConnectionTarget, findWires, placeChosen, placeText, type PlannedPlace } from '@tidy-badger/core/wiring'
import { useMemo, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { DossierWrong } from '../../finds/index.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { WireFoundRow } from './WiresFound.tsx'

const otherwise = z.object({ text: words(600) })
const another = z.object({ amps: words(8) })

/** What was really done with an end: where it is, that it is off, or a note. The check answers at once. */
export function NotLikeThisSheet({ open, onClose, end }: { open: boolean; onClose: () => void; end: KitEnd }) {
  const { job, write, state, dossiers, plan } = useJob()
  const match = plan.find(({ kitEnd }) => kitEnd === end.id)
  const connected = state.connections.some((connection) => connection.kitEnd === end.id)
  const record = async (...bodies: EntryBody[]) => {
    if (await write(...bodies)) onClose()
  }
  const fields = useFields(otherwise, {
    start: { text: '' },
    place: `job/${job.id}/not-like-this/${end.id}`,
    onSend: async ({ text }) => {
      const written = await write({ kind: 'note', text, about: { kitEnd: end.id } })
      if (written) onClose()
      return written
    },
  })
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
            <h3 className="mb-2 text-lead font-bold">The pair</h3>
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => void connect({ kitEnd: end.id })}>Its two halves are mated to each other</Button>
            </div>
            <h3 className="mt-5 mb-2 text-lead font-bold">It is on another plug</h3>
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
            <h3 className="mb-2 text-lead font-bold">It is under another nut</h3>
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
        {end.type === 'ring' && end.wants.signal.startsWith('supply') && (
          <LeadFuse
            end={end}
            now={state.connections.find(({ kitEnd }) => kitEnd === end.id)}
            onKeep={(to, fuseA) => void record({ kind: 'connected', kitEnd: end.id, to, fuseA })}
          />
        )}
        {end.type === 'plug' && (
          <section>
            <h3 className="mb-2 text-lead font-bold">It is in another socket</h3>
            <ul className="grid gap-2 sm:grid-cols-2">
              {(dossiers.kit.sockets ?? []).map((socket) => (
                <li key={socket.id}>
                  <Button
                    className="w-full !justify-start text-left"
                    onClick={() => void connect({ kitEnd: socket.id })}
                  >
                    {socket.name}
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
        <PlanHere end={end} onDone={onClose} />
        {end.type !== 'inline-pair' && (
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => void connect({ closed: 'cap' })}>It is capped</Button>
            {end.type === 'vent' && <Button onClick={() => void connect({ open: true })}>It is open and clear</Button>}
            {end.type === 'port' && (
              <Button onClick={() => void connect({ closed: 'terminator' })}>The terminator is in</Button>
            )}
          </div>
        )}
        {thingsOfEnd(dossiers.machine, end, match).length > 0 && <DossierWrong of={{ end, match }} onClose={onClose} />}
        <form className="flex flex-col gap-2" onSubmit={fields.submit}>
          <TextField
            of={fields}
            name="text"
            label="Something else"
            lines={2}
            hint="Broken tab, plug upside down, another colour…"
          />
          <Button type="submit" className="self-start" disabled={!fields.ready}>
            Write it down
          </Button>
        </form>
      </div>
    </Sheet>
  )
}

/** Another fuse in the lead of a feed than the kit's own, or one where the kit has none. */
function LeadFuse({
  end,
  now,
  onKeep,
}: {
  end: RingEnd
  now: { to: ConnectionTarget; fuseA?: number } | undefined
  onKeep: (to: ConnectionTarget, fuseA: number) => void
}) {
  const fields = useFields(another, {
    start: { amps: '' },
    onSend: ({ amps }) => now && onKeep(now.to, Number(amps)),
  })
  const inIt = now?.fuseA ?? end.fuseA
  if (!now) return <p className="text-quiet">Its fuse is asked for once it is joined.</p>
  return (
    <section>
      <h3 className="mb-2 text-lead font-bold">Another fuse is in its lead</h3>
      <form className="flex flex-wrap items-end gap-2" onSubmit={fields.submit}>
        <ChoiceField
          of={fields}
          name="amps"
          label="Fuse"
          options={[
            ['', inIt === undefined ? 'none is known' : `${inIt} A, as it is`],
            ...bladeFusesA.map((amps) => [String(amps), `${amps} A`] as const),
          ]}
        />
        <Button type="submit" disabled={!fields.ready}>
          That one is in
        </Button>
      </form>
    </section>
  )
}

/** Fixes the place of an end by hand: the plan is worked out again around it. */
function PlanHere({ end, onDone }: { end: KitEnd; onDone: () => void }) {
  const { dossiers, plan, state, write } = useJob()
  const [value, setValue] = useState('')
  const targets: PlanChoice[] = useMemo(() => {
    const { machine } = dossiers
    if (end.type === 'inline-pair') return machine.connectors.map((item) => choiceOf({ connector: item.id }, item.name))
    if (end.type === 'ring') return machine.studs.map((item) => choiceOf({ stud: item.id }, item.name))
    if (end.type !== 'flying-lead') return []
    return findWires(machine, '', 2000).map((item) =>
      choiceOf(
        { connector: item.connector, cavity: item.cavity },
        `${item.connectorName}, cavity ${item.cavity}: ${item.wire}, ${item.net}`,
      ),
    )
  }, [dossiers, end])
  const locked = plan.find((match) => match.kitEnd === end.id)?.locked ?? false
  if (targets.length === 0) return null
  const choose = (to: PlannedPlace | null) =>
    write(placeChosen.answer(state, { kitEnd: end.id }, to)).then((written) => written && onDone())
  const picked: PlannedPlace | undefined =
    value === 'cap' ? { closed: 'cap' } : targets.find((item) => item.place === value)?.to
  return (
    <section className="flex flex-col gap-2">
      <h3 className="text-lead font-bold">It shall go elsewhere</h3>
      <label className="flex flex-col gap-1 font-semibold">
        Place in the plan
        <select value={value} onChange={(event) => setValue(event.target.value)}>
          <option value="">choose…</option>
          <option value="cap">nowhere: capped</option>
          {targets.map((item) => (
            <option key={item.place} value={item.place}>
              {item.words}
            </option>
          ))}
        </select>
      </label>
      <div className="flex flex-wrap gap-2">
        <Button disabled={!picked} onClick={() => picked && void choose(picked)}>
          Plan it there
        </Button>
        {locked && <Button onClick={() => void choose(null)}>Back to the plan’s own place</Button>}
      </div>
    </section>
  )
}

/** Any wire of the machine by colour, plug, cavity or signal. */
function WireFinder({ onPick }: { onPick: (to: ConnectionTarget, method: TapMethod) => void }) {
  const { dossiers } = useJob()
  const { machine, kit } = dossiers
  const [query, setQuery] = useState('')
  const [method, setMethod] = useState<TapMethod>(kit.taps[0]?.method ?? tapMethods[0])
  const found = useMemo(() => findWires(machine, query, 80), [machine, query])
  return (
    <section className="flex flex-col gap-3">
      <h3 className="text-lead font-bold">It is joined to another wire</h3>
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
        {found.map((item) => (
          <WireFoundRow
            key={`${item.connector}-${item.cavity}`}
            item={item}
            onPick={() => onPick({ connector: item.connector, cavity: item.cavity }, method)}
          />
        ))}
      </ul>
      {found.length === 0 && <p className="text-quiet">No wire of that description.</p>}
    </section>
  )
}

interface PlanChoice {
  place: string
  to: PlannedPlace
  words: string
}

function choiceOf(to: PlannedPlace, words: string): PlanChoice {
  return { place: placeText(to), to, words }
}
