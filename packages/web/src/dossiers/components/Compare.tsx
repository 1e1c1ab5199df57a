import { compareDossiers, type Dossier, type DossierChange } from '@tidy-badger/core/dossiers'
import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { fetchDocument, type DossierRow } from '../../jobs/index.ts'

/** More changes than are read as one list. */
const fewChanges = 12

/** What is otherwise than in another version, or in another machine or kit; the version before unless another is chosen. */
export function Compare({ after, rows }: { after: Dossier; rows: readonly DossierRow[] }) {
  const others = rows.filter(
    ({ kind, id, version }) => kind === after.kind && !(id === after.id && version === after.version),
  )
  const versions = others.filter(({ id }) => id === after.id)
  const machines = others.filter(({ id }, i) => id !== after.id && others.findIndex((row) => row.id === id) === i)
  const before = versions.find(({ version }) => version === after.version - 1)
  const [asked, setAsked] = useState<string | null>(null)
  const keyOf = ({ id, version }: Pick<DossierRow, 'id' | 'version'>) => `${id} ${version}`
  const chosen = asked ?? (before ? keyOf(before) : '')
  const row = others.find((one) => keyOf(one) === chosen)
  if (others.length === 0) return null
  return (
    <section className="mt-5" aria-label="Compared">
      <label className="flex flex-wrap items-center gap-3 font-semibold">
        Compared with
        <select value={chosen} onChange={(event) => setAsked(event.target.value)}>
          <option value="">nothing</option>
          {versions.length > 0 && (
            <optgroup label="Its versions">
              {versions.map((one) => (
                <option key={keyOf(one)} value={keyOf(one)}>
                  version {one.version}
                </option>
              ))}
            </optgroup>
          )}
          <optgroup label={after.kind === 'machine' ? 'Other machines' : 'Other kits'}>
            {machines.map((one) => (
              <option key={keyOf(one)} value={keyOf(one)}>
                {one.name}
              </option>
            ))}
          </optgroup>
        </select>
      </label>
      {row && <Changes after={after} row={row} />}
    </section>
  )
}

function Changes({ after, row }: { after: Dossier; row: DossierRow }) {
  const before = useQuery({
    queryKey: ['dossier', row.kind, row.id, row.version],
    queryFn: () => fetchDocument(after.kind, row.id, row.version),
  })
  const other = before.data?.document
  const changes = useMemo(() => (other ? compareDossiers(other, after) : []), [other, after])
  if (before.isError) return <p role="alert">{before.error.message}</p>
  if (!other) return null
  const kinds = [...new Set(changes.map((change) => change.of))]
  return (
    <>
      <h2 className="mt-3 text-title font-bold">
        {row.id === after.id ? `What changed since version ${row.version}` : `Otherwise than the ${row.name}`}
      </h2>
      {changes.length === 0 && <p className="text-quiet">Nothing that a fitter would see.</p>}
      {changes.length <= fewChanges ? (
        <Lines changes={changes} />
      ) : (
        kinds.map((kind) => {
          const here = changes.filter((change) => change.of === kind)
          return (
            <details key={kind}>
              <summary className="min-h-11 cursor-pointer py-2.5 font-semibold">
                {kind} <span className="figures text-small text-quiet">{here.length}</span>
              </summary>
              <Lines changes={here} />
            </details>
          )
        })
      )}
    </>
  )
}

const edges: Record<DossierChange['what'], string> = {
  added: 'border-good',
  'taken out': 'border-stop',
  changed: 'border-lamp',
}

function Lines({ changes }: { changes: readonly DossierChange[] }) {
  return (
    <ul className="mt-1 flex flex-col gap-0.5">
      {changes.map((change, i) => (
        <li key={i} className={`border-l-[5px] pl-3 ${edges[change.what]}`}>
          {change.says}
        </li>
      ))}
    </ul>
  )
}
