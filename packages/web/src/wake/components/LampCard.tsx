import { kitNamed, ownMembers, type KitLamp, type KitMember } from '@tidy-badger/core/dossiers'
import { readLamp, type LampAnswer } from '@tidy-badger/core/wake'
import { useRef, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { Rhythm } from './Rhythm.tsx'

/** What the lamp of a kit says: tapped with the finger or the space bar, or picked from its drawn rhythms. */
export function LampCard({ onDone }: { onDone: () => void }) {
  const { dossiers } = useJob()
  const lit = ownMembers(dossiers.kit).filter(({ kit }) => (kit.lamps ?? []).length > 0)
  if (lit.length === 0)
    return (
      <p>
        What the lamps of this kit say is not written down. Write down in words what it does, and add it to its dossier.
      </p>
    )
  return (
    <div className="flex flex-col gap-6">
      {lit.map((member) => (
        <OfKit key={member.key} member={member} onDone={onDone} />
      ))}
    </div>
  )
}

function OfKit({ member, onDone }: { member: KitMember; onDone: () => void }) {
  const { write } = useJob()
  const lamps = member.kit.lamps ?? []
  const [edges, setEdges] = useState<number[]>([])
  const began = useRef<number | null>(null)
  const read = edges.length > 0 ? readLamp({ lamps, edgesMs: edges }) : null
  const answer: LampAnswer | null = read?.ok ? read.value : null
  const note = (event: { timeStamp: number }) => {
    began.current ??= event.timeStamp
    const at = Math.round(event.timeStamp - began.current)
    setEdges((before) => (at > (before.at(-1) ?? -1) ? [...before, at] : before))
  }
  const keep = async (pattern: KitLamp['id'] | null, means: string) => {
    const named = kitNamed(member)
    if (await write({ kind: 'lamp-seen', pattern, means, ...named })) onDone()
  }
  const known = lamps.find(({ id }) => id === answer?.pattern)
  return (
    <section aria-label={`Lamp of the ${member.kit.module.name}`}>
      <h3 className="mb-2 text-body font-bold">Lamp of the {member.kit.module.name}</h3>
      <button
        type="button"
        className="flex min-h-28 w-full flex-col items-center justify-center gap-1 rounded-lg border-4 border-ink bg-ground text-title font-bold active:bg-lamp"
        onPointerDown={note}
        onPointerUp={note}
        onKeyDown={(event) => {
          if (event.key !== ' ') return
          event.preventDefault()
          if (!event.repeat) note(event)
        }}
        onKeyUp={(event) => {
          if (event.key !== ' ') return
          event.preventDefault()
          note(event)
        }}
      >
        Hold while it is lit
        <span className="text-small font-normal">finger or space, along with the lamp; one round and a bit</span>
      </button>
      <p role="status" className="mt-2 min-h-12">
        {edges.length === 0
          ? 'Nothing tapped yet.'
          : known
            ? `${known.means}. ${known.next}`
            : `${Math.ceil(edges.length / 2)} blinks: none of its signs, or more than one. Go on, or begin anew.`}
      </p>
      <div className="flex flex-wrap gap-2">
        {known && (
          <Button look="main" onClick={() => void keep(known.id, known.means)}>
            That is it
          </Button>
        )}
        {edges.length > 0 && (
          <Button
            onClick={() => {
              began.current = null
              setEdges([])
            }}
          >
            Begin anew
          </Button>
        )}
      </div>
      <h4 className="mt-3 font-semibold">Or pick what you see</h4>
      <ul className="flex flex-col gap-1">
        {lamps.map((lamp) => (
          <li key={lamp.id}>
            <button
              type="button"
              className="grid min-h-11 w-full grid-cols-[120px_1fr] items-center gap-3 border-b-2 border-line-soft text-left"
              onClick={() => void keep(lamp.id, lamp.means)}
            >
              <Rhythm lamp={lamp} />
              <span>
                <b>{lamp.colour}</b>, {lamp.state === 'rhythm' ? 'in this rhythm' : lamp.state}: {lamp.means}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
