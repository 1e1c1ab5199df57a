import { accessGaps } from '@tidy-badger/core/access'
import { routeGaps } from '@tidy-badger/core/routing'
import {
  machineGaps,
  missingFrom,
  parseMachine,
  type ColourLanguage,
  type ColourOrder,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { PlugFace } from '../wiring/index.ts'
import { CircuitTable } from './components/CircuitTable.tsx'
import { CoverTable } from './components/CoverTable.tsx'
import { DraftState, type Gap } from './components/DraftState.tsx'
import { NewPlug } from './components/NewPlug.tsx'
import { PastePinout } from './components/PastePinout.tsx'
import { PlugDetails } from './components/PlugDetails.tsx'
import { RouteMap } from './components/RouteMap.tsx'
import { PassageTable, PlaceTable } from './components/RouteTables.tsx'
import { ReadingOrder } from './components/ReadingOrder.tsx'
import { StudTable } from './components/StudTable.tsx'
import { WireGrid } from './components/WireGrid.tsx'

/** A machine that is being written: its plugs and wires, covers, ways and passages. */
export function MachineEditor({ id, machine }: { id: string; machine: Machine }) {
  const [picked, setPicked] = useState<string | null>(machine.connectors[0]?.id ?? null)
  const [order, setOrder] = useState<ColourOrder>('base first')
  const [language, setLanguage] = useState<ColourLanguage | ''>('')
  const [pasted, setPasted] = useState(0)
  const connector = machine.connectors.find((item) => item.id === picked)
  const reading = { order, ...(language === '' ? {} : { language }) }
  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[230px_minmax(0,1fr)_340px]">
        <nav aria-label="Plugs" className="flex flex-col gap-3">
          <ul className="flex max-h-[46vh] flex-col overflow-y-auto">
            {machine.connectors.map((item) => (
              <li key={item.id}>
                <button
                  type="button"
                  aria-pressed={item.id === picked}
                  onClick={() => setPicked(item.id)}
                  className={`min-h-11 w-full rounded-lg border-2 px-3 text-left font-text ${item.id === picked ? 'border-lamp bg-paper font-bold' : 'border-transparent'}`}
                >
                  {item.name} <span className="text-quiet">{item.cavities.length}</span>
                </button>
              </li>
            ))}
          </ul>
          <NewPlug machine={machine} onMade={setPicked} />
        </nav>
        <div>
          {connector ? (
            <>
              <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
                <h2 className="text-title font-bold">{connector.name}</h2>
                <ReadingOrder order={order} onOrder={setOrder} language={language} onLanguage={setLanguage} />
                <PastePinout
                  machine={machine}
                  connector={connector}
                  reading={reading}
                  onTaken={() => setPasted(pasted + 1)}
                />
              </div>
              <WireGrid key={`${connector.id} ${pasted}`} machine={machine} connector={connector} reading={reading} />
            </>
          ) : (
            <p className="py-10 text-center text-lead text-quiet">
              Name the first plug on the left: its cavities come at once.
            </p>
          )}
        </div>
        <aside className="flex flex-col gap-5">
          {connector && (
            <>
              <PlugFace key={connector.id} machine={machine} connector={connector} list={false} />
              <PlugDetails machine={machine} connector={connector} onGone={() => setPicked(null)} />
            </>
          )}
          <Gaps id={id} machine={machine} onPick={setPicked} />
        </aside>
      </div>
      <div className="mt-6">
        <CoverTable machine={machine} />
      </div>
      <div className="mt-6">
        <RouteMap machine={machine} />
      </div>
      <div className="mt-6">
        <PassageTable machine={machine} />
      </div>
      <div className="mt-6">
        <PlaceTable machine={machine} />
      </div>
      <div className="mt-6 grid grid-cols-[minmax(0,1fr)] gap-8 lg:grid-cols-2">
        <CircuitTable machine={machine} />
        <StudTable machine={machine} />
      </div>
    </>
  )
}

function Gaps({ id, machine, onPick }: { id: string; machine: Machine; onPick: (connector: string) => void }) {
  const gaps: Gap[] = [
    ...[...machineGaps(machine), ...((machine.covers ?? []).length > 0 ? accessGaps(machine) : [])].map(
      ({ at: { connector }, says, remedy }) => ({
        ...{ says, remedy },
        ...(connector === undefined ? {} : { onPick: () => onPick(connector) }),
      }),
    ),
    ...routeGaps(machine).map(({ message }) => ({ says: message, remedy: '' })),
  ]
  const parsed = parseMachine(machine)
  return (
    <DraftState
      id={id}
      document={machine}
      gaps={gaps}
      problems={parsed.ok ? [] : parsed.problems}
      missing={missingFrom(machine).map(({ costs }) => costs)}
      begun={machine.connectors.length > 0}
    />
  )
}
