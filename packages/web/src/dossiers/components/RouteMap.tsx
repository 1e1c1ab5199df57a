import {
  emptyPassageRow,
  routePoints,
  withPassage,
  withSpot,
  type Machine,
  type PointAt,
} from '@tidy-badger/core/dossiers'
import { ImageUp } from 'lucide-react'
import { useState } from 'react'
import { notice } from '../../ui/notices.ts'
import type { View } from '@tidy-badger/core/drawing'
import { Button } from '../../ui/Button.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { changeMachine, machineDrafting, useDraft } from '../draftStore.ts'
import { useBackground } from '../useBackground.ts'
import { PointCard, SteeringFields } from './PointCard.tsx'
import { PointMap } from './PointMap.tsx'

/** Zones and spots on the machine, drawn or photographed: set by pointer, moved by drag or arrow keys, joined to passages. */
export function RouteMap({ machine }: { machine: Machine }) {
  const [view, setView] = useState<View>('side')
  const [picked, setPicked] = useState<string | null>(null)
  const [joinFrom, setJoinFrom] = useState<string | null>(null)
  const [name, setName] = useState('')
  const [wrong, setWrong] = useState('')
  const picture = useBackground(useDraft((state) => state.id) ?? '', view)
  const { body } = machine
  const points = routePoints(machine)
  const point = points.find((item) => item.id === picked)
  if (!body) return null
  const add = (at: PointAt) => {
    const made = withSpot(machineDrafting.now() ?? machine, name, at)
    if (!made.ok) {
      setWrong(made.problems[0]?.message ?? '')
      return
    }
    setWrong('')
    setName('')
    changeMachine(() => made.value)
    setPicked(made.value.spots?.at(-1)?.id ?? null)
  }
  const pick = (id: string) => {
    if (joinFrom !== null && joinFrom !== id) {
      const made = withPassage(machineDrafting.now() ?? machine, null, {
        ...emptyPassageRow,
        from: joinFrom,
        to: id,
      })
      if (made.ok) changeMachine(() => made.value)
      else notice.bad(made.problems[0]?.message ?? '')
      setJoinFrom(null)
    }
    setPicked(id)
  }
  return (
    <section className="min-w-0">
      <h2 className="mb-1 text-title font-bold">Where a loom can lie</h2>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <div role="group" aria-label="View" className="flex gap-1">
          {(['side', 'top'] as const).map((item) => (
            <Button
              key={item}
              aria-pressed={view === item}
              look={view === item ? 'main' : 'plain'}
              onClick={() => setView(item)}
            >
              {item === 'side' ? 'From the left' : 'From above'}
            </Button>
          ))}
        </div>
        <label className="flex flex-col">
          <span className="text-small text-quiet">New point</span>
          <input
            value={name}
            placeholder="Left spar"
            onChange={(event) => setName(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') add({ x: body.lengthM / 2, y: 0, z: body.heightM / 2 })
            }}
          />
        </label>
        <p className="max-w-[420px] text-quiet">
          Type a name and tap the picture, or press Enter and move it with the arrow keys (10 mm, with Shift 100 mm).
        </p>
        <FileButton
          accept="image/*"
          label="A photo of the machine behind it"
          onFiles={(files) => void picture.take(files[0])}
        >
          <ImageUp aria-hidden size={20} /> Photo behind it
        </FileButton>
        {picture.url && (
          <Button look="quiet" onClick={() => void picture.drop()}>
            Drawing again
          </Button>
        )}
      </div>
      {wrong && (
        <p role="alert" className="font-semibold text-stop">
          {wrong}
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[minmax(0,1fr)_300px]">
        <PointMap
          machine={machine}
          body={body}
          view={view}
          picked={picked}
          joinFrom={joinFrom}
          picture={picture.url}
          onPick={pick}
          onEmpty={name.trim() === '' ? undefined : add}
        />
        <aside className="flex flex-col gap-3">
          {point ? (
            <PointCard
              key={point.id}
              machine={machine}
              point={point}
              joining={joinFrom === point.id}
              onJoin={() => setJoinFrom(joinFrom === point.id ? null : point.id)}
              onGone={() => setPicked(null)}
            />
          ) : (
            <p className="text-quiet">
              Pick a point to say where it is, what is reached from it, and what it is joined to.
            </p>
          )}
          <SteeringFields key={JSON.stringify(machine.steering)} machine={machine} />
        </aside>
      </div>
    </section>
  )
}
