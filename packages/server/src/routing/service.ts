import { plannedRoute } from '@tidy-badger/core/jobs'
import { planRoutes, type MountSchool, type RankedPlace, type Stretch } from '@tidy-badger/core/routing'
import type { DossierAsked, DossierService } from '../dossiers/index.ts'
import type { JobService, LoadedJob } from '../jobs/index.ts'
import { Refusal } from '../platform/errors.ts'

export type RoutingService = ReturnType<typeof routingService>

export interface RoutePlanAsked {
  machine: DossierAsked
  kit: DossierAsked
  placeId?: string
  school?: MountSchool
}

export function routingService(dossiers: DossierService, jobs: JobService) {
  return {
    /** Places in order with the loom laid from each, as long as the search takes. */
    async plan({ machine, kit, placeId, school }: RoutePlanAsked) {
      const [{ document }, { document: loom }] = [await dossiers.machine(machine), await dossiers.kit(kit)]
      const plan = planRoutes(document, loom, { placeId, school, limit: 60_000 })
      if (!plan.ok) throw new Refusal('unprocessable', ...plan.problems)
      return { places: plan.value.places.map(answerOf), gaps: plan.value.gaps, exact: plan.value.exact }
    },
    /** A job with its planned loom. */
    async ofJob(id: string): Promise<{ job: LoadedJob; loom: RankedPlace }> {
      const job = await jobs.load(id)
      const route = plannedRoute(job.dossiers, job.state)
      if (route && !route.ok) throw new Refusal('unprocessable', ...route.problems)
      if (!route)
        throw new Refusal('unprocessable', {
          code: 'no-passages',
          path: 'machine.passages',
          message: `Where a loom can lie on the ${job.dossiers.machine.model} is not written down. Add its passages first.`,
        })
      return { job, loom: route.value }
    },
  }
}

const passages = (stretches: readonly Stretch[]) =>
  stretches.map(({ passage, from, to }) => ({ passage, from: round(from), to: round(to) }))
const round = (value: number) => Math.round(value * 1e4) / 1e4

function answerOf(place: RankedPlace) {
  return {
    place: { id: place.place.id, name: place.place.name },
    rank: place.rank,
    feasible: place.feasible,
    compromise: place.compromise,
    against: place.against,
    lost: place.lost,
    better: place.better,
    exact: place.exact,
    extensionM: place.extensionM,
    dose: place.dose,
    workMin: place.workMin,
    facts: place.facts,
    ties: place.ties,
    trunk: { ...place.trunk, stretches: passages(place.trunk.stretches) },
    branches: place.branches.map((branch) => ({
      end: branch.end.id,
      tag: branch.end.tag,
      target: branch.end.target,
      fate: branch.fate,
      route: passages(branch.stretches),
      lengthM: branch.lengthM,
      needM: branch.needM,
      suppliedM: branch.end.branchM,
      spareM: branch.spareM,
      extensionM: branch.extensionM,
      dose: branch.dose,
      hazards: branch.hazards,
      sleeve: branch.sleeve,
      estimated: branch.estimated,
      ...(branch.steering ? { steering: branch.steering } : {}),
    })),
    bundles: place.bundles,
  }
}
