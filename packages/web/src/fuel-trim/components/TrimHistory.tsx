import { currentTrim, requireTrimBasis } from '@tidy-badger/core/fuel-trim'
import { readTrimCsv } from '@tidy-badger/core/handover'
import { dayText, timeText } from '../../platform/when.ts'
import { Undo2 } from 'lucide-react'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { signed } from '../words.ts'

/** Every table this job has had, newest first, and the ways in and out as CSV. */
export function TrimHistory() {
  const { state, undo, job } = useJob()
  const { revisions, rpm, load } = state.trim
  const [open, setOpen] = useState<number | null>(null)
  return (
    <div className="flex flex-col gap-4">
      <ol className="border-t-2 border-line-soft">
        {revisions.map((revision, i) => (
          <li key={revision.entry ?? 'shipped'} className="border-b-2 border-line-soft py-2">
            <div className="flex flex-wrap items-center gap-3">
              <span className="figures w-8 text-right font-bold">{i + 1}</span>
              <span className="min-w-0 flex-1">
                {revision.source === 'shipped'
                  ? 'As shipped, all zero'
                  : `${revision.changed} cells from ${revision.name ?? 'a ride'}`}
                <span className="block text-small text-quiet">
                  {[
                    revision.by,
                    revision.at && `${dayText(new Date(revision.at))} ${timeText(new Date(revision.at))}`,
                    i === revisions.length - 1 && 'in force',
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </span>
              </span>
              <Button aria-expanded={open === i} onClick={() => setOpen(open === i ? null : i)}>
                {open === i ? 'Fold' : 'Show'}
              </Button>
              {revision.entry !== null && (
                <Button aria-label={`Undo table ${i + 1}`} onClick={() => void undo(revision.entry ?? '')}>
                  <Undo2 aria-hidden size={18} /> Undo
                </Button>
              )}
            </div>
            {open === i && (
              <div className="mt-2 overflow-x-auto" tabIndex={0} role="region" aria-label={`Table ${i + 1}`}>
                <table className="figures text-small">
                  <thead>
                    <tr>
                      <td />
                      {load.map((value) => (
                        <th key={value} scope="col" className="px-2 text-right font-normal text-quiet">
                          {value}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {rpm.map((speed, r) => (
                      <tr key={speed}>
                        <th scope="row" className="px-2 text-right font-normal text-quiet">
                          {speed}
                        </th>
                        {revision.pct[r]?.map((value, l) => (
                          <td
                            key={load[l]}
                            className={`px-2 text-right ${i > 0 && value !== revisions[i - 1]?.pct[r]?.[l] ? 'font-bold' : ''}`}
                          >
                            {signed(value)}
                          </td>
                        ))}
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            )}
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-2">
        <a
          href={`/api/jobs/${job.id}/trim.csv`}
          download
          className="inline-flex min-h-11 items-center rounded-lg border-2 border-ink px-4 font-head font-semibold"
        >
          Table as CSV
        </a>
        <LoadTable />
      </div>
    </div>
  )
}

function LoadTable() {
  const { state, dossiers, write } = useJob()
  const [problems, setProblems] = useState<string[]>([])
  const load = async (file: File) => {
    const { rpm, load: loads, boundsPct } = requireTrimBasis(dossiers).trim
    const table = readTrimCsv(await file.text(), rpm, loads, boundsPct)
    if (!table.ok) return setProblems(table.problems.map((problem) => problem.message))
    const now = currentTrim(state)
    const cells = rpm.flatMap((speed, r) =>
      loads.flatMap((value, l) => {
        const [old, fresh] = [now[r]?.[l], table.value[r]?.[l]]
        return old === undefined || fresh === undefined || old === fresh
          ? []
          : [{ rpm: speed, load: value, old, new: fresh }]
      }),
    )
    if (cells.length === 0) return setProblems([`${file.name} is the table in force already.`])
    setProblems([])
    await write({ kind: 'trim-loaded', name: file.name, cells })
  }
  return (
    <div>
      <FileButton accept=".csv,text/csv" label="Trim table file" onFiles={([file]) => void load(file)}>
        Table from a file
      </FileButton>
      {problems.length > 0 && (
        <ul role="alert" className="mt-2 border-l-[5px] border-lamp pl-3">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
    </div>
  )
}
