import { stoichOf } from '@tidy-badger/core/dossiers'
import type { LogReading } from '@tidy-badger/core/fuel-trim'
import { logRoles, neededRoles, unitChoices, type LogRole } from '@tidy-badger/core/fuel-trim'
import { FileUp } from 'lucide-react'
import { useRef, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { Cancelled, readLogFile, type Running } from '../fitClient.ts'
import type { LogProblem, ReadOutcome } from '../fitWorker.ts'
import { keepLogBytes } from '../logBytes.ts'
import { count } from '../words.ts'
import { WorkingBar } from './WorkingBar.tsx'

type Good = Extract<ReadOutcome, { ok: true }>
type Stage =
  | { kind: 'reading'; share: number; stage: string }
  | { kind: 'problems'; problems: LogProblem[] }
  | { kind: 'good'; log: Good }

/** Choosing a log file, settling what is unclear in it, and taking it into the job. */
export function ImportLog({ onDone }: { onDone?: (log: string) => void }) {
  const { dossiers, state, write } = useJob()
  const running = useRef<Running<ReadOutcome> | null>(null)
  const [file, setFile] = useState<File | null>(null)
  const [reading, setReading] = useState<LogReading>({})
  const [stage, setStage] = useState<Stage>({ kind: 'reading', share: 0, stage: '' })
  const latest = state.trim.revisions.at(-1)?.entry ?? null
  const [inForce, setInForce] = useState<string | null>(latest)

  const read = (chosen: File, options: LogReading) => {
    setFile(chosen)
    setReading(options)
    setStage({ kind: 'reading', share: 0, stage: 'reading the log' })
    const work = readLogFile(chosen, options, stoichOf(dossiers.machine.engine), (share, words) =>
      setStage({ kind: 'reading', share, stage: words }),
    )
    running.current = work
    work.done.then(
      (outcome) =>
        setStage(outcome.ok ? { kind: 'good', log: outcome } : { kind: 'problems', problems: outcome.problems }),
      (error: unknown) => {
        if (!(error instanceof Cancelled))
          setStage({ kind: 'problems', problems: [{ code: 'failed', path: '', message: String(error) }] })
      },
    )
  }
  const close = () => {
    running.current?.cancel()
    setFile(null)
  }
  const take = async (log: Good) => {
    if (!file) return
    if (state.logs.some((known) => known.log === log.hash)) {
      close()
      onDone?.(log.hash)
      return
    }
    await keepLogBytes(log.hash, file)
    const written = await write({
      kind: 'log-imported',
      log: log.hash,
      name: file.name,
      rows: log.rows,
      bytes: file.size,
      mapping: { columns: log.columns, units: log.units, dropUnreadable: reading.dropUnreadable ?? false },
      tableInForce: inForce,
    })
    if (!written) return
    close()
    onDone?.(log.hash)
  }
  return (
    <>
      <FileButton
        accept=".csv,.txt,.tsv,.log,text/csv,text/plain"
        label="Ride log file"
        look={state.logs.length === 0 ? 'main' : 'plain'}
        onFiles={([chosen]) => {
          setInForce(latest)
          read(chosen, {})
        }}
      >
        <FileUp aria-hidden size={20} /> Bring in a ride log
      </FileButton>
      <Sheet open={file !== null} onClose={close} title={file?.name ?? ''} hint="Nothing is kept until you take it in.">
        {stage.kind === 'reading' && <WorkingBar share={stage.share} stage={stage.stage} onCancel={close} />}
        {stage.kind === 'problems' && file && (
          <Problems problems={stage.problems} reading={reading} onRead={(options) => read(file, options)} />
        )}
        {stage.kind === 'good' && (
          <div className="flex flex-col gap-5">
            <p>
              <span className="figures text-title font-bold">{count(stage.log.rows)}</span> rows over{' '}
              <span className="figures text-title font-bold">{(stage.log.seconds / 60).toFixed(1)}</span> minutes
              {stage.log.unreadableRows > 0 &&
                `, ${count(stage.log.unreadableRows)} rows left out because they cannot be read`}
              .
            </p>
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
              {Object.entries(stage.log.columns).map(([role, column]) => (
                <div key={role} className="contents">
                  <dt className="text-quiet">{roleWords[role] ?? role}</dt>
                  <dd>
                    “{column}”{stage.log.units[role] ? `, in ${stage.log.units[role]}` : ''}
                  </dd>
                </div>
              ))}
            </dl>
            <label className="flex flex-col gap-1 font-semibold">
              Which table was in the module on this ride?
              <select value={inForce ?? ''} onChange={(event) => setInForce(event.target.value || null)}>
                {state.trim.revisions.map((revision, i) => (
                  <option key={revision.entry ?? 'shipped'} value={revision.entry ?? ''}>
                    {revision.entry === null
                      ? 'as shipped, all zero'
                      : `table ${i + 1}, from ${revision.name ?? 'a ride'}`}
                    {i === state.trim.revisions.length - 1 ? ' (the newest)' : ''}
                  </option>
                ))}
              </select>
            </label>
            <Button look="main" className="min-h-14 !text-title" onClick={() => void take(stage.log)}>
              Take it in
            </Button>
          </div>
        )}
      </Sheet>
    </>
  )
}

const roleWords: Record<string, string> = {
  time: 'time',
  rpm: 'engine speed',
  throttle: 'throttle',
  afr: 'air-fuel ratio',
  coolant: 'coolant',
  gear: 'gear',
  battery: 'battery',
  sensorReady: 'sensor ready',
  closedLoop: 'closed loop',
}

/** What is wrong or unclear, each with the way on. */
function Problems({
  problems,
  reading,
  onRead,
}: {
  problems: LogProblem[]
  reading: LogReading
  onRead: (reading: LogReading) => void
}) {
  const roleOf = (path: string): LogRole | undefined => logRoles.find((role) => path.endsWith(`.${role}`))
  const unreadable = problems.some((problem) =>
    ['not-a-number', 'field-missing', 'time-runs-backwards', 'time-missing', 'too-many-fields'].includes(problem.code),
  )
  const missing = problems.filter((problem) => problem.code === 'column-missing')
  const header = /names: (.*)\.$/.exec(missing[0]?.message ?? '')?.[1]?.split(', ') ?? []
  const [columns, setColumns] = useState<Record<string, string>>(reading.columns ?? {})
  return (
    <div className="flex flex-col gap-5">
      <ul className="flex flex-col gap-3">
        {problems.map((problem) => {
          const role = roleOf(problem.path)
          const choices = problem.code === 'unit-unclear' && role ? unitChoices[role] : undefined
          return (
            <li key={problem.message} className="border-l-[5px] border-lamp pl-3" role="alert">
              <p>{problem.message}</p>
              {choices && role && (
                <div className="mt-2 flex flex-wrap gap-2">
                  {choices.map((unit) => (
                    <Button
                      key={unit}
                      onClick={() => onRead({ ...reading, units: { ...reading.units, [role]: unit } })}
                    >
                      {unit === 'share' ? '0 to 1' : unit}
                    </Button>
                  ))}
                </div>
              )}
              {problem.code === 'column-missing' && role && neededRoles.includes(role) && (
                <select
                  aria-label={`Column for ${roleWords[role]}`}
                  className="mt-2 w-full"
                  value={columns[role] ?? ''}
                  onChange={(event) => setColumns({ ...columns, [role]: event.target.value })}
                >
                  <option value="">Which column is it?</option>
                  {header.map((name) => (
                    <option key={name}>{name}</option>
                  ))}
                </select>
              )}
            </li>
          )
        })}
      </ul>
      {header.length > 0 && <Button onClick={() => onRead({ ...reading, columns })}>Read it with these columns</Button>}
      {unreadable && (
        <Button onClick={() => onRead({ ...reading, dropUnreadable: true })}>Leave such rows out and go on</Button>
      )}
      <p className="text-quiet">Nothing was kept of this file.</p>
    </div>
  )
}
