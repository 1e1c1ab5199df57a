import { joinedId } from '../dossiers/index.ts'
import { sensorFindings, weldsBoss, type SensorRule } from '../sensors/index.ts'
import type { Finding } from '../wiring/index.ts'
import { plannedLooms } from './jobRoute.ts'
import type { JobDossiers, JobState } from './state.ts'

/** The lead of the sensor that goes into the boss, with what it needs by the plan of its loom and what it has, m. */
export function sensorLead(dossiers: JobDossiers, state: JobState) {
  const members = plannedLooms(dossiers, state).filter(({ member }) => weldsBoss({ kit: member.kit }))
  for (const { loom, member } of members)
    for (const branch of loom?.branches ?? []) {
      const end = member.kit.ends.find(({ id }) => id === branch.end.id)
      if (end?.type !== 'plug' || end.far !== 'sensor') continue
      const suppliedM = branch.end.breakOutM + branch.end.branchM
      return { kitEnd: joinedId(member.key, end.id), needM: branch.needM, suppliedM }
    }
  return null
}

/** The boss as measured, judged with the lead of its sensor; and a pipe that is off. */
export function bossFindings(dossiers: JobDossiers, state: JobState): Finding<SensorRule>[] {
  return sensorFindings(dossiers, state, () => sensorLead(dossiers, state))
}
