import { alikeWords } from '@tidy-badger/core/circuit'
import type { Kit, Machine, NetId } from '@tidy-badger/core/dossiers'
import {
  builtConnections,
  connectionsPlanned,
  type JobDossiers,
  jobFindings,
  jobMeter,
  type JobState,
  jobSupplies,
} from '@tidy-badger/core/jobs'
import {
  checkWiring,
  connectionPlan,
  touchedNets,
  traceSignal,
  traceTree,
  type Connection,
  type Erratum,
  type Finding,
} from '@tidy-badger/core/wiring'
import { startPlanning } from '@tidy-badger/core/planning'
import type { MeterAnswer } from './meterAnswer.ts'
import type { TraceAnswer } from './traceAnswer.ts'

startPlanning()

export interface WiringTask {
  dossiers: JobDossiers
  state: JobState
  errata: readonly Erratum[]
}

/** A job's wiring: what is connected, where everything belongs, what is wrong, and the ways of the signals. */
export function ofJob({ dossiers, state, errata }: WiringTask): object {
  const { machine, kit } = dossiers
  const plan = connectionPlan(dossiers, state)
  const connections = builtConnections(state)
  const planned = connectionsPlanned(dossiers, state)
  const nets = touchedNets(machine, kit, [...planned, ...connections])
  return {
    connections,
    matches: plan,
    findings: jobFindings(dossiers, state, { errata }).map(({ rule, severity, at, facts, reason, remedy }) => ({
      rule,
      severity,
      at,
      facts,
      reason,
      remedy,
    })),
    traces: {
      planned: nets.map((net) => traceSignal(machine, kit, planned, net)),
      asBuilt: nets.map((net) => traceSignal(machine, kit, connections, net)),
    },
  }
}

export interface TraceTask extends Omit<WiringTask, 'errata'> {
  /** Null: the one that the kit's first end changes. */
  net: NetId | null
  as: 'plan' | 'built'
}

/** One circuit of a job as a tree from its source; null where the machine has no such circuit. */
export function trace({ dossiers, state, net, as }: TraceTask): TraceAnswer | null {
  const { machine, kit } = dossiers
  const planned = connectionsPlanned(dossiers, state)
  const built = builtConnections(state)
  const asked = net ?? touchedNets(machine, kit, [...planned, ...built]).at(0) ?? machine.nets.at(0)?.id
  if (asked === undefined || !machine.nets.some(({ id }) => id === asked)) return null
  const found = traceTree(machine, kit, as === 'plan' ? planned : built, asked)
  return { ...found, source: found.tree.words }
}

/** What is measured on a job: where, what it should read, and what else would read the same. */
export function meter({ dossiers, state }: Omit<WiringTask, 'errata'>): MeterAnswer {
  const { machine } = dossiers
  const { cards, figures } = jobMeter(dossiers, state)
  const supplies = jobSupplies(dossiers, state)
  const [{ planned, built }] = supplies
  return {
    supply: {
      planned,
      built,
      ...(supplies.length > 1 ? { kits: supplies.map(({ key, ...own }) => ({ kit: key, ...own })) } : {}),
    },
    cards: cards.map((card, i) => {
      const { planned: asPlanned, built: asBuilt, alike } = figures[i]
      const barred = card.barred ?? null
      return {
        id: card.id,
        kitEnd: card.kitEnd,
        phase: card.phase,
        state: card.state,
        quantity: quantities[card.expect.unit],
        unit: card.expect.unit,
        low: barred === null ? card.expect.low : null,
        high: barred === null ? card.expect.high : null,
        planned: asPlanned,
        built: asBuilt,
        red: { ...card.red, says: card.redLead },
        black: { ...card.black, says: card.blackLead },
        alike: alike.map((wire) => ({ ...wire, says: alikeWords(machine, card, wire) })),
        barred,
      }
    }),
  }
}

const quantities = {
  V: 'voltage',
  'V AC': 'alternating voltage',
  ohm: 'resistance',
  Hz: 'frequency',
} as const

export interface CheckTask {
  machine: Machine
  kit: Kit
  connections: readonly Connection[]
  errata: readonly Erratum[]
}

export function check({ machine, kit, connections, errata }: CheckTask): Finding[] {
  return checkWiring(machine, kit, connections, { errata })
}
