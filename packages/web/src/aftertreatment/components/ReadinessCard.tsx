import { monitorDrives, monitorsOf, readinessOf, type MonitorId } from '@tidy-badger/core/aftertreatment'
import { codeLedger } from '@tidy-badger/core/wake'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'

/** The engine's own tests: done or open, the drive that sets each, and whether an emission test makes sense today. */
export function ReadinessCard() {
  const { dossiers, state, write } = useJob()
  const ids = monitorsOf(dossiers.machine)
  const kept = new Map((state.readiness?.monitors ?? []).map(({ id, done }) => [id, done]))
  const [typed, setTyped] = useState<Partial<Record<MonitorId, boolean>>>({})
  const monitors = ids.flatMap((id) => {
    const done = typed[id] ?? kept.get(id)
    return done === undefined ? [] : [{ id, done }]
  })
  const { fresh, old } = codeLedger(state)
  const { says, test, open } = readinessOf(monitors, new Set([...fresh, ...old]).size)
  return (
    <div className="flex flex-col gap-4">
      <ul>
        <VerdictLine ok={test === 'yes'} says={says} />
      </ul>
      <ul className="flex flex-col gap-1.5" aria-label="Monitors">
        {ids.map((id) => {
          const done = typed[id] ?? kept.get(id)
          return (
            <li key={id} className="flex flex-wrap items-center gap-3 border-b-2 border-line-soft pb-1.5">
              <span className="min-w-0 flex-1">
                <b>{monitorDrives[id].name}</b>
                {done !== true && <span className="block text-small">{monitorDrives[id].drive}</span>}
              </span>
              {([true, false] as const).map((value) => (
                <Button
                  key={String(value)}
                  look={done === value ? 'main' : 'plain'}
                  aria-pressed={done === value}
                  aria-label={`${monitorDrives[id].name}: ${value ? 'done' : 'open'}`}
                  onClick={() => setTyped({ ...typed, [id]: value })}
                >
                  {value ? 'Done' : 'Open'}
                </Button>
              ))}
            </li>
          )
        })}
      </ul>
      {open.length > 0 && (
        <p className="text-quiet">
          Several are set on one drive. Within the limit, with fuel between a quarter and three quarters; local law
          decides what a test takes.
        </p>
      )}
      <Button
        look="main"
        className="self-start"
        disabled={monitors.length === 0}
        onClick={() => void write({ kind: 'readiness-read', monitors }).then((sent) => sent && setTyped({}))}
      >
        Write them down
      </Button>
    </div>
  )
}
