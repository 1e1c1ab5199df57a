import type { ModuleSupply } from '@tidy-badger/core/circuit'
import type { JobSupply } from '@tidy-badger/core/jobs'
import { useJob } from '../jobs/index.ts'
import { useOnCircuit, type CircuitWork } from './useOnCircuit.ts'

const supplyOf: CircuitWork<JobSupply> = (api, key, state) => api.supply(key, state)

/** What stands at the module’s own pins, by the circuit: as planned and as joined now, state by state. */
export function ModuleSupplyTable() {
  const { dossiers, state } = useJob()
  const supply = useOnCircuit(dossiers, state, supplyOf)
  if (supply === null) return <p className="min-h-44 text-quiet">Working out what the module gets…</p>
  if (supply.planned.length === 0)
    return <p>The module lives from the control unit’s own plug: measure there, not at the loom.</p>
  const joined = state.connections.length > 0
  return (
    <div className="overflow-x-auto">
      <table className="w-full max-w-[720px]">
        <caption className="sr-only">Supply and ground of the module by the circuit</caption>
        <thead>
          <tr className="border-b-2 border-line text-left align-bottom">
            <th scope="col">State</th>
            <th scope="col">Battery</th>
            <th scope="col">Module as planned</th>
            <th scope="col">its ground</th>
            {joined && <th scope="col">Module as joined now</th>}
            {joined && <th scope="col">its ground</th>}
          </tr>
        </thead>
        <tbody>
          {supply.planned.map((row, i) => (
            <tr key={row.state} className="border-b-2 border-line-soft">
              <th scope="row" className="py-1.5 text-left font-semibold">
                {row.state}
              </th>
              <td className="figures">{volts(row.batteryV)}</td>
              <Pins row={row} />
              {joined && <Pins row={supply.built[i]} />}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-[15px] text-quiet">
        Red lead on the module’s supply pin, black on its ground; its ground against battery negative. With everything
        on that the state brings, along the machine’s own wires.
      </p>
    </div>
  )
}

function Pins({ row }: { row: ModuleSupply }) {
  return (
    <>
      <td className="figures font-semibold">{volts(row.supplyV)}</td>
      <td className="figures">
        {row.groundV !== null && Math.abs(row.groundV) < 1
          ? `${Math.round(row.groundV * 1000)} mV`
          : volts(row.groundV)}
      </td>
    </>
  )
}

function volts(value: number | null): string {
  return value === null ? 'floating' : `${Math.abs(value) < 0.005 ? '0.00' : value.toFixed(2)} V`
}
