import type { PassageId, LoomPartId } from '@tidy-badger/core/dossiers'
import { mountPlaceOf, plannedPassages, plannedRoute } from '@tidy-badger/core/jobs'
import { useJob } from '../jobs/index.ts'

/** The planned loom of the open job, what was written down of it, and how to write down more. */
export function useLoom() {
  const view = useJob()
  const { dossiers, state, write } = view
  const route = plannedRoute(dossiers, state)
  const loom = route?.ok ? route.value : null
  const planned = new Map((loom ? plannedPassages(loom) : []).map(({ part, passages }) => [part, passages]))
  const lies = (part: LoomPartId) => state.routes[part]?.passages ?? planned.get(part) ?? []
  return {
    ...view,
    /** What keeps the loom from being planned. */
    troubles: route && !route.ok ? route.problems.map((problem) => problem.message) : [],
    loom,
    place: mountPlaceOf(dossiers, state),
    planned,
    lies,
    toggle: (part: LoomPartId, passage: PassageId) => {
      const now = lies(part)
      const passages = now.includes(passage) ? now.filter((id) => id !== passage) : [...now, passage]
      return write({ kind: 'routed', part, passages, replaces: state.routes[part]?.passages ?? null })
    },
  }
}
