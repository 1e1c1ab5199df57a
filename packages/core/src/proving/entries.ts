import type { DossierPair, Station } from '../dossiers/index.ts'
import { defineEntry, doneBy } from '../journal/index.ts'
import { meant, noSuch } from '../setup/index.ts'
import { heldGear } from './alignment.ts'
import { approvalWords, gainFigures, wantsApproval } from './approvals.ts'
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
  apply(state, { when, name, points, peakPower, peakTorque, factor, warnings, conditions, source, ...head }) {
    state.pulls.push({
      ...{ ...doneBy(head), when, name, points, peakPower, peakTorque, factor, warnings },
      ...(conditions ? { conditions } : {}),
      ...(source ? { source } : {}),
    })
    return null
  },
  place: ({ when }) => (when === 'before' ? 'take-in' : 'prove'),
  words: ({ when, name, peakPower }) =>
    `Pull ${when === 'before' ? 'on stock' : 'with the kit'}, ${name}: ${peakPower.kw.toFixed(1)} kW at ${Math.round(peakPower.rpm)} 1/min`,
})

/** What is claimed to be gained. */
export const gainClaimed = entry({
  kind: 'gain-claimed',
  apply(state, { powerKw, torqueNm, of, as: kind, lossPct, ...head }) {
    state.claimed = {
      ...doneBy(head),
      at: of,
      ...(powerKw === undefined ? {} : { powerKw }),
      ...(torqueNm === undefined ? {} : { torqueNm }),
      ...(kind === undefined ? {} : { kind }),
      ...(lossPct === undefined ? {} : { lossPct }),
    }
    return null
  },
  words: ({ powerKw, torqueNm, of }) =>
    `Claimed at the ${of}: ${gainFigures({ powerKw, torqueNm }).join(', ') || 'nothing'}`,
})

/** Drag and rolling of this machine, from coasting down. */
export const coastedDown = entry({
  kind: 'coasted-down',
  apply(state, { massKg, dragAreaM2, dragSeM2, rolling, rollingSe, ...head }) {
    state.coasted = { ...doneBy(head), massKg, dragAreaM2, dragSeM2, rolling, rollingSe }
    return null
  },
  place: () => 'prove',
  words: ({ dragAreaM2, dragSeM2, rolling, rollingSe }) =>
    `Coasted down: drag area ${dragAreaM2.toFixed(2)} ± ${(2 * dragSeM2).toFixed(2)} m², rolling ${rolling.toFixed(4)} ± ${(2 * rollingSe).toFixed(4)}`,
})

/** Whether a kit is approved for this machine and market: without a number it is for a closed course, and somebody is told. */
export const approvalAsked = entry({
  kind: 'approval-asked',
  refs: ({ kit }, { kit: named }) =>
    meant(kit, named, wantsApproval)
      ? []
      : noSuch(`${named ?? `The ${kit.model}`} changes nothing of the engine: no approval is asked for.`),
  apply(state, { market, number, with: told, kit: named, ...head }, { kit }) {
    const member = meant(kit, named, wantsApproval)
    if (!member) return 'No kit here wants an approval.'
    state.approvals[member.key] = { ...doneBy(head), market, number: number ?? null, with: told }
    return null
  },
  place: () => 'take-in',
  words: ({ market, number, with: told }) => approvalWords({ market, number: number ?? null, with: told }),
})

export const provingEntries = [pullMade, gainClaimed, coastedDown, approvalAsked]
