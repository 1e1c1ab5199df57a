import { findWires } from '@tidy-badger/core/wiring'
import { Command } from 'cmdk'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { useJob } from '../../jobs/index.ts'
import { WireFoundWords } from './WiresFound.tsx'

/** Letters in, wires out; what is picked is shown at hook-up. */
export function WireFinder({ onPicked }: { onPicked: () => void }) {
  const { job, dossiers } = useJob()
  const navigate = useNavigate()
  const [query, setQuery] = useState('')
  const found = useMemo(() => findWires(dossiers.machine, query, 40), [dossiers.machine, query])
  return (
    <Command label="Find any wire" shouldFilter={false}>
      <Command.Input value={query} onValueChange={setQuery} placeholder="gy/vi, crank 2, 5v" className="w-full" />
      <Command.List aria-label="Wires found" className="mt-2">
        <Command.Empty className="px-2 py-3">No wire of that description.</Command.Empty>
        {found.map((item) => (
          <Command.Item
            key={`${item.connector} ${item.cavity}`}
            value={`${item.connector} ${item.cavity}`}
            onSelect={() => {
              onPicked()
              void navigate(`/job/${job.id}/hook-up?plug=${item.connector}&cavity=${item.cavity}`)
            }}
            className="flex min-h-11 cursor-pointer items-center gap-3 rounded-lg px-2 data-[selected=true]:bg-ink data-[selected=true]:text-ground"
          >
            <WireFoundWords item={item} />
          </Command.Item>
        ))}
      </Command.List>
    </Command>
  )
}
