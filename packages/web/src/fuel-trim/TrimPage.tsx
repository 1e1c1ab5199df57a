import { around } from '@tidy-badger/core/shared'
import { currentTrim, fitVersion, requireTrimBasis } from '@tidy-badger/core/fuel-trim'
import { lazy, Suspense, useState } from 'react'
import { StationDoneButton, useJob } from '../jobs/index.ts'
import { Button } from '../ui/Button.tsx'
import { later } from '../ui/comesLater.tsx'
import { Dock, KeyHint, Stage } from '../ui/Stage.tsx'
import { Empty, Loading } from '../ui/states.tsx'
import { Tab, TabList, TabPanel, Tabs } from '../ui/Tabs.tsx'
import { useKeys } from '../ui/useKeys.ts'
import { acceptable, cellViews, type CellKey, type CellView } from './selectors.ts'
import { CellMargin } from './components/CellMargin.tsx'
import { ImportLog } from './components/ImportLog.tsx'
import { RideMargin } from './components/RideMargin.tsx'
import { TrimTable } from './components/TrimTable.tsx'
import { WorkingBar } from './components/WorkingBar.tsx'
import { useSuggestion } from './useSuggestion.ts'
import { signed } from './words.ts'

const TrimHistory = later(async () => (await import('./components/TrimHistory.tsx')).TrimHistory)
const RideChart = lazy(() => import('./components/RideChart.tsx'))

const rideViewNames = { table: 'What it earned', ride: 'The ride', history: 'History' }
const rideViews = ['table', 'ride', 'history'] as const

