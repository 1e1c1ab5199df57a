import { mountPlaceOf, plannedLoom, plannedPassages, routesOf } from '@tidy-badger/core/jobs'
import { useJob } from '../jobs/index.ts'

/** The planned loom of the open job, what was written down of it, and how to write down more. */
export function useLoom() {
  const view = useJob()
  const { dossiers, state, write } = view
  const routes = routesOf(dossiers, state)
  const loom = plannedLoom(dossiers, state)
  const planned = new Map((loom ? plannedPassages(loom) : []).map(({ part, passages }) => [part, passages]))
  const lies = (part: string) => state.routes[part]?.passages ?? planned.get(part) ?? []
  return {
    ...view,
    routes,
    loom,
    place: mountPlaceOf(dossiers, state),
    planned,
    lies,
    toggle: (part: string, passage: string) => {
      const now = lies(part)
      const passages = now.includes(passage) ? now.filter((id) => id !== passage) : [...now, passage]
      return write({ kind: 'routed', part, passages, replaces: state.routes[part]?.passages ?? null })
    },
    choose: (choice: string, value: string) =>
      void write({ kind: 'choice', choice, value, replaces: state.choices[choice]?.value ?? null }),
  }
}
