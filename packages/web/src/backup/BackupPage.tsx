import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { dayText, timeText } from '../platform/when.ts'
import { Download, FolderSync, FileUp } from 'lucide-react'
import { useEffect } from 'react'
import { notice } from '../ui/notices.ts'
import { Button } from '../ui/Button.tsx'
import { FileButton } from '../ui/FileButton.tsx'
import { Failed, Loading } from '../ui/states.tsx'
import { fetchBackup, makeCopy, restore, saveBackup, type BackupState, type Restored } from './api.ts'

/** The whole yard in one file: made now, made every night, and brought back. */
export function BackupPage() {
  const state = useQuery({ queryKey: ['backup'], queryFn: fetchBackup })
  useEffect(() => {
    document.title = 'Backup · Tidy Badger'
  }, [])
  return (
    <main className="mx-auto w-full max-w-4xl px-4 py-6 lg:px-8">
      <h1 className="text-head font-bold">Backup</h1>
      <p className="mt-1 max-w-2xl text-lead text-quiet">
        One file holds the whole yard: jobs, journals, logs, photos, dossiers, drafts and paired devices. Keep one where
        a fire or a thief in the workshop does not reach.
      </p>
      {state.isPending && <Loading what="Looking for copies…" />}
      {state.isError && (
        <Failed what="Backups cannot be shown">
          <p>{state.error.message}</p>
        </Failed>
      )}
      {state.data && (
        <div className="mt-6 grid gap-8 lg:grid-cols-2">
          <Take />
          <BringBack />
          <Nightly state={state.data} />
          <Copies state={state.data} />
        </div>
      )}
    </main>
  )
}

function Take() {
  return (
    <section>
      <h2 className="mb-2 text-title font-bold">Take one with you</h2>
      <a
        href="/api/backup"
        download
        className="inline-flex min-h-14 items-center gap-3 rounded-lg border-2 border-lamp bg-lamp px-5 text-lead font-bold text-[#15181a]"
      >
        <Download aria-hidden size={22} /> Save the yard as a file
      </a>
      <p className="mt-2 text-quiet">
        Work can go on meanwhile. From a prompt: <code className="figures">npm run backup -- FILE</code>
      </p>
    </section>
  )
}

function BringBack() {
  const client = useQueryClient()
  const bring = useMutation({
    mutationFn: restore,
    onSuccess: async (result) => {
      await client.invalidateQueries()
      notice.good(restoredWords(result), { duration: 15_000 })
    },
    onError: (error) => notice.bad(error.message, { duration: 15_000 }),
  })
  return (
    <section>
      <h2 className="mb-2 text-title font-bold">Bring one back</h2>
      <FileButton
        accept=".zip,application/zip"
        label="Backup file"
        disabled={bring.isPending}
        className="min-h-14"
        onFiles={([file]) => bring.mutate(file)}
      >
        <FileUp aria-hidden size={20} /> {bring.isPending ? 'Checking and bringing it in…' : 'Choose a backup'}
      </FileButton>
      <p className="mt-2 text-quiet">
        What the yard lacks comes in; what is here stays. Every part is checked before anything is touched.
      </p>
    </section>
  )
}

function restoredWords({ added, merged, entries, files }: Restored): string {
  if (added + merged + files === 0) return 'The yard had all of it already.'
  const jobs = (count: number, what: string) => (count > 0 ? [`${count} ${count === 1 ? 'job' : 'jobs'} ${what}`] : [])
  const parts = [
    ...jobs(added, 'came in'),
    ...jobs(merged, 'got what was missing'),
    `${entries} entries`,
    `${files} files`,
  ]
  return `${parts.join(', ')}.`
}

function Nightly({ state }: { state: BackupState }) {
  const client = useQueryClient()
  const save = useMutation({
    mutationFn: saveBackup,
    onSuccess: (saved) => client.setQueryData(['backup'], saved),
    onError: (error) => notice.bad(error.message),
  })
  // A second change builds on the first, though that is still on its way.
  const { nightly, keep } = save.isPending ? save.variables : state
  const { problem } = state
  return (
    <section>
      <h2 className="mb-2 text-title font-bold">Every night</h2>
      {problem !== null && (
        <p role="alert" className="mb-2 border-l-[5px] border-stop pl-3">
          <b>The last copy was not made.</b> {problem}
        </p>
      )}
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-6 accent-ink"
          checked={nightly}
          onChange={(event) => save.mutate({ nightly: event.target.checked, keep })}
        />
        Make a copy every night
      </label>
      <label className="mt-2 flex items-center gap-3">
        Copies to keep
        <select value={keep} onChange={(event) => save.mutate({ nightly, keep: Number(event.target.value) })}>
          {[...new Set([3, 7, 14, 30, keep])]
            .sort((a, b) => a - b)
            .map((count) => (
              <option key={count}>{count}</option>
            ))}
        </select>
      </label>
    </section>
  )
}

function Copies({ state }: { state: BackupState }) {
  const client = useQueryClient()
  const copy = useMutation({
    mutationFn: makeCopy,
    onSettled: () => client.invalidateQueries({ queryKey: ['backup'] }),
    onError: (error) => notice.bad(error.message),
  })
  return (
    <section>
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-title font-bold">Copies on this machine</h2>
        <Button disabled={copy.isPending} onClick={() => copy.mutate()}>
          <FolderSync aria-hidden size={20} /> {copy.isPending ? 'Copying…' : 'Copy now'}
        </Button>
      </div>
      {state.copies.length === 0 && <p className="text-quiet">None yet. The first comes tonight.</p>}
      <ul className="divide-y-2 divide-line-soft border-t-2 border-ink">
        {state.copies.map((made) => (
          <li key={made.name} className="flex min-h-11 items-center justify-between gap-3">
            <span className="font-semibold">{`${dayText(new Date(made.madeAt))}, ${timeText(new Date(made.madeAt))}`}</span>
            <span className="figures text-quiet">{megabytes(made.bytes)}</span>
          </li>
        ))}
      </ul>
      <p className="mt-2 [overflow-wrap:anywhere] text-quiet">They lie in {state.folder}</p>
    </section>
  )
}

function megabytes(bytes: number): string {
  return `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`
}
