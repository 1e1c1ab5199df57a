import type { DayTask, WholeDay } from '@tidy-badger/core/jobs'
import type { Slot } from '@tidy-badger/core/scheduling'
import { stationNames, stations } from '@tidy-badger/core/dossiers'
import { useNavigate } from 'react-router'
import { useJob } from '../../jobs/index.ts'
import { hours } from '../useDay.ts'
import { selectWork, useWorkSelection } from '../../work/index.ts'

/** Narrowest a minute is drawn. */
const pxPerMinute = 3
const laneNamePx = 56
const hatch = 'repeating-linear-gradient(135deg, var(--line) 0 3px, transparent 3px 8px)'

/** The day as a strip: a lane for each person and one for waits; critical pieces stand on a bar, done ones are filled. */
export function DayStrip({ day }: { day: WholeDay }) {
  const { schedule, tasks, people } = day
  const of = new Map(tasks.map((task) => [task.id, task]))
  const critical = new Set(schedule.critical)
  const waits = schedule.slots.filter((slot) => slot.who.length === 0 && slot.end > slot.start)
  const lanes = [
    ...Array.from({ length: people }, (_, person) => ({
      name: people === 1 ? 'Hands' : person === 0 ? 'One' : 'Two',
      slots: schedule.slots.filter((slot) => slot.who.includes(person)),
    })),
    { name: 'Waits', slots: waits },
  ]
  const marks = Array.from({ length: Math.floor(schedule.minutes / 60) }, (_, i) => (i + 1) * 60)
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The day">
      <div style={{ minWidth: Math.max(640, schedule.minutes * pxPerMinute + laneNamePx) }}>
        <StationBand day={day} />
        {lanes.map((lane) => (
          <div key={lane.name} className="flex items-stretch">
            <span className="flex w-14 shrink-0 items-center text-small font-semibold">{lane.name}</span>
            <ol className="relative h-[58px] flex-1 border-t-2 border-line-soft">
              {lane.slots.map((slot) => (
                <Bar
                  key={slot.task}
                  slot={slot}
                  task={of.get(slot.task)}
                  whole={schedule.minutes}
                  critical={critical.has(slot.task)}
                />
              ))}
            </ol>
          </div>
        ))}
        <div aria-hidden className="relative ml-14 h-6 border-t-2 border-ink">
          {marks.map((minute) => (
            <span
              key={minute}
              className="figures absolute top-0 -translate-x-1/2 text-small text-quiet"
              style={{ left: `${(minute / schedule.minutes) * 100}%` }}
            >
              {hours(minute)}
            </span>
          ))}
        </div>
      </div>
      {/* Their bars are too short to say what they are for. */}
      {waits.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-x-5 gap-y-0.5 text-small">
          {waits.map((slot) => (
            <li key={slot.task}>
              <span className="figures font-bold">{hours(slot.start)}</span>{' '}
              <span className="figures">{minutesOf(slot)}</span> {of.get(slot.task)?.words}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

const minutesOf = ({ start, end }: Slot) => `${Math.round(end - start)} min`

/** Which station reigns when. */
function StationBand({ day }: { day: WholeDay }) {
  const of = new Map(day.tasks.map((task) => [task.id, task.station]))
  const spans = stations.flatMap((station) => {
    const slots = day.schedule.slots.filter((slot) => of.get(slot.task) === station && slot.who.length > 0)
    if (slots.length === 0) return []
    return [
      { station, start: Math.min(...slots.map((slot) => slot.start)), end: Math.max(...slots.map((slot) => slot.end)) },
    ]
  })
  return (
    <div aria-hidden className="relative ml-14 h-6">
      {spans.map(({ station, start, end }) => {
        const share = ((end - start) / day.schedule.minutes) * 100
        return (
          <span
            key={station}
            className="absolute truncate border-l-2 border-ink pl-1 font-head text-small font-semibold"
            style={{ left: `${(start / day.schedule.minutes) * 100}%`, width: `${share}%` }}
          >
            {/* A name stands whole or not at all. */}
            {(end - start) * pxPerMinute > stationNames[station].length * 8.4 + 8 ? stationNames[station] : ''}
          </span>
        )
      })}
    </div>
  )
}

function Bar({
  slot,
  task,
  whole,
  critical,
}: {
  slot: Slot
  task: DayTask | undefined
  whole: number
  critical: boolean
}) {
  const { job } = useJob()
  const navigate = useNavigate()
  const selected = useWorkSelection((state) => state.item) === slot.task
  if (!task) return null
  const share = ((slot.end - slot.start) / whole) * 100
  const wait = task.hands === 0
  const wide = (slot.end - slot.start) * pxPerMinute > 52
  const minutes = minutesOf(slot)
  const label = `${task.words}, ${wait ? `${minutes}, ` : ''}${hours(slot.start)} to ${hours(slot.end)}${critical ? ', critical' : ''}${task.done ? ', done' : ''}${task.learntFrom > 0 ? `, learnt from ${task.learntFrom}` : ''}`
  const go = () => {
    selectWork(slot.task)
    void navigate(`/job/${job.id}/${task.station}`)
  }
  return (
    <li className="absolute top-1 bottom-1" style={{ left: `${(slot.start / whole) * 100}%`, width: `${share}%` }}>
      <button
        type="button"
        onClick={go}
        aria-label={label}
        title={label}
        className={`block h-full w-full overflow-hidden border-y-2 border-l-2 px-0.5 text-left font-text text-small leading-tight ${critical ? 'border-b-[6px]' : ''} ${selected ? 'border-lamp' : 'border-ink'} ${task.done ? 'bg-ink text-ground' : 'bg-paper'}`}
        style={wait && !task.done ? { backgroundImage: hatch } : undefined}
      >
        {wide && (wait ? <span className={`figures ${task.done ? '' : 'bg-paper'}`}>{minutes}</span> : task.words)}
      </button>
    </li>
  )
}
