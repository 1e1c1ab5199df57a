import { membersOf } from '@tidy-badger/core/dossiers'
import type { MountPractice } from '@tidy-badger/core/routing'
import type { Outcome } from '@tidy-badger/core/shared'
import type { DossierAsked, DossierService } from '../dossiers/index.ts'
import type { JobService } from '../jobs/index.ts'
import { notFound, orRefuse } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import type { PaperTask, RouteTask } from './worker.ts'

const worker = new URL('./worker.ts', import.meta.url)

export type RoutingService = ReturnType<typeof routingService>

export interface RoutePlanAsked {
  machine: DossierAsked
  kit: DossierAsked
  placeId?: string
  school?: MountPractice
}

export function routingService(deps: AppDeps, dossiers: DossierService, jobs: JobService) {
  return {
    /** Places in order with the loom laid from each. */
    async plan({ machine, kit, placeId, school }: RoutePlanAsked): Promise<object> {
      const task: RouteTask = {
        machine: (await dossiers.machine(machine)).document,
        kit: (await dossiers.kit(kit)).document,
        ...(placeId ? { placeId } : {}),
        ...(school ? { school } : {}),
      }
      return orRefuse(await deps.pool.run<Outcome<object>>(worker, 'plan', task))
    },
    /** The planned loom of a job, drawn or on paper. @param kit of several, by its name in the job; the first unless said */
    async paper(id: string, kind: PaperTask['kind'], kit?: string): Promise<string | Buffer> {
      const { row, dossiers: pair, state } = await jobs.load(id)
      const own = membersOf(pair.kit).map(({ key }) => key)
      if (kit !== undefined && !own.includes(kit)) throw notFound('kit', kit)
      const task: PaperTask = {
        job: { title: row.title, dossiers: pair, state },
        kind,
        madeAt: deps.now(),
        ...(kit === undefined ? {} : { kit }),
      }
      const made = orRefuse(await deps.pool.run<Outcome<string | Uint8Array>>(worker, 'paper', task))
      return typeof made === 'string' ? made : Buffer.from(made)
    },
  }
}
