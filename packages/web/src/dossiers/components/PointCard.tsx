import {
  servesText,
  withPointAt,
  withServes,
  withSteering,
  withoutSpot,
  type Machine,
  type PointAt,
} from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { changeMachine, keepMade, machineDrafting } from '../draftStore.ts'

/** The point in hand: where it is, what is reached from it, and joining it to another. */
export function PointCard({
  machine,
  point,
  joining,
  onJoin,
  onGone,
}: {
  machine: Machine
  point: { id: string; name: string; at?: PointAt; spot: boolean }
  joining: boolean
  onJoin: () => void
  onGone: () => void
}) {
  const spot = machine.spots?.find((item) => item.id === point.id)
  const [serves, setServes] = useState(spot ? servesText(machine, spot) : '')
  const [wrong, setWrong] = useState('')
  const now = point.at ?? { x: 0, y: 0, z: 0 }
  const keepServes = () => {
    if (!spot || serves === servesText(machine, spot)) return
    const made = keepMade(machineDrafting, machine, (now) => withServes(now, spot.id, serves))
    setWrong(made.ok ? '' : (made.problems[0]?.message ?? ''))
  }
  return (
    <div className="flex flex-col gap-2 border-l-[5px] border-lamp pl-3">
      <h3 className="text-lead font-bold">{point.name}</h3>
      <div className="flex flex-wrap gap-2">
        {(
          [
            ['x', 'From the front'],
            ['y', 'To the right'],
            ['z', 'Up'],
          ] as const
        ).map(([axis, label]) => (
          <label key={axis} className="flex flex-col">
            <span className="text-small text-quiet">{label}, mm</span>
            <input
              key={`${axis} ${now[axis]}`}
              inputMode="numeric"
              className="figures w-24"
              defaultValue={Math.round(now[axis] * 1000)}
              onBlur={(event) => {
                const value = Number(event.target.value)
                if (Number.isFinite(value) && value !== Math.round(now[axis] * 1000))
                  changeMachine((before) => withPointAt(before, point.id, { ...now, [axis]: value / 1000 }))
              }}
            />
          </label>
        ))}
      </div>
      {spot && (
        <label className="flex flex-col">
          <span className="text-small text-quiet">Reached from here: plugs, studs, places</span>
          <input
            value={serves}
            placeholder="Injector plug, Engine strap stud"
            onChange={(event) => setServes(event.target.value)}
            onBlur={keepServes}
            onKeyDown={(event) => event.key === 'Enter' && keepServes()}
          />
        </label>
      )}
      {wrong && (
        <p role="alert" className="font-semibold text-stop">
          {wrong}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button look={joining ? 'main' : 'plain'} onClick={onJoin} aria-pressed={joining}>
          {joining ? 'Now pick the other end' : 'Join to another point'}
        </Button>
        {spot && (
          <Button
            look="quiet"
            onClick={() => {
              changeMachine((before) => withoutSpot(before, point.id))
              onGone()
            }}
          >
            Take out
          </Button>
        )}
      </div>
    </div>
  )
}

/** How far what is steered takes a loom along. */
export function SteeringFields({ machine }: { machine: Machine }) {
  const [radius, setRadius] = useState(machine.steering ? String(Math.round(machine.steering.radiusM * 1000)) : '')
  const [lock, setLock] = useState(machine.steering ? String(machine.steering.lockDeg) : '')
  const [wrong, setWrong] = useState('')
  const keep = () => {
    const made = withSteering(machineDrafting.now() ?? machine, radius, lock)
    setWrong(made.ok || radius === '' || lock === '' ? '' : (made.problems[0]?.message ?? ''))
    if (made.ok && JSON.stringify(made.value.steering) !== JSON.stringify(machine.steering))
      changeMachine(() => made.value)
  }
  return (
    <fieldset className="flex flex-wrap gap-2">
      <legend className="font-head font-bold">Steering</legend>
      <label className="flex flex-col">
        <span className="text-small text-quiet">Radius of the loom, mm</span>
        <input
          className="figures w-28"
          value={radius}
          onChange={(event) => setRadius(event.target.value)}
          onBlur={keep}
        />
      </label>
      <label className="flex flex-col">
        <span className="text-small text-quiet">Lock from straight, °</span>
        <input className="figures w-28" value={lock} onChange={(event) => setLock(event.target.value)} onBlur={keep} />
      </label>
      {wrong && (
        <p role="alert" className="w-full font-semibold text-stop">
          {wrong}
        </p>
      )}
    </fieldset>
  )
}
