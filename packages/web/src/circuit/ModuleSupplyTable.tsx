import type { FeedLoad, ModuleSupply, ParkedDrain } from '@tidy-badger/core/circuit'
import { lastsWords } from '@tidy-badger/core/electrical'
import type { JobSupply } from '@tidy-badger/core/jobs'
import { useJob } from '../jobs/index.ts'
import { useOnCircuit, type CircuitWork } from './useOnCircuit.ts'

const supplyOf: CircuitWork<JobSupply[]> = (api, key, state) => api.supply(key, state)

/** How each module is fed, by the circuit: as planned and as joined now, state by state. */
export function ModuleSupplyTable() {
  const { dossiers, state } = useJob()
  const supplies = useOnCircuit(dossiers, state, supplyOf)
  if (supplies === null) return <p className="min-h-44 text-quiet">Working out what the module gets…</p>
  const joined = state.connections.length > 0
  return supplies.map((supply) => (
    <OneModule key={supply.key} supply={supply} joined={joined} named={supplies.length > 1} />
  ))
}

function OneModule({ supply, joined, named }: { supply: JobSupply; joined: boolean; named: boolean }) {
  const { name, planned, built } = supply
  return (
    <div className="grid gap-3">
      {named && <h3 className="font-bold">{name}</h3>}
      {planned.states.length === 0 ? (
        <p>The module lives from the control unit’s own plug: measure there, not at the loom.</p>
      ) : (
        <Pins planned={planned.states} built={joined ? built.states : null} />
      )}
      {planned.feeds.length > 0 && <Feeds planned={planned.feeds} built={joined ? built.feeds : null} />}
      <dl className="grid max-w-[720px] grid-cols-[1fr_auto] gap-x-3">
        <Parked title="Standing, joined as planned" parked={planned.parked} />
        {joined && <Parked title="Standing, as joined now" parked={built.parked} />}
      </dl>
    </div>
  )
}

function Pins({ planned, built }: { planned: readonly ModuleSupply[]; built: readonly ModuleSupply[] | null }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full max-w-[720px]">
        <caption className="sr-only">Supply and ground of the module by the circuit</caption>
        <thead>
          <tr className="border-b-2 border-line text-left align-bottom">
            <th scope="col">State</th>
            <th scope="col">Battery</th>
            <th scope="col">Supply</th>
            <th scope="col">its ground</th>
            <th scope="col">lost on the way</th>
            <th scope="col">takes</th>
          </tr>
        </thead>
        <PinRows title={built ? 'As planned' : null} rows={planned} />
        {built && <PinRows title="As joined now" rows={built} />}
      </table>
      <p className="text-small text-quiet">
        Red lead on the module’s supply pin, black on its ground; its ground against battery negative. With everything
        on that the state brings, along the machine’s own wires.
      </p>
    </div>
  )
}

function PinRows({ title, rows }: { title: string | null; rows: readonly ModuleSupply[] }) {
  return (
    <tbody className="[&_td]:pr-3 [&_td]:whitespace-nowrap">
      {title && (
        <tr>
          <th scope="rowgroup" colSpan={6} className="pt-2 text-left font-bold">
            {title}
          </th>
        </tr>
      )}
      {rows.map((row) => (
        <tr key={row.state} className="border-b-2 border-line-soft">
          <th scope="row" className="py-1.5 pr-3 text-left font-semibold whitespace-nowrap">
            {row.state}
          </th>
          <td className="figures">{volts(row.batteryV)}</td>
          <td className="figures font-semibold">{volts(row.supplyV)}</td>
          <td className="figures">{small(row.groundV)}</td>
          <td className="figures">{row.lostV === null ? '–' : small(row.lostV)}</td>
          <td className="figures">{amps(row.moduleA)}</td>
        </tr>
      ))}
    </tbody>
  )
}

function Feeds({ planned, built }: { planned: readonly FeedLoad[]; built: readonly FeedLoad[] | null }) {
  return (
    <ul aria-label="Feeds and their fuses" className="grid max-w-[720px] gap-1">
      {planned.map((feed, i) => {
        const now = built?.[i]
        const said = now?.fuse ?? feed.fuse
        return (
          <li key={feed.kitEnd}>
            <span className="font-semibold">{feed.name}</span>: at most{' '}
            <span className="figures">{amps(feed.mostA)}</span> as planned
            {now && (
              <>
                , <span className="figures">{amps(now.mostA)}</span> as joined now
              </>
            )}
            .{' '}
            {said ? (
              <span className={said.ok ? 'text-quiet' : 'font-semibold text-stop'}>Fuse: {said.why}</span>
            ) : (
              <span className="text-quiet">No fuse of its own; the circuit’s protects it.</span>
            )}
          </li>
        )
      })}
    </ul>
  )
}

function Parked({ title, parked: { machineMa, kitsMa, days } }: { title: string; parked: ParkedDrain }) {
  return (
    <>
      <dt>
        {title}{' '}
        <span className="figures text-quiet">
          (kit {milliamps(kitsMa)}
          {machineMa === null ? '' : `, machine ${milliamps(machineMa)}`})
        </span>
      </dt>
      <dd className="figures text-right font-semibold">{lastsWords(days)}</dd>
    </>
  )
}

function milliamps(value: number): string {
  const size = Math.abs(value)
  return `${size < 0.05 ? 0 : size < 10 ? size.toFixed(1) : Math.round(size)} mA`
}

function amps(value: number): string {
  return Math.abs(value) < 0.0995 ? milliamps(value * 1000) : `${value.toFixed(2)} A`
}

function small(value: number | null): string {
  return value !== null && Math.abs(value) < 1 ? `${Math.round(value * 1000)} mV` : volts(value)
}

function volts(value: number | null): string {
  return value === null ? 'floating' : `${Math.abs(value) < 0.005 ? '0.00' : value.toFixed(2)} V`
}
