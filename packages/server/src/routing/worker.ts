import type { Kit, Machine } from '@tidy-badger/core/dossiers'
import { memberState, plannedLooms } from '@tidy-badger/core/jobs'
import { planRoutes, type MountPractice, type RankedPlace, type Stretch } from '@tidy-badger/core/routing'
import { failure, success, type Outcome } from '@tidy-badger/core/shared'
import { startPlanning } from '@tidy-badger/core/planning'
import type { PaperJob } from '../jobs/index.ts'
import { loomSvg } from './loomSvg.ts'
import { routePdf } from './routePdf.ts'
import { templatePdf } from './templatePdf.ts'

startPlanning()

export interface RouteTask {
  machine: Machine
  kit: Kit
  placeId?: string
  school?: MountPractice
}

/** Trunk ways looked at per place before the best found is given as not proven. */
const mostWays = 60_000

/** Places in order with the loom laid from each. */
export function plan({ machine, kit, placeId, school }: RouteTask): Outcome<object> {
  const planned = planRoutes(machine, kit, { placeId, school, limit: mostWays })
  if (!planned.ok) return failure(...planned.problems)
  const { places, gaps, exact } = planned.value
  return success({ places: places.map(answerOf), gaps, exact })
}

export interface PaperTask {
  job: PaperJob
  kind: 'drawing' | 'sheet' | 'template'
  madeAt: string
  /** Of several kits, by its name in the job; the first unless said. */
  kit?: string
}

/** The planned loom of a job, drawn or on paper. */
export async function paper({ job: whole, kind, madeAt, kit }: PaperTask): Promise<Outcome<string | Uint8Array>> {
  const looms = plannedLooms(whole.dossiers, whole.state).filter(({ member }) => !member.present)
  const loom = looms.find(({ member }) => member.key === kit) ?? looms[0]
  const route = loom?.route ?? null
  const job: PaperJob = loom
    ? {
        title: looms.length > 1 ? `${whole.title}, ${loom.member.kit.model}` : whole.title,
        dossiers: loom.dossiers,
        state: memberState(whole.dossiers, loom.member, whole.state),
      }
    : whole
  if (!route)
    return failure({
      code: 'no-passages',
      path: 'machine.passages',
      message: `Where a loom can lie on the ${job.dossiers.machine.model} is not written down. Add its passages first.`,
    })
  if (!route.ok) return failure(...route.problems)
  if (kind === 'drawing') return success(loomSvg(job.dossiers, route.value, job.title))
  return success(await (kind === 'sheet' ? routePdf(job, route.value, madeAt) : templatePdf(job, route.value)))
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
    hazardScore: place.hazardScore,
    workMin: place.workMin,
    facts: place.facts,
    ties: place.ties,
    trunk: { ...place.trunk, stretches: passages(place.trunk.stretches) },
    branches: place.branches.map((branch) => ({
      end: branch.end.id,
      tag: branch.end.tag,
      target: branch.end.target,
      reach: branch.reach,
      route: passages(branch.stretches),
      lengthM: branch.lengthM,
      needM: branch.needM,
      suppliedM: branch.end.branchM,
      spareM: branch.spareM,
      extensionM: branch.extensionM,
      hazardScore: branch.hazardScore,
      hazards: branch.hazards,
      sleeve: branch.sleeve,
      estimated: branch.estimated,
      ...(branch.steering ? { steering: branch.steering } : {}),
    })),
    bundles: place.bundles,
  }
}
