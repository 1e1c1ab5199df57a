import { around, idIn } from '@tidy-badger/core/shared'
import { planTicks } from '@tidy-badger/core/jobs'
import { purposeOf } from '@tidy-badger/core/vehicles'
import { Suspense, useEffect, useState, type ComponentProps } from 'react'
import { useSearchParams } from 'react-router'
import { useFindKey } from '../finds/index.ts'
import { StationDoneButton, useJob } from '../jobs/index.ts'
import { Button } from '../ui/Button.tsx'
import { Dock, KeyHint, Stage } from '../ui/Stage.tsx'
import { comesLater, later } from '../ui/comesLater.tsx'
import { Tab, TabList, Tabs } from '../ui/Tabs.tsx'
import { Picture } from '../ui/Views.tsx'
import { useKeys } from '../ui/useKeys.ts'
import { LoomDrawing } from './components/LoomDrawing.tsx'
import type { NotLikeThisSheet as Deviation } from './components/NotLikeThisSheet.tsx'
import { TickDock } from './components/TickDock.tsx'
import { WireSearch } from './components/WireSearch.tsx'
import { endAt, endViews } from './selectors.ts'
import {
  pictures,
  selectEnd,
  selectPlace,
  showPicture,
  startSelection,
  useSelection,
  type HookUpPicture,
} from './store.ts'

// The loom is there at once; what is turned to comes meanwhile.
const EndMargin = later(async () => (await import('./components/EndMargin.tsx')).EndMargin)
const JobMargin = later(async () => (await import('./components/JobMargin.tsx')).JobMargin)
const ConnectionCard = later(async () => (await import('./components/ConnectionCard.tsx')).ConnectionCard)
const SignalPaths = later(async () => (await import('./components/SignalPaths.tsx')).SignalPaths)
const MeterPanel = later(async () => (await import('./components/MeterPanel.tsx')).MeterPanel)
const RecordPanel = later(async () => (await import('./components/RecordPanel.tsx')).RecordPanel)
const WireIdentity = later(async () => (await import('./components/WireIdentity.tsx')).WireIdentity)
const NotLikeThisSheet = comesLater(
  async () => (await import('./components/NotLikeThisSheet.tsx')).NotLikeThisSheet,
  ({ open }: ComponentProps<typeof Deviation>) => open,
)

const pictureNames: Record<HookUpPicture, string> = {
  loom: 'Loom',
  card: 'Card',
  signals: 'Signals',
  meter: 'Meter',
  record: 'Record',
}

export function HookUpPage() {
  const view = useJob()
  const ends = endViews(view)
  const [params] = useSearchParams()
  const asked = idIn(view.dossiers.kit.ends, params.get('end') ?? '') ?? null
  const plug = idIn(view.dossiers.machine.connectors, params.get('plug') ?? '')
  const cavity = Number(params.get('cavity'))
  const endThere = plug === undefined ? undefined : endAt(view, plug, cavity)
  useEffect(() => {
    startSelection(asked)
    if (plug !== undefined && cavity > 0) selectPlace({ connector: plug, cavity }, endThere)
  }, [asked, plug, cavity, endThere, view.job.id])
  const { end: picked, place, picture } = useSelection()
  const [deviating, setDeviating] = useState(false)
  const next = ends.find((item) => item.status === 'stop') ?? ends.find((item) => item.status === 'open')
  const current = ends.find((item) => item.end.id === picked) ?? next
  const shown = current ?? ends[0]
  const made = ends.filter((item) => item.status === 'done').length
  const after = ends.filter((item) => item.status !== 'done' && item !== current)
  const move = (step: number) => {
    const at = ends.findIndex((item) => item === current)
    selectEnd(around(ends, at, step)?.end.id ?? null)
  }
  useKeys({
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    n: current ? () => setDeviating(true) : undefined,
    ...Object.fromEntries(pictures.map((name, i) => [String(i + 1), () => showPicture(name)])),
  })
  useFindKey(current ? { end: current.end, match: current.match } : null)
  return (
    <>
      <Stage
        picture={
          <Tabs names={pictures} shown={picture} onShow={showPicture}>
            <div className="mb-2 flex flex-wrap items-center justify-between gap-x-4 gap-y-2">
              <h2 className="text-title font-bold">
                {made} of {ends.length} ends {purposeOf(view.state) === 'stock' ? 'off' : 'connected'}
              </h2>
              <WireSearch
                onPick={({ connector, cavity }) => selectPlace({ connector, cavity }, endAt(view, connector, cavity))}
              />
            </div>
            <TabList aria-label="Views" className="mb-3 flex gap-1 overflow-x-auto border-b-2 border-ink px-1 pt-1">
              {pictures.map((name) => (
                <Tab
                  key={name}
                  value={name}
                  className="min-h-11 rounded-t-lg px-4 font-head text-body font-bold data-[state=active]:bg-ink data-[state=active]:text-ground"
                >
                  {pictureNames[name]}
                </Tab>
              ))}
            </TabList>
            <Picture name="loom">
              <LoomDrawing ends={ends} current={current?.end.id} onPick={selectEnd} />
            </Picture>
            <Picture name="card">{shown && <ConnectionCard key={shown.end.id} item={shown} />}</Picture>
            <Picture name="signals">{shown && <SignalPaths key={shown.end.id} end={shown.end.id} />}</Picture>
            <Picture name="meter">{shown && <MeterPanel key={shown.end.id} item={shown} />}</Picture>
            <Picture name="record">
              <RecordPanel />
            </Picture>
          </Tabs>
        }
        margin={
          place ? (
            <Suspense fallback={null}>
              <WireIdentity key={`${place.connector}:${place.cavity}`} place={place} />
            </Suspense>
          ) : (
            <>
              <Suspense fallback={null}>
                <JobMargin />
                {shown && <EndMargin key={shown.end.id} item={shown} after={after.map((item) => item.end)} />}
              </Suspense>
            </>
          )
        }
        dock={
          current ? (
            <TickDock
              item={current}
              ticks={planTicks(view.dossiers, view.state, current.end, current.match)}
              onDeviate={() => setDeviating(true)}
              onNext={() => selectEnd(null)}
            />
          ) : (
            <Dock
              title="Every end is connected"
              hint={
                view.stops.length > 0 ? 'A stop is open.' : 'Look over the notes beside the drawing, then tie it down.'
              }
              actions={
                <>
                  <Button look="dock" onClick={() => selectEnd(ends[0]?.end.id ?? null)}>
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
