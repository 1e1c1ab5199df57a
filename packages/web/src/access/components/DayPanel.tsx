import { stationNames } from '@tidy-badger/core/dossiers'
import { peopleChosen, peopleOf } from '@tidy-badger/core/access'
import { useQuery } from '@tanstack/react-query'
import type { TimeReport } from '@tidy-badger/core/jobs'
import { CalendarPlus, FileText, Table2 } from 'lucide-react'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { getKept } from '../../platform/api/kept.ts'
import { hours, useDay } from '../useDay.ts'
import { DayStrip } from './DayStrip.tsx'

/** The day of the job: how long, who, what was learnt, and the papers of it. */
export function DayPanel() {
  const { state, write, job } = useJob()
  const day = useDay()
  const people = peopleOf(state)
  const learnt = (day?.tasks ?? []).filter((task) => task.learntFrom > 0)
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <p className="text-lead">
          {day ? (
            <>
              Still to do: <b className="figures text-head">{hours(day.spread.left.p50)}</b> as a rule,{' '}
              <b className="figures text-head">{hours(day.spread.left.p90)}</b> nine times in ten
              <span className="block text-small text-quiet">
                the whole day {hours(day.spread.whole.p50)}, hours and minutes, waits counted
              </span>
            </>
          ) : (
            'Working out how long…'
          )}
        </p>
        <div role="group" aria-label="How many work on it" className="flex gap-2">
          {([1, 2] as const).map((value) => (
            <button
              key={value}
              type="button"
              aria-pressed={people === value}
              onClick={() => people !== value && void write(peopleChosen.answer(state, {}, value))}
              className={`min-h-11 rounded-lg border-2 px-4 font-semibold ${people === value ? 'border-ink bg-ink text-ground' : 'border-line'}`}
            >
              {value === 1 ? 'One person' : 'Two people'}
            </button>
          ))}
        </div>
      </div>
      {day && <DayStrip day={day} />}
      <p className="text-small text-quiet">
        Filled: done. On a bar: critical, the end moves with it. Hatched: a wait that runs by itself.
      </p>
      {learnt.length > 0 && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
            {learnt.length} times are learnt from finished jobs
          </summary>
          <ul className="grid gap-x-6 sm:grid-cols-2">
            {learnt.map((task) => {
              const known = day?.learnt.get(task.id)
              return (
                <li key={task.id} className="flex justify-between gap-3 border-b-2 border-line-soft py-1">
                  <span className="min-w-0 truncate">{task.words}</span>
                  {known && (
                    <span className="figures shrink-0 text-small">
                      {known.likely.toFixed(1)} min, {known.best.toFixed(1)}–{known.worst.toFixed(1)}, n {known.n}
                    </span>
                  )}
                </li>
              )
            })}
          </ul>
        </details>
      )}
      <Papers />
      <Report job={job.id} />
    </div>
  )
}

function Papers() {
  const { job } = useJob()
  const [start, setStart] = useState('')
  const link = 'inline-flex min-h-11 items-center gap-2 font-semibold underline underline-offset-4'
  const at = start === '' ? null : new Date(start)
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-2 border-t-2 border-line-soft pt-3">
      <a className={link} href={`/api/jobs/${job.id}/steps.pdf`} target="_blank" rel="noreferrer">
        <FileText aria-hidden size={20} /> Steps on paper
      </a>
      <a className={link} href={`/api/jobs/${job.id}/times.csv`}>
        <Table2 aria-hidden size={20} /> Times as CSV
      </a>
      <label className="flex flex-col text-small">
        Book it from
        <input type="datetime-local" value={start} onChange={(event) => setStart(event.target.value)} />
      </label>
      {at && !Number.isNaN(at.getTime()) && (
        <a className={link} href={`/api/jobs/${job.id}/booking.ics?start=${at.toISOString()}`}>
          <CalendarPlus aria-hidden size={20} /> Into the calendar
        </a>
      )}
    </div>
  )
}

/** Where the time went, station by station. */
function Report({ job }: { job: string }) {
  const { entries } = useJob()
  const report = useQuery({
    queryKey: ['time-report', job, entries.length],
    queryFn: () => getKept<TimeReport>(`/api/jobs/${job}/time-report`),
  }).data
  const rows = report?.rows.filter((row) => row.measured > 0) ?? []
  if (!report || rows.length === 0) return null
  return (
    <section>
      <h3 className="mb-1 text-lead font-bold">Where the time went</h3>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[420px] border-collapse">
          <thead>
            <tr className="border-b-2 border-ink text-left text-small">
              <th className="py-1">Station</th>
              <th className="py-1 text-right">planned, min</th>
              <th className="py-1 text-right">taken, min</th>
              <th className="py-1 text-right">measured</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.station} className="border-b-2 border-line-soft">
                <td className="py-1">{stationNames[row.station]}</td>
                <td className="figures py-1 text-right">{row.plannedMin.toFixed(0)}</td>
                <td className={`figures py-1 text-right ${row.takenMin > row.plannedMin * 1.25 ? 'font-bold' : ''}`}>
                  {row.takenMin.toFixed(0)}
                </td>
                <td className="figures py-1 text-right">
                  {row.measured} of {row.tasks}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {report.slow.length > 0 && (
        <p className="mt-2">
          Took longest against the plan:{' '}
          {report.slow
            .map((item) => `${item.name} ${item.takenMin.toFixed(0)} for ${item.plannedMin.toFixed(0)} min`)
            .join(' · ')}
        </p>
      )}
    </section>
  )
}
