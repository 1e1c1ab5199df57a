import type { DossierPair, Station } from '../dossiers/index.ts'
import { defineEntry, doneBy } from '../journal/index.ts'
import { heldGear } from './alignment.ts'
import type { provingForms } from './forms.ts'
import type { ProvingState } from './state.ts'

const entry = defineEntry<DossierPair, ProvingState, Station, typeof provingForms>()

/** A pull, before the kit or after it. */
export const pullMade = entry({
  kind: 'pull-made',
  refs(_dossiers, { points, peakPower, peakTorque }) {
    const borne =
      points.some(({ rpm, powerKw }) => rpm === peakPower.rpm && powerKw === peakPower.kw) &&
      points.some(({ rpm, torqueNm }) => rpm === peakTorque.rpm && torqueNm === peakTorque.nm)
    // Of a belt road speed is what rises.
    const order = heldGear({ points }) === 'belt' ? 'speedKmh' : 'rpm'
    const back = points.findIndex((point, i) => i > 0 && (point[order] ?? 0) < (points[i - 1]?.[order] ?? 0))
    if (back > 0)
      return [{ code: 'no-pull', path: `points.${back}.${order}`, message: 'Points stand in order of their speed.' }]
    return borne
      ? []
      : [
          {
            code: 'proof-not-borne-out',
            path: 'peakPower',
            message: 'No point of it has this peak.',
          },
        ]
  },
  apply(state, { when, name, points, peakPower, peakTorque, factor, warnings, ...head }) {
    state.pulls.push({ ...doneBy(head), when, name, points, peakPower, peakTorque, factor, warnings })
    return null
  },
  place: ({ when }) => (when === 'before' ? 'take-in' : 'prove'),
  words: ({ when, name, peakPower }) =>
    `Pull ${when === 'before' ? 'on stock' : 'with the kit'}, ${name}: ${peakPower.kw.toFixed(1)} kW at ${Math.round(peakPower.rpm)} 1/min`,
})

/** What is claimed to be gained. */
export const gainClaimed = entry({
  kind: 'gain-claimed',
  apply(state, { powerKw, torqueNm, of, ...head }) {
    state.claimed = {
      ...doneBy(head),
      at: of,
      ...(powerKw === undefined ? {} : { powerKw }),
      ...(torqueNm === undefined ? {} : { torqueNm }),
    }
    return null
  },
  words: ({ powerKw, torqueNm, of }) =>
    `Claimed at the ${of}: ${[powerKw === undefined ? '' : `${powerKw} kW`, torqueNm === undefined ? '' : `${torqueNm} N·m`].filter(Boolean).join(', ') || 'nothing'}`,
})

export const provingEntries = [pullMade, gainClaimed]
