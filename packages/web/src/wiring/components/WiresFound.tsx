import { findWires, type WireFound } from '@tidy-badger/core/wiring'
import { wireAt } from '@tidy-badger/core/dossiers'
import { useMemo } from 'react'
import { useJob } from '../../jobs/index.ts'
import { WireChip } from '../Wire.tsx'

/** What a few letters find, to be picked. */
export function WiresFound({ query, onPick }: { query: string; onPick: (found: WireFound) => void }) {
  const { dossiers } = useJob()
  const found = useMemo(() => findWires(dossiers.machine, query, 40), [dossiers.machine, query])
  return (
    <ul
      aria-label="Wires found"
      className="absolute right-0 left-0 z-20 mt-1 max-h-[50vh] min-w-[320px] overflow-y-auto rounded-lg border-2 border-ink bg-ground p-1.5"
    >
      {found.map((item) => (
        <WireFoundRow key={`${item.connector}-${item.cavity}`} item={item} onPick={() => onPick(item)} />
      ))}
      {found.length === 0 && <li className="px-2 py-2 text-quiet">No wire of that description.</li>}
    </ul>
  )
}

/** One wire found, to be picked. */
export function WireFoundRow({ item, onPick }: { item: WireFound; onPick: () => void }) {
  return (
    <li>
      <button
        type="button"
        onClick={onPick}
        className="flex min-h-11 w-full items-center gap-3 rounded-lg px-2 text-left font-text hover:bg-line-soft"
      >
        <WireFoundWords item={item} />
      </button>
    </li>
  )
}

/** Its colours drawn and named, its circuit, its place. */
export function WireFoundWords({ item }: { item: WireFound }) {
  const { dossiers } = useJob()
  const wire = wireAt(dossiers.machine, item.connector, item.cavity)
  return (
    <>
      {wire && <WireChip colour={wire.colour} />}
      <span className="min-w-0 flex-1 leading-tight">
        {item.wire} <span className="opacity-80">{item.net}</span>
        <span className="block text-small opacity-80">
          {item.connectorName}, cavity {item.cavity}
        </span>
      </span>
    </>
  )
}
