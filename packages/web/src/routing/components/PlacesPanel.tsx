import { routesOf } from '@tidy-badger/core/jobs'
import {
  dangerWords,
  farPlaceChosen,
  farPlacesOf,
  mountingChosen,
  mountPlaceChosen,
  mountPracticeOf,
  mountReasons,
  mountPractices,
  placesFor,
  type RankedPlace,
} from '@tidy-badger/core/routing'
import { Ban, Check } from 'lucide-react'
import type { ReactNode } from 'react'
import { Button } from '../../ui/Button.tsx'
import { useLoom } from '../useLoom.ts'
import { RouteDrawing } from './RouteDrawing.tsx'
import { Practice } from '../../ui/Practice.tsx'
import { PlaceChoice } from '../../work/index.ts'

/** A practice that asks for what no place here has says so; the next best is then taken. */
function practiceFindsNone(practice: string, places: readonly RankedPlace[]): string | null {
  const possible = places.filter((place) => place.feasible)
  if (practice === 'hidden from view' && !possible.some((place) => place.facts.hidden))
    return 'No place here is out of sight: the best of the others is taken.'
  if (practice === 'dash for tuning, stowed after' && !possible.some((place) => place.facts.dash))
    return 'No place here is in view while driving: the best of the others is taken.'
  if (practice === 'reachable without tools' && possible.every((place) => place.facts.tools))
    return 'Every place here is behind something screwed on: the best of them is taken.'
  return null
}

/** The two best places side by side, the others with why they lost, and how this shop chooses. */
export function PlacesPanel() {
  const { dossiers, state, place, write } = useLoom()
  const routes = routesOf(dossiers, state)
  if (!routes?.ok)
    return (
      <p className="text-lead">
        {routes
          ? routes.problems.map((problem) => problem.message).join(' ')
          : 'No places can be compared without passages.'}
      </p>
    )
  const { places } = routes.value
  const pair = places.slice(0, 2)
  const others = places.slice(2)
  return (
    <div className="flex flex-col gap-4">
      <div className="grid gap-4 md:grid-cols-2">
        {pair.map((item) => (
          <PlaceColumn
            key={item.place.id}
            item={item}
            chosen={item.place.id === place?.id}
            first={pair[0] ?? item}
            onChoose={() => void write(mountPlaceChosen.answer(state, {}, item.place.id))}
          />
        ))}
      </div>
      {others.length > 0 && (
        <section>
          <h3 className="text-lead font-bold">The others</h3>
          <ul className="flex flex-col gap-2">
            {others.map((item) => (
              <li
                key={item.place.id}
                className="flex flex-wrap items-start gap-x-4 gap-y-1 border-l-[5px] border-line pl-3"
              >
                <span className="min-w-0 flex-1">
                  <span className="font-semibold">{item.place.name}</span>: {item.lost}
                  {item.better.length > 0 && (
                    <span className="block text-quiet">Better: {item.better.join('; ')}.</span>
                  )}
                </span>
                {item.place.id === place?.id ? (
                  <span className="font-semibold">chosen</span>
                ) : (
                  <Button onClick={() => void write(mountPlaceChosen.answer(state, {}, item.place.id))}>
                    Put it there
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="grid gap-4 border-t-2 border-line-soft pt-3 md:grid-cols-2">
        <Practice
          legend="Where modules go in this shop"
          name="mounting"
          options={mountPractices}
          reasons={mountReasons}
          now={mountPracticeOf(state)}
          onChoose={(value) => void write(mountingChosen.answer(state, {}, value))}
        />
        {practiceFindsNone(mountPracticeOf(state), places) && (
          <p className="text-quiet">{practiceFindsNone(mountPracticeOf(state), places)}</p>
        )}
        <div className="flex flex-col gap-3">
          {(['dial', 'sensor', 'switch'] as const).map((use) => {
            const list = placesFor(dossiers.machine, use)
            const wanted = dossiers.kit.ends.some((end) => end.type === 'plug' && end.far === use)
            if (!wanted || list.length === 0) return null
            return (
              <PlaceChoice
                key={use}
                what={use}
                places={list}
                now={farPlacesOf(dossiers.machine, state)[use]}
                onChoose={(chosen) => void write(farPlaceChosen.answer(state, { use }, chosen ?? null))}
              />
            )
          })}
        </div>
      </div>
    </div>
  )
}

function PlaceColumn({
  item,
  chosen,
  first,
  onChoose,
}: {
  item: RankedPlace
  chosen: boolean
  first: RankedPlace
  onChoose: () => void
}) {
  const { dossiers } = useLoom()
  const { facts } = item
  return (
    <section className={`flex flex-col gap-2 rounded-xl border-[3px] p-3 ${chosen ? 'border-lamp' : 'border-line'}`}>
      <header className="flex min-h-[76px] items-start justify-between gap-2">
        <div className="min-w-0">
          <h3 className="text-title font-bold">
            {item.rank}. {item.place.name}
          </h3>
          <p className="text-quiet">{item.place.place}</p>
        </div>
        {chosen ? (
          <span className="flex min-h-11 shrink-0 items-center gap-1 font-semibold">
            <Check aria-hidden size={20} /> chosen
          </span>
        ) : (
          <Button className="shrink-0" onClick={onChoose}>
            Put it here
          </Button>
        )}
      </header>
      <div>
        <RouteDrawing
          machine={dossiers.machine}
          kit={dossiers.kit}
          loom={item}
          views={['side']}
          maxHeight={190}
          still
        />
      </div>
      {!item.feasible && (
        <ul role="alert">
          {item.against.map((text) => (
            <li key={text} className="flex gap-2 font-semibold text-stop">
              <Ban aria-hidden size={18} className="mt-0.5 shrink-0" />
              {text}
            </li>
          ))}
        </ul>
      )}
      <dl className="grid grid-cols-[1fr_auto] gap-x-3">
        <Fact
          name="Branches that reach"
          value={`${item.branches.filter((branch) => branch.reach === 'reaches').length} of ${item.branches.length}`}
        />
        <Fact name="Extension" value={item.extensionM > 0 ? `${item.extensionM.toFixed(2)} m` : 'none'} />
        <Fact name="Dangers on the way" value={dangerWords(item.dangers) || 'none'} />
        <Fact name="Work at bulkheads" value={item.workMin > 0 ? `${Math.round(item.workMin)} min` : 'none'} />
        <Fact
          name="Got at again"
          value={`${Math.round(facts.serviceMin)} min, ${facts.tools ? 'with tools' : 'by hand'}`}
        />
        <Fact name="Out of sight" value={facts.hidden ? 'yes' : 'no'} />
        <Fact name="Lamp in view" value={facts.lampSeen ? 'yes' : 'no'} />
        <Fact name="Ties" value={String(item.ties.count)} />
      </dl>
      {item.rank > 1 && item.feasible && (
        <p>
          <span className="font-semibold">Why not first.</span> {item.lost}
          {item.better.length > 0 ? ` Better here: ${item.better.join('; ')}.` : ' Better in nothing that counts.'}
        </p>
      )}
      {item.rank === 1 && item.feasible && (
        <p className="font-semibold">
          {first.compromise ? 'No other is better in one thing without being worse in another.' : ''}
        </p>
      )}
    </section>
  )
}

function Fact({ name, value }: { name: string; value: ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd className="figures text-right">{value}</dd>
    </>
  )
}
