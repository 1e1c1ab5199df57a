import { isDiesel, membersOf, type DossierPair, type Machine } from '../dossiers/index.ts'
import type { Outcome } from '../shared/index.ts'
import { claimOf } from './approvals.ts'
import { comparePulls, type Claim, type Comparison } from './compare.ts'
import { judgePulls, type JudgedPulls } from './conditions.ts'
import type { ProvingState } from './state.ts'

/** How sure a figure is: read on this machine by whoever fits, by others, said by who sells it, or worked out beforehand. */
export const certainties = ['measured here', 'measured elsewhere', 'claimed', 'guessed'] as const
export type Certainty = (typeof certainties)[number]

export interface JobProof {
  judged: JudgedPulls<ProvingState['pulls'][number]>
  /** Null without a pull of each kind. */
  compared: Outcome<Comparison> | null
  /** What is claimed, and by whom. */
  claim: { claim: Claim; by: 'kit' | 'fitter' } | null
  /** Of the gain. */
  certainty: Certainty
}

/** Whether air is pushed into an engine: its power is not corrected for weather. */
export function isBoosted({ engine }: Pick<Machine, 'engine'>): boolean {
  return (engine.output?.boostKPa ?? 0) > 0 || isDiesel(engine)
}

/** What the pulls of a job show, and of which claim: what was typed on the job, else what is said of its kits. */
export function jobProof(dossiers: DossierPair, state: Pick<ProvingState, 'pulls' | 'claimed'>): JobProof {
  const judged = judgePulls(state.pulls, { boosted: isBoosted(dossiers.machine) })
  const ofKit = membersOf(dossiers.kit).flatMap(({ kit }) => claimOf(dossiers, kit) ?? [])[0]
  const claim: JobProof['claim'] = state.claimed
    ? { claim: claimFields(state.claimed), by: 'fitter' }
    : ofKit
      ? { claim: claimFields(ofKit), by: 'kit' }
      : null
  const { before, after } = judged
  return {
    judged,
    claim,
    compared: before.length > 0 && after.length > 0 ? comparePulls(before, after, claim?.claim) : null,
    certainty: [...before, ...after].some(({ source }) => source === 'elsewhere')
      ? 'measured elsewhere'
      : 'measured here',
  }
}

/** A figure with its sign, plus as well. */
export const signed = (value: number, digits: number): string =>
  `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`

/** The power gained with half of its interval, where there is one. */
export function powerGained({ gainPowerKw, spreadPowerKw }: Pick<Comparison, 'gainPowerKw' | 'spreadPowerKw'>): string {
  return `${signed(gainPowerKw, 1)}${spreadPowerKw === null ? '' : ` ± ${spreadPowerKw.toFixed(1)}`} kW`
}

/** The gain of a job in a few words; null where nothing was laid over each other. */
export function gainWords(dossiers: DossierPair, state: Pick<ProvingState, 'pulls' | 'claimed'>): string | null {
  const { compared } = jobProof(dossiers, state)
  if (!compared?.ok) return null
  return `${powerGained(compared.value)}${compared.value.shown ? '' : ', not shown'}`
}

const claimFields = ({ powerKw, torqueNm, at, kind, lossPct }: Claim): Claim => ({
  ...(powerKw === undefined ? {} : { powerKw }),
  ...(torqueNm === undefined ? {} : { torqueNm }),
  ...(at === undefined ? {} : { at }),
  ...(kind === undefined ? {} : { kind }),
  ...(lossPct === undefined ? {} : { lossPct }),
})
