import { targetKey, type AccessPlan } from '@tidy-badger/core/access'
import { accessOf, accessOptionsOf } from '@tidy-badger/core/jobs'
import { useEffect, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { finishPlan } from '../finishPlan.ts'

/** What is to be known of the plan as a whole: its figures, its gaps, and whether it is proven the least. */
export function PlanNotes() {
  const { dossiers, state } = useJob()
  const plan = accessOf(dossiers, state)
  const better = useFinished(plan)
  if (!plan) return null
  return (
    <div className="mt-1 text-small text-quiet">
      <p>
        <span className="figures">{plan.removals.length}</span>{' '}
        {plan.removals.length === 1 ? 'cover comes' : 'covers come'} off,{' '}
        <span className="figures">{plan.toolChanges}</span> {plan.toolChanges === 1 ? 'tool' : 'tool changes'},{' '}
        <span className="figures">{plan.walkM.toFixed(1)}</span> m around the machine; blue: what is reached.
      </p>
      {!plan.exact && (
        <p role="status" className="font-semibold text-lamp-ink">
          {better
            ? better.removals.length === plan.removals.length && better.workMinutes === plan.workMinutes
              ? 'Worked out to the end: nothing less will do.'
              : `Worked out to the end: ${Math.round(plan.workMinutes - better.workMinutes)} min less is possible, without ${plan.removals
                  .filter((item) => !better.removals.some((other) => other.cover.id === item.cover.id))
                  .map((item) => item.cover.name)
                  .join(', ')}.`
            : `The best found so far, at most ${Math.ceil(plan.gapMinutes)} min above the least; still working.`}
        </p>
      )}
      {plan.unknown.length > 0 && (
        <p className="font-semibold text-lamp-ink">
          Not written down how {plan.unknown.map((target) => target.name).join(', ')} is reached: add a way in the
          machine's dossier, or find it and note it.
        </p>
      )}
    </div>
  )
}

/** The plan finished in a worker, where a screen's own thread had to stop early. */
function useFinished(plan: AccessPlan | null): AccessPlan | null {
  const { dossiers, state } = useJob()
  const targets = plan && !plan.exact ? [...plan.targets.map(({ target }) => target), ...plan.unknown] : null
  const key = targets?.map(targetKey).join(',') ?? ''
  const [made, setMade] = useState<{ key: string; plan: AccessPlan } | null>(null)
  useEffect(() => {
    if (!targets) return
    let gone = false
    void finishPlan(dossiers.machine, targets, accessOptionsOf(dossiers, state)).then((finished) => {
      if (!gone) setMade({ key, plan: finished })
    })
    return () => {
      gone = true
    }
    // oxlint-disable-next-line react/exhaustive-deps -- the key stands for the targets
  }, [key, dossiers.machine])
  return made?.key === key ? made.plan : null
}
