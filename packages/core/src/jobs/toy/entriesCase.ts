import type { DossierPair, Station } from '../../dossiers/index.ts'
import { defineEntry, doneBy } from '../../journal/index.ts'
import type { greaseForms } from './formsCase.ts'
import type { GreaseState } from './stateCase.ts'

const entry = defineEntry<DossierPair, GreaseState, Station, typeof greaseForms>()

export const greaseWanted = entry({
  kind: 'grease-wanted',
  apply(state, written) {
    state.grease.wanted = doneBy(written)
    return null
  },
  words: ({ of }) => `${of} wants the terminals greased`,
})

export const greased = entry({
  kind: 'greased',
  bars: (_dossiers, { grease }) => (grease.greased ? { code: 'greased', message: 'Once is enough.' } : null),
  apply(state, written) {
    if (!state.grease.wanted) return 'Nobody wanted it.'
    state.grease.greased = doneBy(written)
    return null
  },
  place: () => 'close-up',
  words: () => 'Terminals greased',
})
