import { benchSupply } from '../circuit/index.ts'
import { memberJobs } from './members.ts'
import type { JobDossiers } from './state.ts'

/** Dossiers with what a bench supply has to give, where a step of their kits asks for it. Builds a circuit: for the server and for workers. */
export function withBench(dossiers: JobDossiers): JobDossiers {
  if (!dossiers.kit.steps.some(({ text }) => text.includes('{bench}'))) return dossiers
  const bench = benchSupply(
    dossiers.machine,
    memberJobs(dossiers).map(({ member }) => member.kit),
  )
  return bench ? { ...dossiers, bench } : dossiers
}
