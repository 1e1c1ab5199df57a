import type { CoverId, WayFrom } from '../dossiers/index.ts'
import type { AccessPlan } from './model.ts'

/** From where a hand works at a cover: as most of what it gives way to is reached; null where it gives way to nothing. */
export function coverFrom(plan: Pick<AccessPlan, 'targets'> | null, cover: CoverId): WayFrom | null {
  const count = new Map<WayFrom, number>()
  for (const { covers, way } of plan?.targets ?? [])
    if (covers.includes(cover)) count.set(way.from, (count.get(way.from) ?? 0) + 1)
  return (
    [...count].reduce<readonly [WayFrom, number] | null>(
      (best, one) => (best && best[1] >= one[1] ? best : one),
      null,
    )?.[0] ?? null
  )
}
