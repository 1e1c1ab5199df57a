import type { Kit, Machine } from '@tidy-badger/core/dossiers'
import { jobFindings, joinSchoolOf, planOf, type JobDossiers, type JobState } from '@tidy-badger/core/jobs'
import {
  checkWiring,
  plannedConnections,
  touchedNets,
  traceSignal,
  type Connection,
  type Erratum,
  type Finding,
} from '@tidy-badger/core/wiring'

export interface WiringTask {
  dossiers: JobDossiers
  state: JobState
  errata: readonly Erratum[]
}

/** A job's wiring: what is connected, where everything belongs, what is wrong, and the ways of the signals. */
export function ofJob({ dossiers, state, errata }: WiringTask): object {
  const { machine, kit } = dossiers
  const plan = planOf(dossiers, state)
  const connections = state.connections.map(({ kitEnd, to, method, tugged }): Connection => ({
    kitEnd,
    to,
    ...(method ? { method } : {}),
    tugged,
  }))
  const planned = plannedConnections(machine, kit, plan, joinSchoolOf(state))
  const nets = touchedNets(machine, kit, [...planned, ...connections])
  return {
    connections,
    matches: plan,
    findings: jobFindings(dossiers, state, { errata }).map(({ rule, severity, at, reason, remedy }) => ({
      rule,
      severity,
      at,
      reason,
      remedy,
    })),
    traces: {
      planned: nets.map((net) => traceSignal(machine, kit, planned, net)),
      asBuilt: nets.map((net) => traceSignal(machine, kit, connections, net)),
    },
  }
}

export interface CheckTask {
  machine: Machine
  kit: Kit
  connections: readonly Connection[]
  errata: readonly Erratum[]
}

export function check({ machine, kit, connections, errata }: CheckTask): Finding[] {
  return checkWiring(machine, kit, connections, { errata })
}
