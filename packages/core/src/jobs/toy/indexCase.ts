import { defineRules } from '../../findings/index.ts'
import type { Capability } from '../capability.ts'
import { greased, greaseWanted } from './entriesCase.ts'
import { freshGrease, type GreaseState } from './stateCase.ts'

const greaseRules = defineRules({
  'grease-missing': { severity: 'stop', liftable: true, means: 'Terminals that should be greased are dry.' },
})

const stateOf = (state: object) => state as GreaseState

export const toy: Capability = {
  name: 'grease',
  entries: [greaseWanted, greased],
  fresh: freshGrease,
  rules: greaseRules,
  findings: (_dossiers, state) => {
    const { wanted, greased: made } = stateOf(state).grease
    if (!wanted || made) return []
    return [
      {
        rule: 'grease-missing',
        severity: greaseRules['grease-missing'].severity,
        at: { entry: wanted.entry },
        reason: 'The terminals are dry.',
        remedy: 'Grease them.',
      },
    ]
  },
  work: (_dossiers, state, station) => {
    const { wanted, greased: made } = stateOf(state).grease
    if (!wanted || station !== 'close-up') return []
    const minutes = { best: 1, likely: 1, worst: 2 }
    return [
      { id: 'grease', words: 'Grease the terminals', minutes, done: made ?? undefined, makes: [{ kind: 'greased' }] },
    ]
  },
}
