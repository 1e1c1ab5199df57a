import { planTicks } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { StationDoneButton, useJob } from '../jobs/index.ts'
import { Button } from '../ui/Button.tsx'
import { Dock, KeyHint, Stage } from '../ui/Stage.tsx'
import { useKeys } from '../ui/useKeys.ts'
import { EndMargin } from './components/EndMargin.tsx'
import { LoomDrawing } from './components/LoomDrawing.tsx'
import { NotLikeThisSheet } from './components/NotLikeThisSheet.tsx'
import { TickDock } from './components/TickDock.tsx'
import { endViews } from './selectors.ts'

export function HookUpPage() {
  const view = useJob()
  const ends = endViews(view)
  const [picked, setPicked] = useState<string | null>(null)
  const [deviating, setDeviating] = useState(false)
  const next = ends.find((item) => item.status === 'stop') ?? ends.find((item) => item.status === 'open')
  const current = ends.find((item) => item.end.id === picked) ?? next
  const made = ends.filter((item) => item.status === 'done').length
  const after = ends.filter((item) => item.status !== 'done' && item !== current)
  const move = (step: number) => {
    const at = ends.findIndex((item) => item === current)
    setPicked(ends[(at + step + ends.length) % ends.length].end.id)
  }
  useKeys({
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    n: current ? () => setDeviating(true) : undefined,
  })
  return (
    <>
      <Stage
        picture={
          <>
            <h2 className="mb-1 text-[22px] font-bold">
              {made} of {ends.length} ends connected
            </h2>
            <LoomDrawing ends={ends} current={current?.end.id} onPick={setPicked} />
          </>
        }
        margin={<EndMargin key={current?.end.id} item={current ?? ends[0]} after={after.map((item) => item.end)} />}
        dock={
          current ? (
            <TickDock
              item={current}
              ticks={planTicks(view.dossiers, view.state, current.end, current.match)}
              onDeviate={() => setDeviating(true)}
              onNext={() => setPicked(null)}
            />
          ) : (
            <Dock
              title="Every end is connected"
              hint={
                view.stops.length > 0 ? 'A stop is open.' : 'Look over the notes beside the drawing, then tie it down.'
              }
              actions={
                <>
                  <Button look="dock" onClick={() => setPicked(ends[0].end.id)}>
                    Look again
                    <KeyHint>↓</KeyHint>
                  </Button>
                  <StationDoneButton station="hook-up" />
                </>
              }
            />
          )
        }
      />
      {current && (
        <NotLikeThisSheet key={current.end.id} open={deviating} onClose={() => setDeviating(false)} end={current.end} />
      )}
    </>
  )
}
