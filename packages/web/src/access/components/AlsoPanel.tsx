import { type AccessTarget, alsoChosen, alsoTargets, findTarget, targetKey } from '@tidy-badger/core/access'
import type { Kit } from '@tidy-badger/core/dossiers'
import { alsoCost, alsoKitCost, jobTargets, nothingDecided } from '@tidy-badger/core/jobs'
import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { fetchDossiers, useJob } from '../../jobs/index.ts'
import { getKept } from '../../platform/api/kept.ts'
import { Button } from '../../ui/Button.tsx'

/** While it is open anyway: what another kit or another plug would cost, worked out as soon as it is named. */
export function AlsoPanel() {
  const { dossiers, state, write } = useJob()
  const { machine, kit } = dossiers
  const rows = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers }).data ?? []
  const kits = rows.filter(
    (row, i) =>
      row.kind === 'kit' &&
      row.id !== kit.id &&
      row.fits.includes(machine.id) &&
      rows.findIndex((other) => other.kind === 'kit' && other.id === row.id) === i,
  )
  const also = alsoTargets(machine, state)
  const set = (targets: readonly AccessTarget[]) =>
    void write(alsoChosen.answer(state, {}, targets.length > 0 ? targets.map(targetKey) : null))
  const have = new Set(jobTargets(dossiers, state).map(targetKey))
  const others = [...machine.connectors, ...machine.studs].flatMap((item) => {
    const target = findTarget(machine, `${'cavities' in item ? 'connector' : 'stud'}:${item.id}`)
    return target && !have.has(targetKey(target)) ? [target] : []
  })
  const [picked, setPicked] = useState('')
  const target = others.find((item) => targetKey(item) === picked)
  return (
    <div className="flex flex-col gap-5">
      <section>
        <h3 className="mb-1 text-lead font-bold">Also fit another kit?</h3>
        {kits.length === 0 && <p className="text-quiet">No other kit of the yard is made for this machine.</p>}
        <ul className="flex flex-col gap-2">
          {kits.map((row) => (
            <OtherKit key={row.hash} id={row.id} name={row.name} onTake={(targets) => set([...also, ...targets])} />
          ))}
        </ul>
      </section>
      <section>
        <h3 className="mb-1 text-lead font-bold">Also reach a plug?</h3>
        <div className="flex flex-wrap items-center gap-3">
          <select
            aria-label="Plug or stud"
            value={picked}
            onChange={(event) => setPicked(event.target.value)}
            className="max-w-full min-w-56"
          >
            <option value="">Pick one</option>
            {others.map((item) => (
              <option key={targetKey(item)} value={targetKey(item)}>
                {item.name}
              </option>
            ))}
          </select>
          {target && <Cost targets={[target]} />}
          {target && (
            <Button
              onClick={() => {
                set([...also, target])
                setPicked('')
              }}
            >
              Take it in
            </Button>
          )}
        </div>
      </section>
      {also.length > 0 && (
        <section>
          <h3 className="mb-1 text-lead font-bold">Taken in as well</h3>
          <ul>
            {also.map((item) => (
              <li key={targetKey(item)} className="flex items-center gap-3">
                {item.name}
                <Button look="quiet" onClick={() => set(also.filter((other) => other !== item))}>
                  Leave out
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}

function OtherKit({ id, name, onTake }: { id: string; name: string; onTake: (targets: AccessTarget[]) => void }) {
  const { dossiers } = useJob()
  const kit = useQuery({
    queryKey: ['kit', id],
    queryFn: async () => (await getKept<{ document: Kit }>(`/api/dossiers/kit/${id}`)).document,
  }).data
  const targets = useMemo(
    () => (kit ? jobTargets({ machine: dossiers.machine, kit }, { decided: nothingDecided, found: [] }) : []),
    [kit, dossiers.machine],
  )
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-line-soft py-2">
      <span className="min-w-40 font-semibold">{name}</span>
      {kit && <KitCost kit={kit} />}
      {kit && <Button onClick={() => onTake(targets)}>Take it in</Button>}
    </li>
  )
}

/** All that another kit takes: `+2 covers, +14 min of access, 96 min of its own work`. */
function KitCost({ kit }: { kit: Kit }) {
  const { dossiers, state } = useJob()
  const cost = useMemo(() => alsoKitCost(dossiers, state, kit), [dossiers, state, kit])
  const covers = cost.covers.length === 0 ? 'no cover more' : `also off: ${cost.covers.join(', ')}`
  return (
    <span>
      {covers}, +{Math.round(cost.accessMinutes)} min to get at it, {Math.round(cost.workMinutes)} min of its own work
    </span>
  )
}

/** `+2 covers, +14 min`. */
function Cost({ targets }: { targets: readonly AccessTarget[] }) {
  const { dossiers, state } = useJob()
  const cost = alsoCost(dossiers, state, targets)
  if (!cost) return null
  return (
    <span role="status" className="min-w-0 flex-1">
      <b className="figures">
        +{cost.covers.length} {cost.covers.length === 1 ? 'cover' : 'covers'}, +{Math.round(cost.minutes)} min
      </b>
      {cost.covers.length > 0 && <span className="text-quiet"> {cost.covers.join(', ')}</span>}
      {cost.unknown.length > 0 && (
        <span className="block text-lamp-ink">
          How {cost.unknown.map((item) => item.name).join(', ')} is reached is not written down.
        </span>
      )}
    </span>
  )
}
