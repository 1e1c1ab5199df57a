import type { DossierPair, Station } from '../dossiers/index.ts'
import { defineEntry, doneBy } from '../journal/index.ts'
import type { aftertreatmentForms } from './forms.ts'
import { regenerationList } from './regeneration.ts'
import { regenerating, type AftertreatmentState } from './state.ts'

const entry = defineEntry<DossierPair, AftertreatmentState, Station, typeof aftertreatmentForms>()

/** A regeneration by hand: begun, ended or broken off. */
export const regeneration = entry({
  kind: 'regeneration',
  refs(_dossiers, { phase, read }) {
    if (phase !== 'started') return []
    const wrong = regenerationList(read ?? {}).filter(({ state }) => state !== 'ok')
    return wrong.length === 0
      ? []
      : [
          {
            code: 'not-ready',
            path: 'read',
            message: `Not to be begun: ${wrong.map(({ what, wants }) => `${what}, ${wants}`).join('; ')}.`,
          },
        ]
  },
  apply(state, { phase, text, read: _read, ...head }) {
    if (phase !== 'started' && !regenerating(state)) return 'None is under way.'
    state.regeneration = { ...doneBy(head), phase, text }
    return null
  },
  place: () => 'trim',
  words: ({ phase, text }) =>
    `Regeneration by hand ${phase === 'aborted' ? 'broken off' : phase}${text === '' ? '' : `: ${text}`}`,
})

/** The monitors of the engine's own tests, as they stand. */
export const readinessRead = entry({
  kind: 'readiness-read',
  apply(state, { monitors, ...head }) {
    state.readiness = { ...doneBy(head), monitors }
    return null
  },
  place: () => 'prove',
  words: ({ monitors }) => `Monitors: ${monitors.filter(({ done }) => done).length} of ${monitors.length} done`,
})

export const aftertreatmentEntries = [regeneration, readinessRead]
