import { membersOf, type Kit, type KitMember, type Machine } from '../dossiers/index.ts'
import { collectFindings, defineRules, note, said, type FactsOf } from '../findings/index.ts'
import type { DossierPair } from '../dossiers/index.ts'
import type { Finding, FindingPlace } from '../wiring/index.ts'
import type { Claim } from './compare.ts'
import type { ProvingState } from './state.ts'

/** What is to be known of proof and of the law. */
export const provingRules = defineRules({
  'claim-without-stock': note('A gain is claimed, and no pull on stock stands against it.'),
  'closed-course': note('There is no approval for it on this machine in its market.'),
})
export type ProvingRule = keyof typeof provingRules

export const provingWords = {
  'claim-without-stock': ({ kit, claim, late }: { kit: string; claim: string; late: boolean }) =>
    late
      ? said(
          `The ${kit} is claimed to bring ${claim}, and there is no pull on stock: it cannot be claimed.`,
          'Drive three pulls with its level on stock, or with the kit bypassed, on the same day as those with it.',
        )
      : said(
          `The ${kit} is claimed to bring ${claim}. Without a pull on stock first it cannot be claimed afterwards.`,
          'Drive three pulls on stock before anything is fitted, and write them down.',
        ),
  'closed-course': ({ kit, market, to }: { kit: string; market: string; to: string }) =>
    said(
      `The ${kit} has no approval for this machine in ${market}: closed course only. ${to} was told.`,
      'Hand it back with that on the paper.',
    ),
}

/** Whether a kit acts on how the engine runs, so that the law may ask for an approval: what only shows does not. */
export const wantsApproval = (kit: Kit): boolean =>
  kit.levels !== undefined ||
  kit.trim !== undefined ||
  kit.ends.some((end) => end.type === 'inline-pair' && end.lines.some(({ does }) => does === 'interrupt'))

/** Kits of a job whose approval is asked for. */
export const approvalsAsked = (kit: Kit): KitMember[] => membersOf(kit).filter((member) => wantsApproval(member.kit))

/** What is claimed of a kit on a machine: for that machine, else for any. */
export function claimOf({ machine }: { machine: Pick<Machine, 'id'> }, { claims = [] }: Kit) {
  return claims.find((claim) => claim.machine === machine.id) ?? claims.find((claim) => claim.machine === undefined)
}

/** What of a gain is said in figures, each with its unit. */
export const gainFigures = ({ powerKw, torqueNm }: Claim): string[] => [
  ...(powerKw === undefined ? [] : [`${powerKw} kW`]),
  ...(torqueNm === undefined ? [] : [`${torqueNm} N·m`]),
]

/** A claim in words. */
export function claimWords({ powerKw, torqueNm, at, kind }: NonNullable<ReturnType<typeof claimOf>>): string {
  return `${gainFigures({ powerKw, torqueNm }).join(' and ')} at the ${at}${kind === 'largest-gain' ? ', where it gains most' : ''}`
}

/** What was found out about an approval, in words. */
export const approvalWords = (asked: { market: string; number: string | null; with: string }): string =>
  asked.number === null
    ? `No approval in ${asked.market}: closed course only, told to ${asked.with}`
    : `Approved in ${asked.market}: ${asked.number}`

/** Claims that nothing stands against yet, and kits for a closed course. @param begun the engine has run with it */
export function provingFindings(
  dossiers: DossierPair,
  state: ProvingState,
  { begun, fitting }: { begun: boolean; fitting: boolean },
): Finding<ProvingRule>[] {
  const { findings, say } = collectFindings<FactsOf<typeof provingWords>, FindingPlace>(provingRules, provingWords)
  const stock = state.pulls.some(({ when }) => when === 'before')
  for (const { key, kit } of membersOf(dossiers.kit)) {
    const claim = claimOf(dossiers, kit)
    if (claim && !stock && fitting)
      say('claim-without-stock', {}, { kit: kit.model, claim: claimWords(claim), late: begun })
    const approval = state.approvals[key]
    if (approval && approval.number === null)
      say('closed-course', { entry: approval.entry }, { kit: kit.model, market: approval.market, to: approval.with })
  }
  return findings
}
