import type { CoverId, WayFrom } from '../dossiers/index.ts'
import type { AccessPlan } from './model.ts'

/** From where a hand works at a cover: as most of what it gives way to is reached; null where it gives way to nothing. */
export function coverFrom(plan: Pick<AccessPlan, 'targets'> | null, cover: CoverId): WayFrom | null {
  const count = new Map<WayFrom, number>()
  for (const { covers, way } of plan?.targets ?? [])
    if (covers.includes(cover)) count.set(way.from, (count.get(way.from) ?? 0) + 1)
  const [most] = [...count].sort((a, b) => b[1] - a[1])
  return most ? most[0] : null
}
