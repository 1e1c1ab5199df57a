import type { Connector, KitEndId } from '@tidy-badger/core/dossiers'
import { connectorLookalikes, endLookalikes } from '@tidy-badger/core/wiring'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { PlugFace } from './PlugFace.tsx'

/** Plugs that could be taken for the one wanted, each beside it, with the feature that tells. */
export function LookalikeSheet({ wanted, kitEnd }: { wanted: Connector; kitEnd: KitEndId }) {
  const { dossiers } = useJob()
  const { machine, kit } = dossiers
  const [open, setOpen] = useState(false)
  const looks = connectorLookalikes(machine, wanted.id)
  const [at, setAt] = useState(0)
  const look = looks[at]
  const other = machine.connectors.find((item) => item.id === look?.connector)
  const ends = endLookalikes(kit, kitEnd)
  if (!look || !other) return null
  return (
    <>
      <Button onClick={() => setOpen(true)}>See both plugs side by side</Button>
      <Sheet open={open} onClose={() => setOpen(false)} title="Not this one" hint={look.shared} wide>
        <div className="grid gap-5 sm:grid-cols-2">
          <section>
            <h3 className="mb-2 border-l-[5px] border-good pl-3 text-lead font-bold">Yours: {wanted.name}</h3>
            <PlugFace machine={machine} connector={wanted} />
            <p className="mt-1 text-quiet">{wanted.place}</p>
          </section>
          <section>
            <h3 className="mb-2 border-l-[5px] border-stop pl-3 text-lead font-bold">Not: {other.name}</h3>
            <PlugFace machine={machine} connector={other} />
            <p className="mt-1 text-quiet">{other.place}</p>
          </section>
        </div>
        <p className="mt-4 text-title font-semibold">{look.telling}</p>
        {looks.length > 1 && (
          <div className="mt-4 flex flex-wrap gap-2">
            {looks.slice(0, 6).map((item, i) => (
              <Button
                key={item.connector}
                aria-pressed={i === at}
                look={i === at ? 'main' : 'plain'}
                onClick={() => setAt(i)}
              >
                {machine.connectors.find((plug) => plug.id === item.connector)?.name}
              </Button>
            ))}
          </div>
        )}
        {ends.length > 0 && (
          <section className="mt-6">
            <h3 className="text-lead font-bold">On the kit’s side</h3>
            <ul className="mt-1 flex flex-col gap-2">
              {ends.map((item) => (
                <li key={`${item.kitEnd}${item.name}`}>
                  <strong>{item.name}</strong>: {item.shared}. {item.telling}
                </li>
              ))}
            </ul>
          </section>
        )}
      </Sheet>
    </>
  )
}
