import type { WireFound } from '@tidy-badger/core/wiring'
import { Search } from 'lucide-react'
import { Suspense, useState } from 'react'
import { later } from '../../ui/comesLater.tsx'

const WiresFound = later(async () => (await import('./WiresFound.tsx')).WiresFound)

/** Any wire by colour, pin, signal or text in one box. */
export function WireSearch({ onPick }: { onPick: (found: WireFound) => void }) {
  const [query, setQuery] = useState('')
  return (
    <div className="relative w-full max-w-[340px]">
      <Search aria-hidden size={20} className="absolute top-3 left-3 text-quiet" />
      <input
        type="search"
        aria-label="Find any wire"
        placeholder="Find any wire: gy/vi, crank 2…"
        value={query}
        onKeyDown={(event) => event.key === 'Escape' && setQuery('')}
        onChange={(event) => setQuery(event.target.value)}
        className="w-full !pl-10"
      />
      {query.trim() !== '' && (
        <Suspense fallback={null}>
          <WiresFound
            query={query}
            onPick={(found) => {
              setQuery('')
              onPick(found)
            }}
          />
        </Suspense>
      )}
    </div>
  )
}