export function TrimPage() {
  const { state, dossiers, write } = useJob()
  const { trim } = requireTrimBasis(dossiers)
  const [pickedLog, setPickedLog] = useState<string | null>(null)
  const [attempt, setAttempt] = useState(0)
  const [cell, setCell] = useState<CellKey | null>(null)
  const [turned, setTurned] = useState<Record<string, Set<CellKey>>>({})
  const [tab, setTab] = useState<(typeof rideViews)[number]>('table')
  const log = state.logs.find((item) => item.log === pickedLog) ?? state.logs.at(-1)
  const fit = useSuggestion(log, attempt)
  const ready = fit.kind === 'ready' ? fit : null
  const current = currentTrim(state)
  const spent = log !== undefined && log.usedBy !== null
  const scope = log ? `${log.log} ${state.trim.revisions.length}` : ''
  const cells = cellViews(trim, current, ready?.suggestion ?? null, turned[scope] ?? new Set(), spent)
  const chosen = cells.filter((item) => item.accepted)
  const boldest = chosen.reduce<CellView | undefined>(
    (most, item) => (!most || change(item) > change(most) ? item : most),
    undefined,
  )
  const shown = cells.find((item) => item.key === cell) ?? boldest
  const toggle = (item: CellView) => {
    if (!acceptable(item)) return
    const set = new Set(turned[scope] ?? [])
    if (set.has(item.key)) set.delete(item.key)
    else set.add(item.key)
    setTurned({ ...turned, [scope]: set })
  }
  const accept = async () => {
    if (!log || !ready || chosen.length === 0) return
    const { gain, maxStepPct } = trim
    await write({
      kind: 'trim-accepted',
      log: log.log,
      fitVersion,
      options: { gain, maxStepPct, delaySeconds: Math.round(ready.suggestion.delaySeconds * 1000) / 1000 },
      cells: chosen.map((item) => ({ rpm: item.rpm, load: item.load, old: item.now, new: item.next })),
    })
  }
  useKeys({ a: () => void accept() })
  if (!log)
    return (
      <Stage
        picture={
          <>
            <Empty title="No ride yet">
              <p className="mb-5">
                Ride it warm with the table as it is, then bring in the log: time, rpm, throttle, AFR, and coolant if
                there is one.
              </p>
              <ImportLog />
            </Empty>
            <TrimTable cells={cells} selected={cell} onSelect={setCell} onToggle={toggle} />
          </>
        }
        dock={
          <Dock
            title="Bring in a ride log"
            hint="A CSV file from any logger."
            actions={<StationDoneButton station="trim" />}
          />
        }
      />
    )
  return (
    <Stage
      picture={
        <Tabs names={rideViews} shown={tab} onShow={setTab}>
          <h2 className="sr-only">Trim</h2>
          <div className="mb-3 flex flex-wrap items-center justify-between gap-x-4 gap-y-2">
            <TabList aria-label="Views of the ride" className="flex gap-1">
              {rideViews.map((name) => (
                <Tab
                  key={name}
                  value={name}
                  className="min-h-11 border-b-4 border-transparent px-2.5 font-head text-lead font-bold data-[state=active]:border-lamp"
                >
                  {rideViewNames[name]}
                </Tab>
              ))}
            </TabList>
            <div className="flex flex-wrap items-center gap-2">
              <select aria-label="Ride" value={log.log} onChange={(event) => setPickedLog(event.target.value)}>
                {state.logs.map((item) => (
                  <option key={item.log} value={item.log}>
                    {item.name}
                    {item.usedBy ? ' (used)' : ''}
                  </option>
                ))}
              </select>
              <ImportLog onDone={setPickedLog} />
            </div>
          </div>
          {fit.kind === 'working' && (
            // Over the table, so that nothing moves when it is done.
            <div className="relative z-10 h-0">
              <div className="rounded-lg border-2 border-ink bg-ground px-3 pt-2 shadow-none">
                <WorkingBar share={fit.share} stage={fit.stage} onCancel={fit.cancel} />
              </div>
            </div>
          )}
          {(fit.kind === 'cancelled' || fit.kind === 'failed') && (
            <p role="alert" className="mb-3 flex flex-wrap items-center gap-3 border-l-[5px] border-lamp pl-3">
              {fit.kind === 'failed' ? fit.message : 'Cancelled. Nothing was changed.'}
              <Button onClick={() => setAttempt(attempt + 1)}>Work it out again</Button>
            </p>
          )}
          <TabPanel name="table" reached>
            <TrimTable cells={cells} selected={cell} onSelect={setCell} onToggle={toggle} />
          </TabPanel>
          <TabPanel name="ride" reached>
            {ready && (
              <Suspense fallback={<Loading what="Drawing the ride…" />}>
                <RideChart stretches={ready.stretches} />
              </Suspense>
            )}
          </TabPanel>
          <TabPanel name="history" reached>
            <Suspense fallback={<Loading what="Opening…" />}>
              <TrimHistory />
            </Suspense>
          </TabPanel>
        </Tabs>
      }
      margin={
        <>
          {shown && <CellMargin cell={shown} cells={cells} onToggle={() => toggle(shown)} />}
          {ready && <RideMargin suggestion={ready.suggestion} log={log} />}
        </>
      }
      dock={
        chosen.length > 0 ? (
          <Dock
            title={`Accept ${chosen.length} ${chosen.length === 1 ? 'cell' : 'cells'}, keep ${cells.length - chosen.length} as they are`}
            hint={`Largest change ${boldest ? signed(boldest.next - boldest.now) : '0'} %. Cells from ${trim.fullLoadPct} % throttle are taken one by one, by looking at them.`}
            actions={
              <>
                <Button
                  look="dock"
                  onClick={() => {
                    const at = chosen.findIndex((item) => item.key === cell)
                    setTab('table')
                    setCell(around(chosen, at, 1)?.key ?? null)
                  }}
                >
                  Go through
                </Button>
                <Button look="main" onClick={() => void accept()}>
                  Accept {chosen.length}
                  <KeyHint>A</KeyHint>
                </Button>
              </>
            }
          />
        ) : (
          <Dock
            title={
              fit.kind === 'working'
                ? 'Working out what the ride earned…'
                : spent
                  ? 'This ride has been used'
                  : 'Nothing to take over'
            }
            hint={spent ? 'Ride again with the new table and bring in that log, or go on.' : undefined}
            actions={fit.kind === 'working' ? undefined : <StationDoneButton station="trim" />}
          />
        )
      }
    />
  )
}

function change(item: CellView): number {
  return Math.abs(item.next - item.now)
}
