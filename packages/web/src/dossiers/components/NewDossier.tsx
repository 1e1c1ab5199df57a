import { Suspense, useState } from 'react'
import type { DossierRow } from '../../jobs/index.ts'
import { later } from '../../ui/comesLater.tsx'
import { Loading } from '../../ui/states.tsx'
import { NewMachine } from './NewMachine.tsx'

const NewKit = later(async () => (await import('../kit/NewKit.tsx')).NewKit)

const kinds = ['machine', 'kit'] as const

/** A machine or a kit that nobody has written down yet. */
export function NewDossier({ rows }: { rows: DossierRow[] }) {
  const [kind, setKind] = useState<(typeof kinds)[number]>('machine')
  const alike = rows.filter((row) => row.kind === kind)
  const taken = alike.map(({ id }) => id)
  return (
    <section className="flex flex-col gap-3 rounded-xl border-2 border-ink bg-paper p-4">
      <h2 className="text-title font-bold">A {kind} that is not here</h2>
      <div className="flex gap-2" role="group" aria-label="What it is">
        {kinds.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === kind}
            onClick={() => setKind(one)}
            className={`min-h-11 flex-1 rounded-lg border-2 px-3 font-head font-semibold ${one === kind ? 'border-lamp' : 'border-line'}`}
          >
            {one === 'machine' ? 'Machine' : 'Kit'}
          </button>
        ))}
      </div>
      <Suspense fallback={<Loading what="Fetching the form…" />}>
        {kind === 'machine' ? <NewMachine rows={alike} taken={taken} /> : <NewKit rows={alike} taken={taken} />}
      </Suspense>
    </section>
  )
}
