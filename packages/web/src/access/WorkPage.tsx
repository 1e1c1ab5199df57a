import { around } from '@tidy-badger/core/shared'
import { type Station, stationNames, type CoverId } from '@tidy-badger/core/dossiers'
import { accessOf, gatedStations, stationWork, wakesAt } from '@tidy-badger/core/jobs'
import { Suspense, useEffect, type ReactNode } from 'react'
import { useJob } from '../jobs/index.ts'
import { Picture, Views, StationHeading } from '../ui/Views.tsx'
import { Stage } from '../ui/Stage.tsx'
import { later } from '../ui/comesLater.tsx'
import { useKeys } from '../ui/useKeys.ts'
import { coverOf } from './coverOf.ts'
import {
  WorkDock,
  WorkList,
  selectWork,
  showWorkPicture,
  useWorkSelection,
  workPictures,
  type WorkPicture,
} from '../work/index.ts'

// What is to be done is there at once; what is turned to comes meanwhile.
const WorkMargin = later(async () => (await import('./components/WorkMargin.tsx')).WorkMargin)
const MachineDrawing = later(async () => (await import('./components/MachineDrawing.tsx')).MachineDrawing)
const Practices = later(async () => (await import('./components/Practices.tsx')).Practices)
const PlanNotes = later(async () => (await import('./components/PlanNotes.tsx')).PlanNotes)
const DayPanel = later(async () => (await import('./components/DayPanel.tsx')).DayPanel)
const LiveCard = later(async () => (await import('./components/LiveCard.tsx')).LiveCard)
const AlsoPanel = later(async () => (await import('./components/AlsoPanel.tsx')).AlsoPanel)

const pictureNames: Record<WorkPicture, string> = {
  machine: 'Machine',
  settings: 'Settings',
  day: 'Day',
  also: 'Also',
}

/** Stations at which covers move. */
const openStations: readonly Station[] = ['make-safe', 'open-up', 'set-up', 'close-up']

/** Stations at which the key is turned: what is done then has a card of its own. */
const liveStations: readonly Station[] = ['set-up', 'wake', 'trim']

/** A station made of work: the one thing to do is large, the machine beside it, the day one tap further. */
export function WorkPage({
  station,
  settings,
  children,
}: {
  station: Station
  /** A view of its own, one tap further. */
  settings?: ReactNode
  children?: ReactNode
}) {
  const { dossiers, state, stops } = useJob()
  const items = stationWork(dossiers, state, station)
  const { item: picked, picture: wished } = useWorkSelection()
  const names = workPictures.filter((name) => name !== 'settings' || settings !== undefined)
  const picture = names.includes(wished) ? wished : 'machine'
  const open = items.filter((item) => !item.done)
  const current = items.find((item) => item.id === picked) ?? open[0]
  const gated = gatedStations.includes(station) && stops.length > 0
  const live = current !== undefined && liveStations.includes(station) && wakesAt(current)
  const withMachine = !live && openStations.includes(station) && accessOf(dossiers, state) !== null
  useEffect(() => () => selectWork(null), [station])
  const move = (step: number) => {
    const at = items.findIndex((item) => item === current)
    selectWork(around(items, at, step)?.id ?? null)
  }
  useKeys({
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    ...Object.fromEntries(names.map((name, i) => [String(i + 1), () => showWorkPicture(name)])),
  })
  const made = items.length - open.length
  const pickCover = (cover: CoverId) => {
    const found = items.find((item) => coverOf(item)?.id === cover)
    if (found) selectWork(found.id)
  }
  return (
    <Stage
      picture={
        <Views
          heading={<StationHeading name={stationNames[station]} done={made} all={items.length} />}
          names={names.map(
            (name) => [name, name === 'machine' && !withMachine ? 'Steps' : pictureNames[name]] as const,
          )}
          shown={picture}
          onShow={showWorkPicture}
        >
          <Picture name="machine">
            <div className={withMachine || live ? 'flex gap-4 max-xl:flex-col-reverse' : ''}>
              <div className={withMachine || live ? 'xl:w-[296px] xl:shrink-0' : ''}>
                <WorkList items={items} current={current} onPick={selectWork} />
                {station === 'make-safe' && (
                  <Suspense fallback={null}>
                    <Practices />
                  </Suspense>
                )}
                {children}
              </div>
              {live && (
                <div className="min-w-0 flex-1 self-start xl:sticky xl:top-0">
                  <Suspense fallback={<div className="min-h-[540px]" />}>
                    <LiveCard item={current} />
                  </Suspense>
                </div>
              )}
              {withMachine && (
                <div className="min-w-0 flex-1">
                  <Suspense fallback={<div className="min-h-[540px]" />}>
                    <MachineDrawing current={coverOf(current)?.id ?? null} onPick={pickCover} />
                    <PlanNotes />
                  </Suspense>
                </div>
              )}
            </div>
          </Picture>
          {settings !== undefined && <Picture name="settings">{settings}</Picture>}
          <Picture name="day">
            <DayPanel />
          </Picture>
          <Picture name="also">
            <AlsoPanel />
          </Picture>
        </Views>
      }
      margin={
        <Suspense fallback={null}>
          <WorkMargin item={current} station={station} gated={gated} />
        </Suspense>
      }
      dock={
        <WorkDock station={station} items={items} current={current} gated={gated} onDone={() => selectWork(null)} />
      }
    />
  )
}
