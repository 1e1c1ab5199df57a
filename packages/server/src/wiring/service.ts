import { joinSchoolOf, planOf } from '@tidy-badger/core/jobs'
import {
  checkWiring,
  plannedConnections,
  touchedNets,
  traceSignal,
  type Connection,
  type Erratum,
} from '@tidy-badger/core/wiring'
import type { Problem } from '@tidy-badger/core/shared'
import type { DossierAsked, DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import { Refusal } from '../platform/errors.ts'
import type { Rooms } from '../platform/rooms.ts'
import { errataRepository } from './repository.ts'

export type WiringService = ReturnType<typeof wiringService>

export function wiringService(rooms: Rooms, dossiers: DossierService, jobs: JobService) {
  const errata = errataRepository(rooms.db)
  return {
    errata: (kit?: string, machine?: string) => errata.about(kit, machine),

    /** Writes an erratum down; the same id with the same content is no second one. */
    async addErratum(given: Omit<Erratum, 'at'>): Promise<Erratum> {
      const { document: kit } = await dossiers.kit({ id: given.kit })
      await dossiers.machine({ id: given.machine })
      if (!kit.ends.some((end) => end.id === given.kitEnd))
        throw unknown('kitEnd', `"${given.kitEnd}" is no end of the ${kit.model} loom.`)
      const known = await errata.byId(given.id)
      if (known) {
        const { at: _at, ...before } = known
        if (JSON.stringify(sorted(before)) === JSON.stringify(sorted(given))) return known
        throw new Refusal('conflict', {
          code: 'erratum-id-reused',
          path: 'id',
          message: `The id "${given.id}" stands for another erratum already.`,
        })
      }
      const erratum = { ...given, at: rooms.now() }
      await errata.add(erratum)
      return erratum
    },

    /** A job's wiring: what is connected, where everything belongs, what is wrong, and the ways of the signals. */
    async ofJob(id: string) {
      const { dossiers: pair, state } = await jobs.load(id)
      const { machine, kit } = pair
      const plan = planOf(pair, state)
      const connections = state.connections.map(({ kitEnd, to, method, tugged }): Connection => ({
        kitEnd,
        to,
        ...(method ? { method } : {}),
        tugged,
      }))
      const planned = plannedConnections(machine, kit, plan, joinSchoolOf(state))
      const nets = touchedNets(machine, kit, [...planned, ...connections])
      const known = await errata.about(kit.id, machine.id)
      return {
        connections,
        matches: plan,
        findings: (await jobs.findings(id, known)).map(({ rule, severity, at, reason, remedy }) => ({
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
    },

    /** Findings of connections without a job. */
    async check(asked: { machine: DossierAsked; kit: DossierAsked; connections: readonly Connection[] }) {
      const { document: machine } = await dossiers.machine(asked.machine)
      const { document: kit } = await dossiers.kit(asked.kit)
      const ends = new Set<string>(kit.ends.map((end) => end.id))
      const sockets = new Set<string>(kit.sockets?.map((socket) => socket.id))
      const problems = asked.connections.flatMap(({ kitEnd, to }, i): Problem[] => {
        const at = `connections.${i}`
        const say = (field: string, message: string): Problem[] => [
          { code: 'unknown-reference', path: `${at}.${field}`, message },
        ]
        if (!ends.has(kitEnd)) return say('kitEnd', `"${kitEnd}" is no end of the ${kit.model} loom.`)
        if ('kitEnd' in to && !ends.has(to.kitEnd) && !sockets.has(to.kitEnd))
          return say('to.kitEnd', `"${to.kitEnd}" is no end or socket of the ${kit.model} kit.`)
        if ('stud' in to && !machine.studs.some((stud) => stud.id === to.stud))
          return say('to.stud', `"${to.stud}" is no stud of the ${machine.model}.`)
        if (!('connector' in to)) return []
        const plug = machine.connectors.find((connector) => connector.id === to.connector)
        if (!plug) return say('to.connector', `"${to.connector}" is no plug of the ${machine.model}.`)
        if ('cavity' in to && !plug.cavities.some((cavity) => cavity.number === to.cavity))
          return say('to.cavity', `${plug.name} has no cavity ${to.cavity}.`)
        return []
      })
      if (problems.length > 0) throw new Refusal('unprocessable', ...problems)
      return {
        findings: checkWiring(machine, kit, asked.connections, { errata: await errata.about(kit.id, machine.id) }),
      }
    },
  }
}

function unknown(path: string, message: string): Refusal {
  return new Refusal('unprocessable', { code: 'unknown-reference', path, message })
}

function sorted(record: object): [string, unknown][] {
  return Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1))
}
