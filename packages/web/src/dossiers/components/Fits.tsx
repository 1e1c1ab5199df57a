import type { Dossier } from '@tidy-badger/core/dossiers'
import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { fetchFits, type FitRow } from '../api.ts'

/** What could go on this machine, or what this kit could go on: what the sheet names, then what the match would allow. */
export function Fits({ dossier }: { dossier: Pick<Dossier, 'kind' | 'id'> }) {
  const fits = useQuery({ queryKey: ['fits', dossier.kind, dossier.id], queryFn: () => fetchFits(dossier) })
  const other = dossier.kind === 'machine' ? 'kits' : 'machines'
  if (fits.isError) return <p role="alert">{fits.error.message}</p>
  if (!fits.data) return <p className="text-quiet">Matching…</p>
  const named = fits.data.filter((row) => row.declared)
  const could = fits.data.filter((row) => !row.declared && row.missing.length === 0)
  return (
    <>
      <List
        title={dossier.kind === 'machine' ? 'Kits whose sheet names it' : 'Machines its sheet names'}
        rows={named}
      />
      {named.length === 0 && <p className="text-quiet">None of the {other} here.</p>}
      {could.length > 0 && (
        <List
          title="Every end would find a place"
          about="The sheet does not name it: another loom, sensor or curve may differ. Ask the maker first."
          rows={could}
        />
      )}
    </>
  )
}

function List({ title, about, rows }: { title: string; about?: string; rows: readonly FitRow[] }) {
  if (rows.length === 0) return null
  return (
    <section className="mt-3">
      <h3 className="font-bold">{title}</h3>
      {about && <p className="text-small text-quiet">{about}</p>}
      <ul className="divide-y-2 divide-line-soft">
        {rows.map((row) => (
          <li key={row.id} className="py-1">
            <Link
              to={`/dossiers/${row.kind}/${row.id}`}
              className="inline-flex min-h-11 items-center font-semibold underline decoration-line underline-offset-4"
            >
              {row.name}
            </Link>
            <p className="text-small text-quiet">
              {row.placed} of {row.ends} ends have a place
              {row.missing.length > 0 && ` · none for ${row.missing.join('; ')}`}
              {row.weakest !== null &&
                row.margin !== null &&
                ` · least certain: ${row.weakest}${row.margin < 0.05 ? ', as good elsewhere' : ''}`}
            </p>
          </li>
        ))}
      </ul>
    </section>
  )
}
