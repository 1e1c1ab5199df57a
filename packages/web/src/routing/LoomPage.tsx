import { around } from '@tidy-badger/core/shared'
import { trunkPart } from '@tidy-badger/core/routing'
import { type PassageId, type Station, stationNames } from '@tidy-badger/core/dossiers'
import { stationWork } from '@tidy-badger/core/jobs'
import { Suspense, useEffect } from 'react'
import { selectWork, useWorkSelection, WorkDock, WorkList } from '../work/index.ts'
import { later } from '../ui/comesLater.tsx'
import { Picture, Views, StationHeading } from '../ui/Views.tsx'
import { Stage } from '../ui/Stage.tsx'
import { useKeys } from '../ui/useKeys.ts'
import { loomPictures, pickPart, showPicture, useLoomView, type LoomPicture } from './store.ts'
import { useLoom } from './useLoom.ts'

// What is to be done is there at once; what is turned to comes meanwhile.
const RouteDrawing = later(async () => (await import('./components/RouteDrawing.tsx')).RouteDrawing)
const BranchList = later(async () => (await import('./components/BranchList.tsx')).BranchList)
const LoomMargin = later(async () => (await import('./components/LoomMargin.tsx')).LoomMargin)
const PlacesPanel = later(async () => (await import('./components/PlacesPanel.tsx')).PlacesPanel)
const PowerPanel = later(async () => (await import('./components/PowerPanel.tsx')).PowerPanel)
const LengthsPanel = later(async () => (await import('./components/LengthsPanel.tsx')).LengthsPanel)

const pictureNames: Record<LoomPicture, string> = {
  way: 'Way',
  places: 'Places',
  power: 'Power',
  lengths: 'Lengths',
}

/** Where the loom lies: for laying it and holding the module to its place, and for dressing and tying it. */
export function LoomPage({ station }: { station: Station }) {
  const { dossiers, state, loom, troubles, planned, lies, toggle, write } = useLoom()
  const { picture, part, marking } = useLoomView()
  const items = stationWork(dossiers, state, station)
  const { item: picked } = useWorkSelection()
  const open = items.filter((item) => !item.done)
  const current = items.find((item) => item.id === picked) ?? open[0]
  useEffect(
    () => () => {
      selectWork(null)
      pickPart(null)
    },
    [station],
  )
  const parts = loom ? [trunkPart, ...loom.branches.map((branch) => branch.end.id)] : []
  const move = (step: number) => {
    const at = part === null ? (step > 0 ? -1 : 0) : parts.indexOf(part)
    pickPart(around(parts, at, step) ?? null)
  }
  useKeys({
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    ...Object.fromEntries(loomPictures.map((name, i) => [String(i + 1), () => showPicture(name)])),
  })
  const tied = new Set((dossiers.machine.passages ?? []).flatMap(({ id }) => (id in state.ties ? [id] : [])))
  const otherwise = new Map(
    parts.flatMap((id) => {
      const built = state.routes[id]?.passages ?? []
      return built.some((passage) => !planned.get(id)?.includes(passage)) ? [[id, built] as const] : []
    }),
  )
  return (
    <Stage
      picture={
        <Views
          heading={<StationHeading name={stationNames[station]} done={items.length - open.length} all={items.length} />}
          names={loomPictures.map((name) => [name, pictureNames[name]] as const)}
          shown={picture}
          onShow={showPicture}
        >
          <Picture name="way">
            <div className="flex gap-4 max-xl:flex-col-reverse">
              <div className="xl:w-[280px] xl:shrink-0">
                <WorkList items={items} current={current} onPick={selectWork} />
                <Suspense fallback={null}>
                  <BranchList station={station} />
                </Suspense>
              </div>
              {loom ? (
                <div className="min-w-0 flex-1 xl:sticky xl:top-0 xl:self-start">
                  <Suspense fallback={<div className="min-h-[560px]" />}>
                    <RouteDrawing
                      machine={dossiers.machine}
                      kit={dossiers.kit}
                      loom={loom}
                      part={part}
                      onPick={pickPart}
                      built={otherwise}
                      ties={{
                        done: tied,
                        ...(station === 'tie-down'
                          ? { onTie: (passage: PassageId) => void write({ kind: 'tied', passage }) }
                          : {}),
                      }}
                      marking={
                        marking && part
                          ? { lies: lies(part), toggle: (passage) => void toggle(part, passage) }
                          : undefined
                      }
                    />
                  </Suspense>
                  <div className="mt-1 flex flex-wrap items-center gap-x-4 text-small text-quiet">
                    <p>
                      <span className="figures">{loom.ties.count}</span> ties · thickest{' '}
                      <span className="figures">
                        {Math.max(...loom.bundles.map((bundle) => bundle.diameterMm), 0).toFixed(0)} mm
                      </span>{' '}
                      · drawn 2.5 times as thick
                      {!loom.exact && ' · a better way for the trunk may have been missed'}
                    </p>
                  </div>
                </div>
              ) : (
                <NoRoute why={troubles} />
              )}
            </div>
          </Picture>
          <Picture name="places">
            <PlacesPanel />
          </Picture>
          <Picture name="power">
            <PowerPanel />
          </Picture>
          <Picture name="lengths">
            <LengthsPanel />
          </Picture>
        </Views>
      }
      margin={
        <Suspense fallback={null}>
          <LoomMargin station={station} item={current} />
        </Suspense>
      }
      dock={
        <WorkDock station={station} items={items} current={current} gated={false} onDone={() => selectWork(null)} />
      }
    />
  )
}

function NoRoute({ why }: { why: readonly string[] }) {
  return (
    <section className="min-w-0 flex-1 rounded-lg border-2 border-dashed border-line p-5">
      <h3 className="text-title font-bold">No way for the loom yet</h3>
      {why.length > 0 ? (
        why.map((text) => <p key={text}>{text}</p>)
      ) : (
        <p>
          Where a loom can lie on this machine is not written down. Draw its passages in the dossier, or lay the loom by
          eye along the factory loom and keep a hand's breadth from everything hot or moving.
        </p>
      )}
    </section>
  )
}
