import { findWires } from '@tidy-badger/core/wiring'
import { Command } from 'cmdk'
import { Search } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { useJob } from '../../jobs/index.ts'
import { HeadButton } from '../../ui/HeadButton.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import { WireFoundWords } from './WireSearch.tsx'

/** Any wire of the machine, from any station: what is picked is shown at hook-up. */
export function WireButton() {
  const { job, dossiers } = useJob()
  const navigate = useNavigate()
  const [open, setOpen] = useState(false)
  const [query, setQuery] = useState('')
  useKeys({ f: () => setOpen(true) })
  const found = useMemo(() => (open ? findWires(dossiers.machine, query, 40) : []), [dossiers.machine, query, open])
  return (
    <>
      <HeadButton onClick={() => setOpen(true)}>
        <Search aria-hidden size={20} />
        <span className="max-lg:sr-only">Wire</span>
      </HeadButton>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title="Find any wire"
        hint="By colours, plug, pin, circuit or cross-section: gy/vi throttle, crank 2, 5v, 0.75."
      >
        <Command label="Find any wire" shouldFilter={false}>
          <Command.Input value={query} onValueChange={setQuery} placeholder="gy/vi, crank 2, 5v" className="w-full" />
          <Command.List aria-label="Wires found" className="mt-2">
            <Command.Empty className="px-2 py-3">No wire of that description.</Command.Empty>
            {found.map((item) => (
              <Command.Item
                key={`${item.connector} ${item.cavity}`}
                value={`${item.connector} ${item.cavity}`}
                onSelect={() => {
                  setOpen(false)
                  setQuery('')
                  void navigate(`/job/${job.id}/hook-up?plug=${item.connector}&cavity=${item.cavity}`)
                }}
                className="flex min-h-11 cursor-pointer items-center gap-3 rounded-lg px-2 data-[selected=true]:bg-ink data-[selected=true]:text-ground"
              >
                <WireFoundWords item={item} />
              </Command.Item>
            ))}
          </Command.List>
        </Command>
      </Sheet>
    </>
  )
}
