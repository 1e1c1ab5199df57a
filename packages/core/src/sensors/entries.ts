import type { DossierPair, Station } from '../dossiers/index.ts'
import { defineEntry, doneBy } from '../journal/index.ts'
import type { sensorForms } from './forms.ts'
import type { SensorState } from './state.ts'
import { pipeWords } from './words.ts'

const entry = defineEntry<DossierPair, SensorState, Station, typeof sensorForms>()

/** Where the boss is to be welded, as measured on the pipe. */
export const bossMeasured = entry({
  kind: 'boss-measured',
  apply(state, { from, behindMm, tailMm, aboveDeg, points, standDeg, tight, ...head }) {
    state.boss = {
      ...doneBy(head),
      ...{ from, behindMm, aboveDeg, points, standDeg, tight },
      ...(tailMm === undefined ? {} : { tailMm }),
    }
    return null
  },
  place: () => 'open-up',
  words: ({ from, behindMm, aboveDeg, points }) =>
    `Boss measured: ${behindMm} mm behind the ${from}, ${aboveDeg}° above the horizontal, pointing ${points}`,
})

/** The pipe is off, welded, or on again. */
export const pipeWorked = entry({
  kind: 'pipe-worked',
  apply(state, { act, ...head }) {
    state.pipe[act] ??= doneBy(head)
    return null
  },
  place: ({ act }) => (act === 'on' ? 'set-up' : 'open-up'),
  words: ({ act }) => pipeWords[act],
})

export const sensorEntries = [bossMeasured, pipeWorked]
