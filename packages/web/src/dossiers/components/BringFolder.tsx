import { problemLine } from '@tidy-badger/core/dossier-files'
import type { Dossier } from '@tidy-badger/core/dossiers'
import type { Problem } from '@tidy-badger/core/shared'
import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { Refused } from '../../platform/api/http.ts'
import { Button } from '../../ui/Button.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { notice } from '../../ui/notices.ts'
import { bringFolder, publish, type BroughtFolder } from '../api.ts'
import { useBeginning } from '../useBeginning.ts'
import { counted } from '../words.ts'

type Brought =
  | { kind: 'nothing' }
  | { kind: 'reading'; name: string }
  | { kind: 'refused'; name: string; problems: readonly Problem[] }
  | { kind: 'read'; name: string; folder: BroughtFolder }

/** A zipped folder of a dossier, chosen or dropped anywhere on the page: what is wrong with it, or what it is and what becomes of it. */
export function BringFolder() {
  const [brought, setBrought] = useState<Brought>({ kind: 'nothing' })
  const [over, setOver] = useState(false)
  const bring = async (file: File) => {
    setBrought({ kind: 'reading', name: file.name })
    try {
      setBrought({ kind: 'read', name: file.name, folder: await bringFolder(file) })
    } catch (error) {
      const problems =
        error instanceof Refused
          ? error.problems
          : [{ code: 'unknown', path: '', message: error instanceof Error ? error.message : String(error) }]
      setBrought({ kind: 'refused', name: file.name, problems })
    }
  }
  useEffect(() => {
    const carriesFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false
    const drag = (event: DragEvent) => {
      if (!carriesFiles(event)) return
      event.preventDefault()
      setOver(true)
    }
    const leave = (event: DragEvent) => {
      if (event.relatedTarget === null) setOver(false)
    }
    const drop = (event: DragEvent) => {
      if (!carriesFiles(event)) return
      event.preventDefault()
      setOver(false)
      const file = event.dataTransfer?.files[0]
      if (file) void bring(file)
    }
    window.addEventListener('dragover', drag)
    window.addEventListener('dragleave', leave)
    window.addEventListener('drop', drop)
    return () => {
      window.removeEventListener('dragover', drag)
      window.removeEventListener('dragleave', leave)
      window.removeEventListener('drop', drop)
    }
  }, [])
  return (
    <section
      aria-label="Bring in a folder"
      className={`flex flex-col gap-3 rounded-xl border-2 p-4 ${over ? 'border-lamp bg-paper' : 'border-dashed border-line'}`}
    >
      <h2 className="text-title font-bold">Bring in a folder</h2>
      <p>A machine or kit as tables and texts, zipped, or as one JSON file. Drop it anywhere on this page.</p>
      <FileButton
        accept=".zip,.json,application/zip,application/json"
        label="A zipped folder"
        onFiles={([file]) => void bring(file)}
      >
        Choose a file
      </FileButton>
      <div aria-live="polite">
        {brought.kind === 'reading' && <p className="text-quiet">Reading {brought.name}…</p>}
        {brought.kind === 'refused' && <Problems name={brought.name} problems={brought.problems} />}
        {brought.kind === 'read' && (
          <ReadFolder folder={brought.folder} onDone={() => setBrought({ kind: 'nothing' })} />
        )}
      </div>
    </section>
  )
}

function Problems({ name, problems }: { name: string; problems: readonly Problem[] }) {
  return (
    <div className="border-l-[5px] border-stop pl-3">
      <h3 className="font-bold">
        {name}: {problems.length === 1 ? 'one thing' : `${problems.length} things`} to mend
      </h3>
      <ol className="mt-1 flex max-h-80 flex-col gap-1.5 overflow-y-auto" tabIndex={0} aria-label="What is wrong">
        {problems.map((problem, i) => (
          <li key={i}>
            {problem.file && (
              <span className="figures block text-small font-bold">{problemLine({ ...problem, message: '' })}</span>
            )}
            {problem.message}
          </li>
        ))}
      </ol>
      <p className="mt-2 text-small text-quiet">Nothing was changed here.</p>
    </div>
  )
}

function ReadFolder({ folder, onDone }: { folder: BroughtFolder; onDone: () => void }) {
  const { document, next, beside, changes } = folder
  const queries = useQueryClient()
  const navigate = useNavigate()
  const beginAt = useBeginning()
  const [busy, setBusy] = useState(false)
  const name = `${document.maker} ${document.model}`
  const page = `/dossiers/${document.kind}/${document.id}`
  const act = async (work: () => Promise<void>) => {
    setBusy(true)
    try {
      await work()
    } catch (error) {
      notice.bad(error instanceof Error ? error.message : String(error))
    }
    setBusy(false)
  }
  const send = () =>
    act(async () => {
      await publish(document)
      await queries.invalidateQueries({ queryKey: ['dossiers'] })
      notice.good(`${name} is published as version ${document.version}.`)
      onDone()
      await navigate(page)
    })
  const keep = () =>
    act(async () => {
      await beginAt(() => document)
    })
  return (
    <div className="border-l-[5px] border-good pl-3">
      <h3 className="text-lead font-bold">{name}</h3>
      <p className="text-small text-quiet">{holds(document)}</p>
      {next === null ? (
        <p className="mt-1">
          It says what version {beside} says.{' '}
          <Link to={page} className="font-semibold underline underline-offset-4">
            Look at it
          </Link>
        </p>
      ) : (
        <>
          <p className="mt-1 font-semibold">
            {beside === null ? 'Nobody has written it down here yet.' : `Otherwise than version ${beside}:`}
          </p>
          {beside !== null && (
            <ul
              className="mt-1 flex max-h-60 flex-col gap-1 overflow-y-auto"
              tabIndex={0}
              aria-label="What is otherwise"
            >
              {changes.map((change) => (
                <li key={change}>{change}</li>
              ))}
              {changes.length === 0 && <li className="text-quiet">Nothing that a fitter would see.</li>}
            </ul>
          )}
          <div className="mt-3 flex flex-wrap gap-2">
            <Button look="main" disabled={busy} onClick={() => void send()}>
              Publish as version {next}
            </Button>
            <Button disabled={busy} onClick={() => void keep()}>
              Keep as a draft
            </Button>
          </div>
        </>
      )}
    </div>
  )
}

/** What a document holds, counted. */
function holds(document: Dossier): string {
  if (document.kind === 'kit')
    return [
      counted(document.ends.length, 'end'),
      counted(document.parts.length, 'part'),
      counted(document.steps.length, 'step'),
    ].join(', ')
  return [
    counted(document.connectors.length, 'plug'),
    counted(document.wires.length, 'wire'),
    counted(document.covers?.length ?? 0, 'cover'),
    counted(document.passages?.length ?? 0, 'passage'),
    counted(document.variants.length, 'variant'),
  ].join(', ')
}
