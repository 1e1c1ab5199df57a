import type { JobDossiers, JobState } from './state.ts'
import { meterFigures, moduleSupply, type FittedKit, type MeterFigure, type SupplyFigures } from '../circuit/index.ts'
import {
  connectionPlan,
  joinPracticeOf,
  meterCards,
  plannedConnections,
  type Connection,
  type MeterCard,
} from '../wiring/index.ts'

/** What is measured on a job, with what the circuit gives for it. */
export interface JobMeter {
  cards: MeterCard[]
  /** In the order of the cards. */
  figures: MeterFigure[]
}

/** Every measurement of a job's ends. Takes up to some hundred milliseconds: for a worker. */
export function jobMeter(dossiers: JobDossiers, state: Pick<JobState, 'decided' | 'connections'>): JobMeter {
  const { machine, kit } = dossiers
  const plan = connectionPlan(dossiers, state)
  const cards = kit.ends.flatMap((end) =>
    meterCards(
      machine,
      kit,
      end,
      plan.find((match) => match.kitEnd === end.id),
    ),
  )
  const planned: FittedKit = { kit, connections: connectionsPlanned(dossiers, state) }
  const built: FittedKit = { kit, connections: builtConnections(state) }
  return { cards, figures: meterFigures(machine, [planned], [built], cards) }
}

/** How the module is fed, as planned and as joined now. */
export interface JobSupply {
  planned: SupplyFigures
  built: SupplyFigures
}

/** Supply, ground, fuses and standing draw of the job's module. Builds eight circuits: for a worker. */
export function jobSupply(dossiers: JobDossiers, state: Pick<JobState, 'decided' | 'connections'>): JobSupply {
  const { machine, kit } = dossiers
  return {
    planned: moduleSupply(machine, [{ kit, connections: connectionsPlanned(dossiers, state) }], kit),
    built: moduleSupply(machine, [{ kit, connections: builtConnections(state) }], kit),
  }
}

/** What the plan joins, with the choices of the job. */
export function connectionsPlanned(dossiers: JobDossiers, state: Pick<JobState, 'decided'>): Connection[] {
  return plannedConnections(dossiers.machine, dossiers.kit, connectionPlan(dossiers, state), joinPracticeOf(state))
}

/** What is joined now. */
export function builtConnections({ connections }: Pick<JobState, 'connections'>): FittedKit['connections'] {
  return connections.map(({ kitEnd, to, method, tugged, fuseA }) => ({
    kitEnd,
    to,
    ...(method ? { method } : {}),
    tugged,
    ...(fuseA === undefined ? {} : { fuseA }),
  }))
}
