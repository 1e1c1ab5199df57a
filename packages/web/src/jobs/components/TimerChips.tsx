import { timersOf, type RunningTimer } from '@tidy-badger/core/jobs'
import { BellRing, Hourglass } from 'lucide-react'
import { Suspense, useEffect, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { later } from '../../ui/comesLater.tsx'
import { HeadButton } from '../../ui/HeadButton.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { clockWords } from '../../platform/when.ts'
import { useJob } from '../useJob.ts'

const NewTimer = later(async () => (await import('./NewTimer.tsx')).NewTimer)

/** Over for longer than this, a wait is no longer shown, ms. */
const shownAfterMs = 30 * 60_000

function useNow(everyMs: number): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const beat = setInterval(() => setNow(Date.now()), everyMs)
    return () => clearInterval(beat)
  }, [everyMs])
  return now
}

/** The wait that ends next, running on whatever is done meanwhile; all of them one tap further. */
export function TimerChips() {
  const { dossiers, state, write } = useJob()
  const now = useNow(1000)
  const [open, setOpen] = useState(false)
  const timers = timersOf(dossiers, state).filter((timer) => Date.parse(timer.endsAt) > now - shownAfterMs)
  const running = timers.find((timer) => Date.parse(timer.endsAt) > now)
  const over = timers.filter((timer) => Date.parse(timer.endsAt) <= now)
  return (
    <>
      <HeadButton onClick={() => setOpen(true)} className={over.length > 0 && !running ? 'text-good' : ''}>
        {over.length > 0 && !running ? <BellRing aria-hidden size={20} /> : <Hourglass aria-hidden size={20} />}
        {running ? (
          <>
            <span className="sr-only">Waiting: {running.what}, </span>
            <span className="figures text-body">{clockWords(Date.parse(running.endsAt) - now)}</span>
          </>
        ) : (
          <span className="max-sm:sr-only">{over.length > 0 ? 'Timer over' : 'Timers'}</span>
        )}
      </HeadButton>
      <Sheet open={open} onClose={() => setOpen(false)} title="Timers" hint="They run on with the page closed.">
        <ul className="flex flex-col gap-3">
          {timers.map((timer) => (
            <TimerRow
              key={timer.entry}
              timer={timer}
              now={now}
              onStop={() => void write({ kind: 'timer-stopped', timer: timer.entry })}
            />
          ))}
        </ul>
        {timers.length === 0 && <p className="text-quiet">Nothing is being waited for.</p>}
        <Suspense fallback={null}>
          <NewTimer />
        </Suspense>
      </Sheet>
    </>
  )
}

function TimerRow({ timer, now, onStop }: { timer: RunningTimer; now: number; onStop: () => void }) {
  const left = Date.parse(timer.endsAt) - now
  return (
    <li className="flex items-center gap-3 border-b-2 border-line-soft pb-3">
      <span className={`figures w-24 shrink-0 text-head font-bold ${left <= 0 ? 'text-good' : ''}`}>
        {left <= 0 ? 'over' : clockWords(left)}
      </span>
      <span className="min-w-0 flex-1">{timer.what}</span>
      {timer.byHand && <Button onClick={onStop}>Stop</Button>}
    </li>
  )
}
