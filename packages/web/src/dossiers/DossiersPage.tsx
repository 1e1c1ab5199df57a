import { useQuery } from '@tanstack/react-query'
import { Suspense, useState } from 'react'
import { Link } from 'react-router'
import { fetchDossiers, type DossierRow } from '../jobs/index.ts'
import { MachineThumb } from '../machine-view/index.ts'
import { later } from '../ui/comesLater.tsx'
import { Failed, Loading } from '../ui/states.tsx'
import { fetchDrafts } from './api.ts'

const BringFolder = later(async () => (await import('./components/BringFolder.tsx')).BringFolder)
const Library = later(async () => (await import('./components/Library.tsx')).Library)
const NewDossier = later(async () => (await import('./components/NewDossier.tsx')).NewDossier)

/** Every machine and kit that is known, the drafts, and the ways to a new one. */
export function DossiersPage() {
  const [searching, setSearching] = useState(false)
  const dossiers = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers })
  const drafts = useQuery({ queryKey: ['drafts'], queryFn: fetchDrafts })
  if (dossiers.isPending) return <Loading what="Looking what is known…" />
  if (dossiers.isError)
    return (
      <Failed what="The dossiers cannot be shown">
        <p>{dossiers.error.message}</p>
      </Failed>
    )
  const newest = firstOfEach(dossiers.data)
  return (
    <main className="mx-auto grid w-full max-w-6xl grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-6 px-4 py-6 lg:grid-cols-[minmax(0,1fr)_400px] lg:px-8">
      <div className="min-w-0">
        <Link to="/" className="font-semibold underline underline-offset-4">
          The yard
        </Link>
        <h1 className="mt-2 mb-4 text-head font-bold">Machines and kits</h1>
        <Suspense fallback={<Loading what="Fetching the search…" />}>
          <Library onAsked={setSearching} />
        </Suspense>
        {(searching ? [] : (['machine', 'kit'] as const)).map((kind) => (
          <section key={kind} className="mb-6">
            <h2 className="mb-1 text-title font-bold">{kind === 'machine' ? 'Machines' : 'Kits'}</h2>
            <ul className="divide-y-2 divide-line-soft">
              {newest
                .filter((row) => row.kind === kind)
                .map((row) => (
                  <li key={row.id}>
                    <Link to={`/dossiers/${kind}/${row.id}`} className="flex min-h-12 items-center gap-3 py-1">
                      {kind === 'machine' && <MachineThumb machine={row} />}
                      <span className="min-w-0 flex-1">
                        <span className="text-lead font-bold">{row.name}</span>{' '}
                        <span className="text-quiet">{row.about}</span>
                      </span>
                      <span className="figures shrink-0 text-small text-quiet">
                        {row.draft ? 'with gaps, ' : ''}version {row.version}
                      </span>
                    </Link>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      </div>
      <aside className="flex flex-col gap-6">
        <Suspense fallback={<Loading what="Fetching the form…" />}>
          <NewDossier rows={newest} />
        </Suspense>
        <Suspense fallback={<Loading what="Fetching the form…" />}>
          <BringFolder />
        </Suspense>
        <section>
          <h2 className="mb-1 text-title font-bold">Being written</h2>
          <ul>
            {(drafts.data ?? []).map((draft) => (
              <li key={draft.id}>
                <Link
                  to={`/dossiers/draft/${draft.id}`}
                  className="flex min-h-11 items-center font-semibold underline underline-offset-4"
                >
                  {draft.name}
                </Link>
              </li>
            ))}
          </ul>
          {drafts.data?.length === 0 && <p className="text-quiet">Nothing at the moment.</p>}
        </section>
      </aside>
    </main>
  )
}

function firstOfEach(rows: readonly DossierRow[]): DossierRow[] {
  const seen = new Set<string>()
  return rows.filter((row) => !seen.has(`${row.kind} ${row.id}`) && seen.add(`${row.kind} ${row.id}`))
}
