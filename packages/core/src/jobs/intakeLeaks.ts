import { sayWakeWork } from '../wake/index.ts'
import type { Minutes, Station } from '../dossiers/index.ts'
import { accessOf } from './jobAccess.ts'
import type { OwnWork } from './capability.ts'
import type { JobDossiers, JobState } from './state.ts'

/** What the air goes through behind the filter. */
const intake = /airbox|filter box|intake (pipe|tube|duct|boot)|charge pipe|throttle bod/i
const leakMinutes: Minutes = { best: 2, likely: 4, worst: 10 }
/** Its name in the health of the machine. */
export const leakName = 'Intake joints'

export interface LeakLook {
  kind: 'health-checked'
  what: string
  ok: boolean
  says: string
}

/** Where the intake comes apart on the way in, its joints are looked at for leaks once the engine runs. */
export function leakWork(dossiers: JobDossiers, state: JobState, station: Station): OwnWork<LeakLook>[] {
  if (station !== 'wake') return []
  const apart = (accessOf(dossiers, state)?.removals ?? []).flatMap(({ cover }) =>
    intake.test(cover.name) && !/\blid\b/i.test(cover.name) ? [cover.name] : [],
  )
  const looked = state.health[leakName]
  return apart.length === 0
    ? []
    : [
        {
          id: 'leaks',
          ...sayWakeWork('look-for-leaks', { covers: apart }),
          minutes: leakMinutes,
          ...(looked?.ok ? { done: looked } : {}),
          asks: 'leak',
          makes: [{ kind: 'health-checked', what: leakName, ok: true, says: 'no joint draws air' }],
        },
      ]
}
