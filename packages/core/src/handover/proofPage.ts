import { membersOf } from '../dossiers/index.ts'
import type { JobDossiers, JobState } from '../jobs/index.ts'
import { laddersByUse, levelName, usualLimits } from '../levels/index.ts'
import {
  gainFigures,
  jobProof,
  powerGained,
  signed,
  type Certainty,
  type Claim,
  type Comparison,
} from '../proving/index.ts'

/** One of the three numbers of the page. */
export interface ProofNumber {
  name: string
  value: string
  certainty: Certainty
}

/** What the owner reads of the gain: two curves, three numbers, plain words. */
export interface ProofPage {
  title: string
  machine: string
  kit: string
  numbers: ProofNumber[]
  words: string[]
  /** What differs between the pulls, and what that means. */
  notes: string[]
  pulls: {
    name: string
    when: 'before' | 'after'
    kw: number
    rpm: number
    nm: number
    nmRpm: number
    counts: boolean
  }[]
  comparison: Comparison | null
  /** Levels by use: the highest that loaded runs allow. */
  levels: string[]
}

/** The page of proof for the owner; it says so where nothing can be shown. */
export function proofPage(dossiers: JobDossiers, { title }: { title: string }, state: JobState): ProofPage {
  const { machine, kit } = dossiers
  const { judged, compared, claim, certainty } = jobProof(dossiers, state)
  const comparison = compared?.ok ? compared.value : null
  const counted = new Set([...judged.before, ...judged.after].map(({ entry }) => entry))
  return {
    title,
    machine: `${machine.maker} ${machine.model}`,
    kit: `${kit.maker} ${kit.model}`,
    numbers: comparison ? numbersOf(comparison, claim?.claim ?? null, certainty) : [],
    words: wordsOf(
      comparison,
      compared && !compared.ok ? (compared.problems[0]?.message ?? '') : null,
      claim?.claim ?? null,
    ),
    notes: [...judged.notes, ...(comparison?.reasons ?? [])],
    pulls: state.pulls.map(({ entry, name, when, peakPower, peakTorque }) => ({
      ...{ name, when, kw: peakPower.kw, rpm: peakPower.rpm, nm: peakTorque.nm, nmRpm: peakTorque.rpm },
      counts: counted.has(entry),
    })),
    comparison,
    levels: levelLines(dossiers, state),
  }
}

function numbersOf(comparison: Comparison, claim: Claim | null, certainty: Certainty): ProofNumber[] {
  const { gainTorqueNm, claim: verdict, shown, axis } = comparison
  return [
    { name: shown ? 'Power gained, shown' : 'Power gained, not shown', value: powerGained(comparison), certainty },
    axis === 'speed'
      ? { name: 'Torque', value: 'wheel power only', certainty }
      : { name: 'Torque gained', value: `${signed(gainTorqueNm, 0)} N·m`, certainty },
    claim === null
      ? { name: 'Claim', value: 'none', certainty: 'claimed' }
      : { name: `Claim of ${claimedOf(claim)}`, value: verdict ?? 'not shown', certainty: 'claimed' },
  ]
}

const claimedOf = (claim: Claim) => `${gainFigures(claim).join(' and ')} at the ${claim.at ?? 'wheel'}`

function wordsOf(comparison: Comparison | null, problem: string | null, claim: Claim | null): string[] {
  if (problem !== null) return [problem]
  if (!comparison)
    return [
      claim
        ? 'It cannot be claimed: there is no pull on stock and one with the kit to lay over each other.'
        : 'No pulls on stock and with the kit: no gain was measured.',
    ]
  const { peaks, gained, lost, fallsOff, shown, gainPowerKw, meanGainKw, axis } = comparison
  const unit = axis === 'rpm' ? '1/min' : 'km/h'
  const stretch = (list: Comparison['gained']) =>
    list
      .map(({ from, to, meanKw }) => `${Math.round(from)} to ${Math.round(to)} ${unit} (${signed(meanKw, 1)} kW)`)
      .join(', ')
  const peak = ({ kw, rpm, speedKmh }: Comparison['peaks']['before']) =>
    `${kw.toFixed(1)} kW at ${Math.round(rpm)} 1/min${speedKmh === null ? '' : `, ${Math.round(speedKmh)} km/h`}`
  return [
    `On stock ${peak(peaks.before)}; with the kit ${peak(peaks.after)}.`,
    shown
      ? `That is ${signed(gainPowerKw, 1)} kW, more than the same machine differs from pull to pull by itself.`
      : 'The difference is not more than the same machine differs from pull to pull by itself: nothing is shown.',
    `Over the whole range ${signed(meanGainKw, 1)} kW on average.`,
    ...(gained.length > 0 ? [`It gained from ${stretch(gained)}.`] : []),
    ...(lost.length > 0 ? [`It lost from ${stretch(lost)}.`] : []),
    ...(fallsOff
      ? [`Beyond ${Math.round(fallsOff.rpm)} 1/min it falls off, by ${Math.round(fallsOff.pct)} % at the end.`]
      : []),
  ]
}

function levelLines({ machine, kit }: JobDossiers, state: JobState): string[] {
  return membersOf(kit).flatMap(({ key, kit: own }) =>
    laddersByUse(own.levels?.length ?? 0, usualLimits(machine), state.levelRuns[key] ?? []).map(
      ({ use, highestAllowed, because }) =>
        `${own.model}, ${use}: ${highestAllowed === null ? 'no level is allowed yet' : `up to ${levelName(highestAllowed)}`}.${because[0] ? ` At ${levelName(because[0].level)} ${because[0].says}` : ''}`,
    ),
  )
}
