import { coverOf } from '../coverOf.ts'
import { asHeading } from '@tidy-badger/core/dossiers'
import { coverName, fixedWayTo, type PlannedTarget, targetKey, wayChosen, waysTo } from '@tidy-badger/core/access'
import type { Cover, Station, WayId } from '@tidy-badger/core/dossiers'
import { accessOf, type WorkItem } from '@tidy-badger/core/jobs'
import { Suspense } from 'react'
import { OnPhotos } from '../../machine-view/index.ts'
import { PhotoButton, PhotoRow, StopGate, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { later } from '../../ui/comesLater.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'

const FastenerDrawing = later(async () => (await import('./FastenerDrawing.tsx')).FastenerDrawing)
const MoreCards = later(async () => (await import('./MoreCards.tsx')).MoreCards)
const PartsTray = later(async () => (await import('./PartsTray.tsx')).PartsTray)

/** What concerns the thing in hand: care first, then what holds it, what to keep, why, and the tray. */
export function WorkMargin({ item, station, gated }: { item: WorkItem | undefined; station: Station; gated: boolean }) {
  const { dossiers, state } = useJob()
  const cover = coverOf(item)
  const step = item?.kind === 'step' ? item.step : null
  const caution = cover?.caution ?? step?.caution
  const about = cover ? { station, cover: cover.id } : step ? { station, step: step.id } : { station }
  const photos = state.photos.filter(
    (photo) => (cover && photo.about?.cover === cover.id) || (step && photo.about?.step === step.id),
  )
  const trayStation = ['make-safe', 'open-up', 'set-up', 'wake', 'close-up', 'hook-up'].includes(station)
  return (
    <>
      {gated && <StopGate />}
      {caution && (
        <MarginCard tone="lamp" title="Take care">
          {caution}
        </MarginCard>
      )}
      <Suspense fallback={null}>
        <MoreCards station={station} />
      </Suspense>
      {cover && dossiers.machine.photos && (
        <Suspense fallback={null}>
          <OnPhotos machine={dossiers.machine} of="covers" id={cover.id} />
        </Suspense>
      )}
      {cover && item && <CoverCard cover={cover} off={item.kind === 'cover-off'} />}
      {trayStation && dossiers.machine.covers && (
        <Suspense fallback={null}>
          <PartsTray />
        </Suspense>
      )}
      {item?.kind === 'cover-off' && <OtherWays cover={item.removal.cover} />}
      {step?.why && (
        <MarginCard tone="data" title="Why">
          {step.why}
        </MarginCard>
      )}
      {step?.wait && (
        <MarginCard tone="data" title={`Then ${step.wait.minutes} min by itself`}>
          {asHeading(step.wait.why)}. The clock starts when it is done; other work goes on.
        </MarginCard>
      )}
      {item && (
        <div className="flex flex-col gap-2">
          <PhotoButton
            shows={item.kind === 'own' ? 'damage' : station === 'take-in' ? 'before' : 'work'}
            about={about}
          />
          <PhotoRow photos={photos} />
        </div>
      )}
      {!cover &&
        dossiers.machine.cautions.map((text) => (
          <MarginCard key={text} tone="quiet" title={dossiers.machine.model}>
            {text}
          </MarginCard>
        ))}
      {(station === 'take-in' || station === 'prove') && (
        <MarginCard tone="quiet" title="What comes first">
          Local law, the maker's data and the kit's own sheet come before anything here. Emission controls stay as they
          are.
        </MarginCard>
      )}
    </>
  )
}

function CoverCard({ cover, off }: { cover: Cover; off: boolean }) {
  const tools = cover.tools ?? []
  return (
    <MarginCard tone="quiet" title={off ? 'What holds it' : 'What goes back'}>
      {cover.fasteners.length > 0 ? (
        <ul>
          <Suspense fallback={null}>
            {cover.fasteners.map((fastener, i) => (
              <FastenerDrawing key={i} fastener={fastener} />
            ))}
          </Suspense>
        </ul>
      ) : (
        <p>Nothing written down.</p>
      )}
      {tools.length > 0 && <p>Also: {tools.join(', ')}</p>}
      {cover.helper && <p className="font-semibold">Two people.</p>}
      {off && cover.how && <p className="mt-1">{cover.how}</p>}
      {cover.saves.length > 0 && (
        <p className="mt-1 font-semibold">
          {off ? 'Save: ' : 'Back with it: '}
          {cover.saves.join(', ')}
        </p>
      )}
      {cover.hot && off && <p className="mt-1">Cold first.</p>}
    </MarginCard>
  )
}

/** What this cover is off for, and the other ways to it. */
function OtherWays({ cover }: { cover: Cover }) {
  const { dossiers, state } = useJob()
  const targets = (accessOf(dossiers, state)?.targets ?? [])
    .filter((item) => item.covers.includes(cover.id))
    .sort((a, b) => Number(b.otherwise !== undefined) - Number(a.otherwise !== undefined))
  if (targets.length === 0) return null
  const [few, more] = [targets.slice(0, 3), targets.slice(3)]
  const lines = (list: readonly PlannedTarget[]) => (
    <ul className="flex flex-col gap-1.5">
      {list.map((item) => (
        <TargetLine key={targetKey(item.target)} item={item} />
      ))}
    </ul>
  )
  return (
    <MarginCard tone="data" title="It gives way to">
      {lines(few)}
      {more.length > 0 && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
            and {more.length} more
          </summary>
          {lines(more)}
        </details>
      )}
    </MarginCard>
  )
}

function TargetLine({ item }: { item: PlannedTarget }) {
  const { dossiers, state, write } = useJob()
  const now = fixedWayTo(state, item.target)
  const others = waysTo(dossiers.machine, item.target).filter((way) => way.id !== item.way.id)
  const choose = (way: WayId | null) => void write(wayChosen.answer(state, { target: targetKey(item.target) }, way))
  return (
    <li>
      <span className="font-semibold">{item.target.name}</span>, from {item.way.from}
      {now !== null && (
        <Button look="quiet" className="!px-0" onClick={() => choose(null)}>
          Back to the planned way
        </Button>
      )}
      {others.map((way) => {
        const more = item.otherwise?.way.id === way.id ? item.otherwise.moreMinutes : null
        return (
          <details key={way.id}>
            <summary className="flex min-h-11 cursor-pointer items-center text-data underline underline-offset-4">
              or from {way.from}
              {more !== null && `: ${more >= 0 ? '+' : '−'}${Math.round(Math.abs(more))} min`}
            </summary>
            {way.note && <p>{way.note}</p>}
            <p>
              Behind:{' '}
              {way.needs.length > 0 ? way.needs.map((id) => coverName(dossiers, id)).join(', ') : 'nothing to take off'}
            </p>
            <Button className="mt-1" onClick={() => choose(way.id)}>
              Take this way
            </Button>
          </details>
        )
      })}
    </li>
  )
}
