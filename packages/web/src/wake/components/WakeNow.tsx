import { asHeading } from '@tidy-badger/core/dossiers'
import { timersOf, wakeCard, type WakeLead, type WorkItem } from '@tidy-badger/core/jobs'
import { CircleStop, Eye, Hourglass, Signpost } from 'lucide-react'
import { useEffect, useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import { useJob } from '../../jobs/index.ts'
import { clockWords } from '../../platform/when.ts'
import { Rhythm } from './Rhythm.tsx'

/**
 * The one thing done now with the key on: what to do, when to switch off, what should be seen, what is waited for, where a fail leads.
 * @param says what to do in full, where the dock has only its name
 */
export function WakeNow({ item, says, onSettings }: { item: WorkItem; says: string | null; onSettings: () => void }) {
  const { dossiers, state, job } = useJob()
  const { offIf, lamps, see, noFault, leads, moment } = wakeCard(dossiers, state, item)
  const step = item.kind === 'step' ? item.step : null
  return (
    <section aria-label="Now" className="flex flex-col gap-4 rounded-lg border-2 border-ink bg-paper p-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 className="text-title font-bold">
          {moment === 'running' ? 'Engine runs' : moment === 'key on' ? 'Key on, engine not started' : 'Now'}
        </h2>
        <Clock since={item.id} />
      </div>
      {says !== null && <p className="text-lead">{says}</p>}
      {offIf.length > 0 && (
        <Part
          tone="border-stop"
          icon={<CircleStop aria-hidden size={26} className="text-stop" />}
          title="Key off at once if"
        >
          <ul className="list-disc pl-5 text-lead font-semibold">
            {offIf.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </Part>
      )}
      {(lamps.length > 0 || see.length > 0 || step?.reading) && (
        <Part tone="border-good" icon={<Eye aria-hidden size={26} className="text-good" />} title="What you should see">
          <ul className="flex flex-col gap-2 text-lead">
            {lamps.map(({ kit, lamp }) => (
              <li key={`${kit} ${lamp.id}`} className="flex flex-wrap items-center gap-3">
                <Rhythm lamp={lamp} widthPx={180} />
                <span>
                  {kit}, <b>{lamp.colour}</b> {lamp.state === 'rhythm' ? 'in this rhythm' : lamp.state}: {lamp.means}
                </span>
              </li>
            ))}
            {step?.reading && (
              <li>
                {asHeading(step.reading.quantity)}{' '}
                <b className="figures">
                  {[step.reading.low, step.reading.high].filter((one) => one !== undefined).join(' to ')}{' '}
                  {step.reading.unit}
                </b>
              </li>
            )}
            {see.map((text) => (
              <li key={text}>{asHeading(text)}</li>
            ))}
          </ul>
          {noFault.length > 0 && <p className="mt-2 text-quiet">No fault: {noFault.join('; ')}.</p>}
        </Part>
      )}
      {step?.wait && (
        <Part tone="border-data" icon={<Hourglass aria-hidden size={26} className="text-data" />} title="Then it waits">
          <p className="text-lead">
            {step.wait.minutes} min {step.wait.why}.
          </p>
        </Part>
      )}
      {leads.length > 0 && (
        <Part
          tone="border-lamp"
          icon={<Signpost aria-hidden size={26} className="text-lamp" />}
          title="Not like this? Look here"
        >
          <ul className="flex flex-wrap gap-2">
            {leads.map((lead) => (
              <li key={`${lead.station} ${lead.end ?? lead.setting ?? ''}`}>
                <Lead lead={lead} job={job.id} onSettings={onSettings} />
              </li>
            ))}
          </ul>
        </Part>
      )}
    </section>
  )
}

const leadLook = 'flex min-h-11 items-center rounded-lg border-2 border-ink px-3 font-semibold'

function Lead({ lead, job, onSettings }: { lead: WakeLead; job: string; onSettings: () => void }) {
  if (lead.end !== undefined)
    return (
      <Link to={`/job/${job}/hook-up?end=${encodeURIComponent(lead.end)}`} className={leadLook}>
        {lead.says}
      </Link>
    )
  return (
    <Link to={`/job/${job}/${lead.station}`} onClick={onSettings} className={leadLook}>
      {lead.says}
    </Link>
  )
}

function Part({ tone, icon, title, children }: { tone: string; icon: ReactNode; title: string; children: ReactNode }) {
  return (
    <div className={`border-l-[5px] pl-4 ${tone}`}>
      <h3 className="mb-1 flex items-center gap-2 text-body font-bold">
        {icon}
        {title}
      </h3>
      {children}
    </div>
  )
}

/** How long this has been in hand, and what is being waited for meanwhile. */
function Clock({ since }: { since: string }) {
  const { dossiers, state } = useJob()
  const [began, setBegan] = useState({ since, at: Date.now() })
  const [now, setNow] = useState(began.at)
  if (began.since !== since) setBegan({ since, at: now })
  useEffect(() => {
    const beat = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(beat)
  }, [])
  const running = timersOf(dossiers, state).filter(({ endsAt }) => Date.parse(endsAt) > now)
  return (
    <p className="figures flex flex-wrap gap-x-5 text-title font-bold">
      <span>
        <span className="sr-only">In hand for </span>
        {clockWords(now - began.at)}
      </span>
      {running.map(({ entry, what, endsAt }) => (
        <span key={entry} className="text-data">
          {clockWords(Date.parse(endsAt) - now)} {what}
        </span>
      ))}
    </p>
  )
}
