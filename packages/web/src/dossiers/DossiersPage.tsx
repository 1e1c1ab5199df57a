import { blankMachine, cloneMachine, idFrom, type Machine, type MachineId } from '@tidy-badger/core/dossiers'
import { useQuery } from '@tanstack/react-query'
import { useState, type FormEvent } from 'react'
import { Link, useNavigate } from 'react-router'
import { notice } from '../ui/notices.ts'
import { v4 as newId } from 'uuid'
import { fetchDossiers, type DossierRow } from '../jobs/index.ts'
import { Button } from '../ui/Button.tsx'
import { Failed, Loading } from '../ui/states.tsx'
import { fetchDocument, fetchDrafts, saveDraft } from './api.ts'

/** Every machine and kit that is known, the drafts, and the ways to a new machine. */
export function DossiersPage() {
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
        {(['machine', 'kit'] as const).map((kind) => (
          <section key={kind} className="mb-6">
            <h2 className="mb-1 text-title font-bold">{kind === 'machine' ? 'Machines' : 'Kits'}</h2>
            <ul className="divide-y-2 divide-line-soft">
              {newest
                .filter((row) => row.kind === kind)
                .map((row) => (
                  <li key={row.id}>
                    <Link
                      to={`/dossiers/${kind}/${row.id}`}
                      className="flex min-h-12 items-center justify-between gap-3 py-1"
                    >
                      <span>
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
        <NewMachine rows={newest.filter((row) => row.kind === 'machine')} />
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

/** A machine that is not in the box: from nothing, or as a copy that is varied. */
function NewMachine({ rows }: { rows: DossierRow[] }) {
  const navigate = useNavigate()
  const [maker, setMaker] = useState('')
  const [model, setModel] = useState('')
  const [from, setFrom] = useState('')
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    const id = idFrom<MachineId>(
      `${maker} ${model}`,
      rows.map((row) => row.id),
    )
    try {
      const machine = await start(id)
      const draft = newId()
      await saveDraft(draft, machine, null)
      await navigate(`/dossiers/draft/${draft}`)
    } catch (error) {
      notice.bad(error instanceof Error ? error.message : String(error))
    }
  }
  const start = async (id: MachineId): Promise<Machine> => {
    if (from === '') return blankMachine(id, maker.trim(), model.trim())
    const { document } = await fetchDocument('machine', from)
    if (document.kind !== 'machine') throw new Error('That is no machine.')
    return { ...cloneMachine(document, id, model.trim()), maker: maker.trim() }
  }
  return (
    <form
      onSubmit={(event) => void submit(event)}
      className="flex flex-col gap-3 rounded-xl border-2 border-ink bg-paper p-4"
    >
      <h2 className="text-title font-bold">A machine that is not here</h2>
      <label className="flex flex-col gap-1 font-semibold">
        Maker
        <input value={maker} maxLength={80} onChange={(event) => setMaker(event.target.value)} />
      </label>
      <label className="flex flex-col gap-1 font-semibold">
        Model
        <input value={model} maxLength={80} onChange={(event) => setModel(event.target.value)} />
      </label>
      <label className="flex flex-col gap-1 font-semibold">
        Start from
        <select value={from} onChange={(event) => setFrom(event.target.value)}>
          <option value="">nothing</option>
          {rows.map((row) => (
            <option key={row.id} value={row.id}>
              a copy of {row.name}
            </option>
          ))}
        </select>
      </label>
      <Button type="submit" look="main" disabled={maker.trim() === '' || model.trim() === ''}>
        Write it down
      </Button>
    </form>
  )
}
