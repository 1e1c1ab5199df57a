import { feedOptions, feedPracticeOf, type FeedOption } from '../electrical/index.ts'
import { connectionPlan } from '../wiring/index.ts'
import { cachedBy, movesLoom } from './mountPlace.ts'

/** Every way to feed the kit of a job, the advised one first: for who chooses one; nothing that is judged hangs on it. */
export const feedsOf = cachedBy(
  'feeds',
  (decided) => [movesLoom(decided), decided.feeding?.value],
  (dossiers, state): FeedOption[] =>
    feedOptions(dossiers.machine, dossiers.kit, connectionPlan(dossiers, state), feedPracticeOf(state)),
)
