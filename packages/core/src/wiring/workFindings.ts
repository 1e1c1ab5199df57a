import { collectFindings } from '../findings/index.ts'
import { endName, type DossierPair } from '../dossiers/index.ts'
import type { Finding } from './model.ts'
import { wiringRules, type WiringRule } from './ruleCatalogue.ts'
import type { WiringState } from './state.ts'

type Known = Pick<WiringState, 'connections' | 'disputes' | 'irreversible' | 'found'>

/** Findings of the wiring that only the journal knows: two places, cuts without a word, earlier work, joints made live. */
export function workFindings(dossiers: DossierPair, state: Known): Finding<WiringRule>[] {
  const { findings, say } = collectFindings<WiringRule, Finding['at']>(wiringRules)
  const { kit } = dossiers
  for (const dispute of state.disputes)
    say(
      'two-places',
      { kitEnd: dispute.kitEnd },
      `Two different places were written down for ${endName(dossiers, dispute.kitEnd)}; the later one is shown.`,
      'Look at it. If the later is wrong, undo it; else take the end off in the list and connect it again.',
    )
  for (const end of kit.ends) {
    if (end.type !== 'flying-lead' || end.cut?.half !== 'device') continue
    const { partner } = end.cut
    const cut = state.connections.some((made) => [end.id, partner].includes(made.kitEnd) && 'cavity' in made.to)
    const agreed = state.irreversible.some(
      (act) => act.act === 'cut' && [end.id, partner].includes(act.about?.kitEnd ?? ''),
    )
    if (cut && !agreed)
      say(
        'cut-no-consent',
        { kitEnd: end.id },
        `A factory wire was cut for ${end.name}, and nobody wrote down that the owner agreed.`,
        'Ask the owner and write it down with the name, or join the wire again.',
      )
  }
  for (const found of state.found)
    if (!found.dealt && found.own)
      say(
        'puncture-open',
        { ...found.about, entry: found.entry },
        `${found.text}. The factory wire is open there.`,
        'Seal it against water and write down how; until then it stays on the list.',
      )
    else if (!found.dealt)
      say(
        'earlier-work',
        { ...found.about, entry: found.entry },
        `Left by an earlier fitter, ${found.what}: ${found.text}`,
        'Restore it or seal it, and write down how; until then it stays on the list.',
      )
  for (const made of state.connections)
    if (made.live)
      say(
        'joined-live',
        { kitEnd: made.kitEnd },
        `${endName(dossiers, made.kitEnd)} was joined with the battery on.`,
        'Battery off, take the joint apart and look at it: a scorched strand or eye is made anew. Then join it again.',
      )
  return findings
}
